import { bringIn } from '@vennet/core/bring-in';
import { docxOf } from '@vennet/core/testing';
import { strFromU8, unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { best, line } from './floor.js';

const WORDS = 'harbour lamp tide keeper sound evening watch'.split(' ');
const [CHAPTERS, PARAGRAPHS] = [30, 50];

/** A document of 300 pages (105,000 words) with 2,000 links, as a word processor writes it: a run for every change of anything. */
function document(): Uint8Array {
  const links: Record<string, string> = {};
  let body = '';
  let count = 0;
  const run = (text: string) =>
    `<w:r w:rsidRPr="00${1000 + (count % 999)}"><w:rPr><w:rFonts w:ascii="Georgia" w:hAnsi="Georgia"/><w:sz w:val="22"/><w:lang w:val="en-GB"/></w:rPr><w:t xml:space="preserve">${text}</w:t></w:r>`;
  for (let chapter = 0; chapter < CHAPTERS; chapter++) {
    body += `<w:p w:rsidR="00A77B3E"><w:pPr><w:pStyle w:val="H1"/></w:pPr><w:bookmarkStart w:id="${chapter}" w:name="_Toc${chapter}"/>${run(`Chapter ${chapter}`)}<w:bookmarkEnd w:id="${chapter}"/></w:p>`;
    for (let paragraph = 0; paragraph < PARAGRAPHS; paragraph++) {
      body += '<w:p w:rsidR="00A77B3E" w:rsidRDefault="00A77B3E"><w:pPr><w:spacing w:after="120"/></w:pPr>';
      for (let part = 0; part < 4; part++) {
        body += run(Array.from({ length: 17 }, () => `${WORDS[(count++ * 7) % 7]} `).join(''));
        if (part > 0 && !(part === 1 && paragraph % 3 === 0)) continue;
        const id = `r${Object.keys(links).length}`;
        links[id] = `https://a${count % 50}.example/page/${count}`;
        body += `<w:hyperlink r:id="${id}" w:history="1"><w:r><w:rPr><w:rStyle w:val="Hyperlink"/></w:rPr><w:t>link ${count}</w:t></w:r></w:hyperlink>`;
      }
      body += '</w:p>';
    }
  }
  const styles =
    '<w:style w:type="paragraph" w:styleId="H1"><w:name w:val="heading 1"/></w:style><w:style w:type="character" w:styleId="Hyperlink"><w:name w:val="Hyperlink"/></w:style>';
  return docxOf(body, { links, styles });
}

/** Bringing in a long DOCX, against unzipping it and parsing its XML. */
export async function benchBringingIn(): Promise<void> {
  const bytes = document();
  let id = 0;
  const work = () => bringIn({ name: 'long.docx', bytes }, () => `v${id++}`);
  const links = work().report.kept.find(({ what }) => what === 'web links')?.count ?? 0;
  const time = await best(5, work);
  const floor = await best(5, () => {
    for (const [path, part] of Object.entries(unzipSync(bytes)))
      if (/\.(?:xml|rels)$/.test(path)) parseDocument(strFromU8(part), { xmlMode: true });
  });
  line(`Bringing in a DOCX of 300 pages, ${links} links`, time, 'unzipping and parsing its XML', floor, 3);
  const held = process.memoryUsage().rss / 1e6;
  console.log(`  ${held.toFixed(0)} MB held, ${held < 500 ? 'under' : 'OVER'} 500, which is the bar`);
}

import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { makeEpub, editionOf } from '../publish/index.js';
import { faultInChapter, readBook, schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { expectAsExample } from '../testing/expected.js';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '../testing/whole-book.js';
import { epubFiles, PIXEL, zip } from '../testing/zip.js';
import { bringIn, BringInError, reportWords, type BroughtIn } from './index.js';

/** A book that was brought in, as text that can be read: its details, its chapters, what was kept and what was not. */
function asText({ book, enclosures, report }: BroughtIn): unknown {
  const { chapters, ...details } = book;
  return {
    details,
    chapters: chapters.map(({ doc, ...chapter }) => ({
      ...chapter,
      doc: Node.fromJSON(schema, doc).toString(),
      json: doc,
    })),
    enclosures: enclosures.map(({ bytes, ...more }) => ({ ...more, bytes: bytes.length })),
    report,
    words: [...report.kept, ...report.changed, ...report.leftOut].map((line) => reportWords(line)),
  };
}

const refusal = (bytes: Uint8Array | string) => {
  try {
    bringIn(
      { name: 'x.epub', bytes: typeof bytes === 'string' ? new TextEncoder().encode(bytes) : bytes },
      counter(),
    );
    return 'taken';
  } catch (error) {
    return error instanceof BringInError ? `${error.fault}: ${error.message}` : String(error);
  }
};

describe('the worked example of bringing in', () => {
  test('an HTML page with everything in it', () => {
    const page = readFileSync(new URL('../../example/brought/page.html', import.meta.url));
    const brought = bringIn({ name: 'page.html', bytes: page }, counter());
    expectAsExample('brought/page.json', asText(brought));
    for (const { doc } of brought.book.chapters) expect(faultInChapter(doc)).toBeNull();
  });

  test('the e-book that Vennet made of the book with everything in it', () => {
    const made = makeEpub(editionOf(wholeBook(), wholeBookPictures, 'epub', wholeBookSurroundings), {
      modified: new Date('2026-11-23T12:00:00Z'),
    });
    const brought = bringIn({ name: 'lamps.epub', bytes: made }, counter());
    expectAsExample('brought/own-e-book.json', asText(brought));
    expect(readBook(brought.book).chapters.map(({ title }) => title)).toEqual([
      'Before the text',
      'Lamps & wicks',
      'Deep water',
      'Sources',
      'With this book',
    ]);
  });

  test('an e-book of another maker, with what does not belong', () => {
    const files = epubFiles(
      {
        'nav.xhtml': '<body><nav epub:type="toc"><ol><li><a href="a.xhtml">A</a></li></ol></nav></body>',
        'a.xhtml':
          '<body epub:type="frontmatter"><p>A <a href="b.xhtml#n">note</a><a epub:type="noteref" href="b.xhtml#n" id="r">1</a>, <a href="../b.xhtml">astray</a>, <a href="file.pdf#page=2">a file</a>, <a href="b.xhtml">B</a>. <img src="dot.png" alt="dot"/> <img src="gone.png" alt="gone"/></p></body>',
        'b.xhtml':
          '<body epub:type="backmatter"><p id="r">twice</p><h1 id="b"/><h2>B</h2><aside epub:type="footnote" id="n"><p>The remark. <a epub:type="backlink" href="a.xhtml#r">back</a></p></aside><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"><image xlink:href="dot.png"/></svg></body>',
      },
      { 'OEBPS/dot.png': PIXEL, 'OEBPS/file.pdf': '%PDF-1.7', 'OEBPS/odd.xml': '<odd/>' },
    );
    files['OEBPS/package.opf'] = String(files['OEBPS/package.opf'])
      .replace(
        '</manifest>',
        '<item id="odd" href="odd.xml" media-type="application/xml"/><item id="bare" href="odd.xml"/><item id="lost" href="lost.xhtml" media-type="application/xhtml+xml"/></manifest>',
      )
      .replace(
        '</spine>',
        '<itemref idref="odd"/><itemref idref="bare"/><itemref idref="lost"/><itemref idref="none"/><itemref idref="c1"/></spine>',
      );
    expectAsExample(
      'brought/other-e-book.json',
      asText(bringIn({ name: 'other.epub', bytes: zip(files) }, counter())),
    );
  });

  test('what can’t be brought in is refused in words that say what to do', () => {
    const whole = epubFiles({ 'a.xhtml': '<body><p>words</p></body>' });
    const without = (name: string) =>
      Object.fromEntries(Object.entries(whole).filter(([key]) => key !== name));
    const CONTAINER = 'META-INF/container.xml';
    const encryption = (algorithm: string) => ({
      ...whole,
      'META-INF/encryption.xml': `<encryption><EncryptedData><EncryptionMethod Algorithm="${algorithm}"/></EncryptedData></encryption>`,
    });
    expectAsExample('brought/refusals.json', {
      empty: refusal(''),
      words: refusal('only words'),
      binary: refusal(Uint8Array.from([1, 2, 0, 4])),
      'no text in the page': refusal('<html><body><p> </p></body></html>'),
      'no archive': refusal('PK nothing'),
      'no container': refusal(zip(without(CONTAINER))),
      'no package': refusal(zip(without('OEBPS/package.opf'))),
      'no page of the spine': refusal(zip(without('OEBPS/a.xhtml'))),
      'no words': refusal(zip(epubFiles({ 'a.xhtml': '<body><p> </p></body>' }))),
      encrypted: refusal(zip(encryption('http://www.w3.org/2001/04/xmlenc#aes256-cbc'))),
      'fonts scrambled': refusal(zip(encryption('http://www.idpf.org/2008/embedding'))),
      'fonts scrambled otherwise': refusal(zip(encryption('http://ns.adobe.com/pdf/enc#RC'))),
    });
  });
});

import { execFile } from 'node:child_process';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { promisify } from 'node:util';
import { gunzipSync } from 'node:zlib';
import { hrefOf } from '@vennet/core/destination';
import { headingsIn, oughtToBeLinks, type PageText } from '@vennet/core/ground';
import {
  GroundError,
  openGround,
  pagesThatDiffer,
  readGround,
  readMarked,
  readText,
  writeGround,
} from '@vennet/core/ground/file';
import { entriesOf, faultInChapter, pagesOf, schema, setAreas, type LinkArea } from '@vennet/core/manuscript';
import { Pdfium } from '@vennet/core/pdfium';
import { linksOnPages } from '@vennet/core/readback';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';

/** Packages of Debian 12 that hold PDFs of many makers: pdfTeX, groff, FOP, LuaTeX, word processors. */
const PACKAGES = [
  'bash-doc',
  'graphviz-doc',
  'libtasn1-doc',
  'shared-mime-info',
  'gutenprint-doc',
  'writer2latex-manual',
  'texlive-latex-base-doc',
  'live-manual-pdf',
  'debian-reference-en',
  'maint-guide',
  'gnuplot-doc',
];

const run = promisify(execFile);

/** Finished PDFs of other makers as books of pages: read, added to in both ways, and read again; gives what is amiss, in words. */
export async function finished(directory: string): Promise<string[]> {
  const amiss: string[] = [];
  for (const name of PACKAGES) {
    const folder = join(directory, name);
    await mkdir(folder, { recursive: true });
    const isThere = await run('apt-get', ['download', '-qq', name], { cwd: folder }).then(
      () => true,
      () => false,
    );
    if (!isThere) continue;
    await run('sh', ['-c', 'dpkg-deb -x ./*.deb .'], { cwd: folder });
    const { stdout } = await run('find', [folder, '-type', 'f', '-name', '*.pdf', '-o', '-name', '*.pdf.gz']);
    for (const path of stdout.trim().split('\n').filter(Boolean)) {
      const packed = await readFile(path);
      const bytes = new Uint8Array(path.endsWith('.gz') ? gunzipSync(packed) : packed);
      const found = await inAndOut(directory, bytes).catch((error: Error) =>
        // What can't be a book of pages says why.
        error instanceof GroundError ? [] : [`${error.name}: ${error.message}`],
      );
      amiss.push(...found.map((one) => `${name} ${basename(path)}: ${one}`));
    }
  }
  return amiss;
}

async function inAndOut(directory: string, bytes: Uint8Array): Promise<string[]> {
  const file = await openGround(bytes);
  const pdf = await Pdfium.open(bytes);
  const texts: PageText[] = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  const { doc: json } = readGround(file, (index) => texts[index] as PageText);
  const fault = faultInChapter(json);
  if (fault) return [`its text is amiss: ${fault.message}`];
  const doc = Node.fromJSON(schema, json);
  const pages = pagesOf(doc).map(({ attrs }) => attrs);
  const entries = entriesOf(doc).map(({ attrs, title }) => ({ ...attrs, title }));
  headingsIn(texts);
  oughtToBeLinks({ language: 'en', pages, texts, entries });
  const transform = new Transform(doc);
  let added = 0;
  for (const { at, attrs } of pagesOf(doc).filter((_, index) => index % 7 === 0)) {
    setAreas(transform, at, [...attrs.areas, newLink(attrs.number)]);
    added++;
  }
  const amiss: string[] = [];
  const before = (await linksOnPages(bytes)).flat().filter(({ uri }) => uri !== null).length;
  for (const write of ['addition', 'anew'] as const) {
    if (write === 'addition' && file.cannotAdd) continue;
    const made = await writeGround(bytes, {
      write,
      password: null,
      doc: transform.doc,
      textOf: (index) => texts[index] as PageText,
      markedOn: (index, frame) => readMarked(pdf, index + 1, frame),
      targetOf: ({ destination }) => ({ href: hrefOf(destination) }),
    });
    if (made.added !== added) amiss.push(`${write}: ${made.added} links of ${added} were added`);
    if (made.removed + made.changed > 0)
      amiss.push(`${write}: ${made.removed} removed, ${made.changed} changed`);
    const differing = pagesThatDiffer(file, await openGround(made.bytes));
    if (differing.length > 0) amiss.push(`${write}: pages ${differing.slice(0, 5).join(', ')} differ`);
    const after = (await linksOnPages(made.bytes)).flat().filter(({ uri }) => uri !== null).length;
    if (after !== before + added) amiss.push(`${write}: ${after} links instead of ${before + added}`);
    const said = await saidByQpdf(directory, made.bytes);
    // What it says of the old bytes stays true of them.
    if (said !== '' && (await saidByQpdf(directory, bytes)) === '') amiss.push(`${write}: qpdf says ${said}`);
  }
  pdf.close();
  console.log(
    `  ${pages.length} pages, ${before} links to the web, ${entries.length} entries: ${amiss.length} amiss`,
  );
  return amiss;
}

/** What qpdf finds wrong in a file; empty where it finds nothing. */
async function saidByQpdf(directory: string, bytes: Uint8Array): Promise<string> {
  const path = join(directory, 'made.pdf');
  await writeFile(path, bytes);
  return run('qpdf', ['--check', path]).then(
    () => '',
    (error: { stderr: string }) => error.stderr.slice(0, 200),
  );
}

const newLink = (page: number): LinkArea => ({
  id: `new-${page}`,
  x: 0.2,
  y: 0.3,
  width: 0.2,
  height: 0.05,
  name: `New on ${page}`,
  hoverNote: '',
  frame: null,
  destination: { kind: 'web', href: `https://new.example/${page}` },
});

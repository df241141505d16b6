import { execFile } from 'node:child_process';
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { NodeCompiler } from '@myriaddreamin/typst-ts-node-compiler';
import {
  expectedLinks,
  editionOf,
  makeEpub,
  typesetBook,
  withPages,
  type Edition,
} from '@vennet/core/publish';
import { linksInEpub, linksInPdf, prove } from '@vennet/core/readback';
import { ReadingThread } from '@vennet/server/publishing/second-reader';
import { finishPdf } from '@vennet/server/typesetting/finish';
import { setPages, type SetPdf } from '@vennet/server/typesetting/typeset';
import { unzipSync, zipSync } from 'fflate';
import { generatedBook, generatedPictures } from './book.js';
import { best, bestInTurn, line } from './floor.js';

const RUNS = 5;
const MODIFIED = new Date('2026-01-01T00:00:00Z');
const TYPESETTING = fileURLToPath(new URL('../../server/src/typesetting/', import.meta.url));

/** PDF and e-book of a book of 100,000 words, 2,000 links, 300 notes and 60 pictures, against the bare compiler, a browser's print and bare zipping. */
export async function benchPublishing(): Promise<void> {
  const book = generatedBook(100_000, 2_000, { notes: 300, pictures: 60 });
  const pictures = await generatedPictures(60);
  const edition = editionOf(book, pictures, 'pdf');
  const ebook = editionOf(book, pictures, 'epub');
  const paths = new Map(pictures.map(({ id, name }) => [id, `/pictures/${name}`]));
  const json = JSON.stringify(typesetBook(edition, paths));
  const template = await readFile(`${TYPESETTING}book.typ`, 'utf8');
  /** What the compiler alone takes for the same JSON: no reading of the book, no places, no notes. */
  const bare = () => {
    const compiler = NodeCompiler.create({ workspace: TYPESETTING });
    compiler.evictCache(0);
    compiler.addSource(`${TYPESETTING}book.typ`, template);
    compiler.mapShadow(`${TYPESETTING}book.json`, Buffer.from(json));
    for (const { name, bytes } of pictures)
      compiler.mapShadow(`${TYPESETTING}pictures/${name}`, Buffer.from(bytes));
    const { result } = compiler.compile({
      mainFilePath: `${TYPESETTING}book.typ`,
      inputs: { book: '/book.json' },
    });
    if (!result) throw new Error('the compiler refused the book');
    return compiler.pdf(result, { pdfStandard: 'ua-1' });
  };
  const set = () => {
    NodeCompiler.create({ workspace: TYPESETTING }).evictCache(0);
    return setPages(edition).write();
  };
  const made = async () => {
    const { bytes, labels, places } = set();
    return finishPdf(bytes, withPages(edition, labels), places);
  };
  let told = '';
  const proved = async () => {
    told = await proofOf(edition, set());
  };
  bare();
  await proved();
  const [bareTime = 0, pdfTime = 0, provedTime = 0] = await bestInTurn(RUNS, [bare, made, proved]);
  const floor = 'the bare compiler on the same JSON';
  line('PDF of 100,000 words, 2,000 links, 300 notes, 60 pictures', pdfTime, floor, bareTime, 1.3);
  line('The same with its proof', provedTime, floor, bareTime, 2);
  console.log(`  ${told}`);

  const epub = makeEpub(ebook, { modified: MODIFIED });
  const files = unzipSync(epub);
  const zipTime = await best(RUNS, () => zipSync(files, { level: 6 }));
  const epubTime = await best(RUNS, () => makeEpub(ebook, { modified: MODIFIED }));
  line('E-book of the same book', epubTime, 'zipping the same bytes', zipTime, 2);
  const found = prove(expectedLinks(ebook), linksInEpub(epub));
  console.log(`  proof: ${found.found} of ${found.expected} found`);

  const printTime = await browserPrint(files);
  line('A browser’s print of the same book as HTML', printTime, 'the PDF made by Vennet', pdfTime, null);
}

/** A long book with many links: all that a PDF of it takes, against its setting alone. */
export async function benchLongPdf(): Promise<void> {
  const book = generatedBook(290_000, 8_000);
  const edition = editionOf(book, [], 'pdf');
  const set = () => {
    NodeCompiler.create({ workspace: TYPESETTING }).evictCache(0);
    return setPages(edition).write();
  };
  const setTime = await best(1, set);
  let told = '';
  const allTime = await best(1, async () => {
    told = await proofOf(edition, set());
  });
  line('PDF of 290,000 words and 8,000 links with its proof', allTime, 'setting its pages', setTime, 4);
  const held = Math.round(process.resourceUsage().maxRSS / 1024);
  console.log(`  ${told}; ${held} MB held at most by all that ran in this process`);
}

/** Finishes and proves a PDF whose pages are set, as publishing does; what the proof says. */
async function proofOf(edition: Edition, { bytes, labels, places }: SetPdf): Promise<string> {
  const numbered = withPages(edition, labels);
  const back = await ReadingThread.beside(Infinity, async (thread) => {
    const finished = await finishPdf(bytes, numbered, places);
    return linksInPdf(finished, undefined, thread?.read(finished));
  });
  const { found, expected, lost, changed } = prove(expectedLinks(numbered), back.links);
  return `${back.pages} pages; proof: ${found} of ${expected} found, ${lost.length} lost, ${changed.length} changed`;
}

async function browserPrint(files: Record<string, Uint8Array>): Promise<number> {
  const folder = await mkdtemp(join(tmpdir(), 'vennet-bench-'));
  const chapters = Object.keys(files)
    .filter((name) => /chapter-\d+\.xhtml$/.test(name))
    .sort();
  for (const [name, bytes] of Object.entries(files)) {
    await mkdir(join(folder, dirname(name)), { recursive: true });
    await writeFile(join(folder, name), bytes);
  }
  const bodies = chapters.map(
    (name) => /<body[^>]*>([\s\S]*)<\/body>/.exec(new TextDecoder().decode(files[name]))?.[1] ?? '',
  );
  const whole = join(folder, dirname(chapters[0] ?? ''), 'book.html');
  await writeFile(whole, `<!doctype html><meta charset="utf-8">${bodies.join('')}`);
  const chromium = process.env.VENNET_CHROMIUM ?? '/usr/bin/chromium';
  const options = [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    `--user-data-dir=${folder}/profile`,
  ];
  const start = performance.now();
  await promisify(execFile)(chromium, [...options, `--print-to-pdf=${folder}/book.pdf`, `file://${whole}`]);
  const time = performance.now() - start;
  await rm(folder, { recursive: true, force: true });
  return time;
}

import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { NodeCompiler } from '@myriaddreamin/typst-ts-node-compiler';
import { expectedLinks, editionOf, makeEpub, typesetBook, withPages } from '@vennet/core/publish';
import { linksInEpub, linksInPdf, prove } from '@vennet/core/readback';
import { finishPdf } from '@vennet/server/typesetting/finish';
import { setPages } from '@vennet/server/typesetting/typeset';
import { unzipSync, zipSync } from 'fflate';
import { generatedBook } from './book.js';
import { best, line } from './floor.js';

const RUNS = 3;
const MODIFIED = new Date('2026-01-01T00:00:00Z');
const TYPESETTING = fileURLToPath(new URL('../../server/src/typesetting/', import.meta.url));

/** PDF and e-book of a book of 100,000 words and 2,000 links, against the bare compiler, a browser's print and bare zipping. */
export async function benchPublishing(): Promise<void> {
  const book = generatedBook(100_000, 2_000);
  const edition = editionOf(book, [], 'pdf');
  const ebook = editionOf(book, [], 'epub');
  const json = JSON.stringify(typesetBook(edition, new Map()));
  const template = await readFile(`${TYPESETTING}book.typ`, 'utf8');
  /** What the compiler alone takes for the same JSON: no reading of the book, no places, no notes. */
  const bare = () => {
    const compiler = NodeCompiler.create({ workspace: TYPESETTING });
    compiler.evictCache(0);
    compiler.addSource(`${TYPESETTING}book.typ`, template);
    compiler.mapShadow(`${TYPESETTING}book.json`, Buffer.from(json));
    const { result } = compiler.compile({
      mainFilePath: `${TYPESETTING}book.typ`,
      inputs: { book: '/book.json' },
    });
    if (!result) throw new Error('the compiler refused the book');
    return compiler.pdf(result, { pdfStandard: 'ua-1' });
  };
  const fresh = () => {
    NodeCompiler.create({ workspace: TYPESETTING }).evictCache(0);
    const set = setPages(edition);
    return { ...set, ...set.write() };
  };
  bare();
  const bareTime = await best(RUNS, bare);
  const pdfTime = await best(RUNS, fresh);
  line('PDF of 100,000 words and 2,000 links', pdfTime, 'the bare compiler on the same JSON', bareTime, 1.5);
  const { bytes, places } = fresh();
  const proved = async () => linksInPdf(await finishPdf(bytes.slice(), edition, places));
  const provedTime = await best(RUNS, proved);
  line('What is said of its links, and reading it back', provedTime, 'the PDF made by Vennet', pdfTime, 2);
  const back = await proved();
  const proof = prove(expectedLinks(edition), back.links);
  console.log(
    `  ${back.pages} pages; proof: ${proof.found} of ${proof.expected} found, ${proof.lost.length} lost, ${proof.changed.length} changed`,
  );

  const epub = makeEpub(ebook, { modified: MODIFIED });
  const files = unzipSync(epub);
  const zipTime = await best(RUNS, () => zipSync(files, { level: 6 }));
  const epubTime = await best(RUNS, () => makeEpub(ebook, { modified: MODIFIED }));
  line('E-book of the same book', epubTime, 'zipping the same bytes', zipTime, 3);
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
    const { bytes, labels, places } = set();
    const numbered = withPages(edition, labels);
    const back = await linksInPdf(await finishPdf(bytes, numbered, places));
    const { found, expected } = prove(expectedLinks(numbered), back.links);
    told = `${back.pages} pages; proof: ${found} of ${expected} found`;
  });
  line('PDF of 290,000 words and 8,000 links with its proof', allTime, 'setting its pages', setTime, 4);
  const held = Math.round(process.resourceUsage().maxRSS / 1024);
  console.log(`  ${told}; ${held} MB held at most by all that ran in this process`);
}

async function browserPrint(files: Record<string, Uint8Array>): Promise<number> {
  const folder = await mkdtemp(join(tmpdir(), 'vennet-bench-'));
  const bodies = Object.keys(files)
    .filter((name) => /chapter-\d+\.xhtml$/.test(name))
    .sort()
    .map((name) => /<body[^>]*>([\s\S]*)<\/body>/.exec(new TextDecoder().decode(files[name]))?.[1] ?? '');
  await writeFile(join(folder, 'book.html'), `<!doctype html><meta charset="utf-8">${bodies.join('')}`);
  const chromium = process.env.VENNET_CHROMIUM ?? '/usr/bin/chromium';
  const options = [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    `--user-data-dir=${folder}/profile`,
  ];
  const start = performance.now();
  await promisify(execFile)(chromium, [
    ...options,
    `--print-to-pdf=${folder}/book.pdf`,
    `file://${folder}/book.html`,
  ]);
  const time = performance.now() - start;
  await rm(folder, { recursive: true, force: true });
  return time;
}

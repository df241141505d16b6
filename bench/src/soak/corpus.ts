import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { bringIn, type BroughtIn } from '@vennet/core/bring-in';
import { readBook } from '@vennet/core/manuscript';
import { editionOf, makeEpub, makeWebPage, withPages, type Edition } from '@vennet/core/publish';
import {
  linksInEpub,
  linksInPdf,
  linksInWebPage,
  type CutOffLine,
  type FoundLink,
} from '@vennet/core/readback';
import { proofOf } from '@vennet/server/publishing/proof-of';
import { epubFaults } from '@vennet/server/testing/readers';
import { finishPdf } from '@vennet/server/typesetting/finish';
import { setPages } from '@vennet/server/typesetting/typeset';
import { MARK, metIn, missing, pagesOf, type Met } from './read-book.js';

/** E-books of ten makers and in seven languages, by the packages of Debian 12 that hold them. */
const BOOKS: readonly [string, string][] = [
  ['debian-policy', 'usr/share/doc/debian-policy/policy.epub'],
  ['developers-reference-ja', 'usr/share/developers-reference/ja/developers-reference.epub'],
  ['debian-history', 'usr/share/doc/debian-history/docs/project-history.ru.epub'],
  ['debmake-doc', 'usr/share/doc/debmake-doc/debmake-doc.zh-cn.epub'],
  ['debian-paketmanagement-buch', 'usr/share/doc/debian-paketmanagement-buch/debian-paketmanagement.epub'],
  ['eyes17-manuals-ml', 'usr/share/doc/eyes17/ml/eyes17.epub'],
  ['live-manual-epub', 'usr/share/doc/live-manual/epub/live-manual.fr.epub'],
  ['snmptt', 'usr/share/doc/snmptt/snmptt.epub'],
  ['cxxtest', 'usr/share/doc/cxxtest/guide.epub'],
  ['debian-edu-doc-fr', 'usr/share/doc/debian-edu-doc-fr/debian-edu-bookworm-manual.epub'],
];

const run = promisify(execFile);

/** Brings each of the e-books in and out in three forms; gives what is amiss, in words. */
export async function corpus(directory: string): Promise<string[]> {
  const amiss: string[] = [];
  for (const [name, path] of BOOKS) {
    const folder = join(directory, name);
    await mkdir(folder, { recursive: true });
    await run('apt-get', ['download', '-qq', name], { cwd: folder });
    await run('sh', ['-c', 'dpkg-deb -x ./*.deb .'], { cwd: folder });
    const before = process.cpuUsage();
    const { words, faults, pages } = await inAndOut(await readFile(join(folder, path)), folder);
    const { user, system } = process.cpuUsage(before);
    console.log(
      `  ${name}: ${words} words, ${pages} pages, ${((user + system) / 1e6).toFixed(0)} s of CPU, ${faults.length} amiss`,
    );
    amiss.push(...faults.map((fault) => `${name}: ${fault}`));
  }
  return amiss;
}

async function inAndOut(
  given: Buffer,
  folder: string,
): Promise<{ words: number; pages: number; faults: string[] }> {
  const bytes = new Uint8Array(given);
  const brought = bringIn({ name: 'book.epub', bytes }, () => `v${randomUUID().replaceAll('-', '')}`);
  const source = metIn(pagesOf(bytes, () => false));
  const book = { ...readBook(brought.book), id: randomUUID() };
  const faults: string[] = [];

  const epubEdition = editionOf(book, brought.enclosures, 'epub');
  const epub = makeEpub(epubEdition, { modified: new Date() });
  const epubPath = join(folder, 'made.epub');
  await writeFile(epubPath, epub);
  faults.push(...(await epubFaults(epubPath)));
  faults.push(...unproved('e-book', epubEdition, linksInEpub(epub)));
  const made = metIn(pagesOf(epub, (path) => /(?:title|with-book)\.xhtml$/.test(path)));
  faults.push(...unlike(source, made, brought));

  const webEdition = editionOf(book, brought.enclosures, 'web');
  faults.push(...unproved('web page', webEdition, linksInWebPage(makeWebPage(webEdition))));

  const pdfEdition = editionOf(book, brought.enclosures, 'pdf');
  const set = setPages(pdfEdition);
  const { bytes: plain, unseen, places } = set.write();
  const withNumbers = withPages(pdfEdition, set.labels);
  const pdf = await finishPdf(plain, withNumbers, places);
  const { links, cutOff, pages } = await linksInPdf(pdf.slice());
  faults.push(...unproved('PDF', withNumbers, links, cutOff, unseen));
  const pdfPath = join(folder, 'made.pdf');
  await writeFile(pdfPath, pdf);
  await run('qpdf', ['--check', pdfPath]).catch((error: Error) => faults.push(`qpdf: ${error.message}`));
  faults.push(...(await outsideOfPages(pdfPath)));
  return { words: source.words.length, pages, faults };
}

/** What the proof finds amiss but links that lead nowhere in the book itself, which its author is told of before. */
function unproved(
  form: string,
  edition: Edition,
  found: FoundLink[],
  cutOff: CutOffLine[] = [],
  unseen: ReadonlySet<string> = new Set(),
): string[] {
  const proof = proofOf(edition, found, { cutOff, unseen });
  const lost = [...proof.lost, ...proof.computed.lost].filter(
    ({ href }) => !/^#(?:no-destination|missing-)/.test(href),
  );
  const all = [...lost, ...proof.changed, ...proof.computed.changed, ...proof.added, ...proof.cutOff];
  return all.map((one) => `${form}: ${JSON.stringify(one)}`);
}

/** What a reader met in the e-book as it came and does not meet in the one that was made. */
function unlike(source: Met, made: Met, { report }: BroughtIn): string[] {
  const withoutMarks = (words: readonly string[]) => words.map((word) => word.replaceAll('[]', ''));
  const lost = (what: string, from: readonly string[], to: readonly string[]) =>
    missing(from, to).map((one) => `${what} lost: ${one}`);
  const notes = report.kept.find(({ what }) => what === 'marks of notes')?.count ?? 0;
  const inside = source.inside.filter((one) => !MARK.test(one.split(' -> ')[0] ?? ''));
  const counts = (['table', 'pre', 'img', 'dt', 'math'] as const).filter(
    (name) => source.counts[name] > made.counts[name],
  );
  return [
    ...lost('address', source.outside, made.outside),
    ...lost('landing', notes > 0 ? inside : source.inside, made.inside),
    ...lost('word', withoutMarks(source.words).filter(Boolean), withoutMarks(made.words)),
    ...counts.map((name) => `${source.counts[name]} ${name} became ${made.counts[name]}`),
  ];
}

/** Words that stand outside of their page, as poppler finds them. */
async function outsideOfPages(path: string): Promise<string[]> {
  const { stdout } = await run('pdftotext', ['-bbox', path, '-'], { maxBuffer: 2 ** 30 });
  const faults: string[] = [];
  let [width, height] = [0, 0];
  for (const line of stdout.split('\n')) {
    const numbers = [...line.matchAll(/(?:width|height|[xy]M(?:in|ax))="([-\d.]+)"/g)].map(([, one]) =>
      Number(one),
    );
    if (line.includes('<page ')) [width = 0, height = 0] = numbers;
    const [left = 0, top = 0, right = 0, bottom = 0] = numbers;
    if (line.includes('<word ') && (left < 0 || top < 0 || right > width || bottom > height))
      faults.push(`outside of its page: ${line.trim()}`);
  }
  return faults;
}

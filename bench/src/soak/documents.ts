import { execFile } from 'node:child_process';
import { mkdir, readFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { promisify } from 'node:util';
import { bringIn } from '@vennet/core/bring-in';
import { mapOf, readBook, type Format, type ReadBook } from '@vennet/core/manuscript';
import {
  editionOf,
  makeDocx,
  makeMarkdown,
  makeOdt,
  type Edition,
  type EnclosureFile,
} from '@vennet/core/publish';
import { linksInDocx, linksInMarkdown, linksInOdt, type FoundLink } from '@vennet/core/readback';
import { counter, PIXEL } from '@vennet/core/testing';
import { anyBook } from '@vennet/core/testing/any-book';
import { proofOf } from '@vennet/server/publishing/proof-of';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';

/** Packages of Debian 12 that hold documents of many makers. */
const PACKAGES = [
  'coco-doc',
  'davical-doc',
  'gutenprint-doc',
  'live-manual-odf',
  'python-odf-doc',
  'writer2latex-manual',
  'libreoffice-dmaths',
  'python3-pattern',
  'r-cran-officer',
  'toppic-common',
  'golang-github-gabriel-vasile-mimetype-dev',
];

const options = { modified: new Date(0) };
const FORMS: [Format, (edition: Edition) => Uint8Array, (bytes: Uint8Array) => FoundLink[]][] = [
  ['docx', (edition) => makeDocx(edition, options), linksInDocx],
  ['odt', (edition) => makeOdt(edition, options), linksInOdt],
  ['markdown', (edition) => makeMarkdown(edition, options).bytes, linksInMarkdown],
];

const run = promisify(execFile);

/** Brings documents of other makers in and out, and random books out and in; gives what is amiss, in words. */
export async function documents(directory: string, times: number): Promise<string[]> {
  const amiss: string[] = [];
  for (const name of PACKAGES) {
    const folder = join(directory, name);
    await mkdir(folder, { recursive: true });
    await run('apt-get', ['download', '-qq', name], { cwd: folder });
    await run('sh', ['-c', 'dpkg-deb -x ./*.deb .'], { cwd: folder });
    const { stdout } = await run('find', [folder, '-name', '*.docx', '-o', '-name', '*.odt']);
    for (const path of stdout.trim().split('\n').filter(Boolean))
      amiss.push(...inAndOut(path, new Uint8Array(await readFile(path))));
  }
  for (const [index, book] of fc.sample(anyBook(), { numRuns: times, seed: 7 }).entries())
    amiss.push(
      ...unproved(`random book ${index}`, book, [
        { id: 'e1', name: 'lamp.png', type: 'image/png', bytes: PIXEL },
      ]),
    );
  return amiss;
}

function inAndOut(path: string, bytes: Uint8Array): string[] {
  const name = basename(path);
  const parts = unzipSync(bytes);
  const said = wordsIn(parts);
  if (said.size === 0) return [];
  const { book, enclosures } = bringIn({ name, bytes }, counter('v'));
  const read = readBook(book);
  const text = textOf(read);
  const kept = counted(text);
  const lost = [...said].filter(([word, count]) => (kept.get(word) ?? 0) < count).map(([word]) => word);
  // Words that the XML alone does not divide stand one after another; numbers that are computed anew are no words any more.
  const inOneRow = text.normalize('NFC').replace(/[^\p{L}\p{N}]+/gu, '');
  const missing = lost.filter(
    (word) => !/^\d+$|^(?:figure|table|abbildung|tabelle)$/i.test(word) && !inOneRow.includes(word),
  );
  console.log(
    `  ${name}: ${[...said.values()].reduce((sum, one) => sum + one, 0)} words, ${missing.length} amiss`,
  );
  return [
    ...(missing.length > 0 ? [`${name}: lost ${missing.slice(0, 8).join(' ')}`] : []),
    ...unproved(name, read, enclosures),
  ];
}

function unproved(name: string, book: ReadBook, enclosures: readonly EnclosureFile[]): string[] {
  return FORMS.flatMap(([format, make, read]) => {
    const edition = editionOf(book, enclosures, format);
    const { lost, changed, computed, added } = proofOf(edition, read(make(edition)));
    const nowhere = /^#(?:_?[Rr]ef_)?(?:no[-_]destination|missing[-_])/;
    const all = [
      ...lost.filter(({ href }) => !nowhere.test(href)),
      ...changed,
      ...computed.lost,
      ...computed.changed,
      ...added,
    ];
    return all.slice(0, 3).map((one) => `${name} as ${format}: ${JSON.stringify(one)}`);
  });
}

/** The words of a document by its XML alone: no contents that are computed, no deleted words, no remarks of editors. */
function wordsIn(parts: Record<string, Uint8Array>): Map<string, number> {
  const part = (path: string) => (parts[path] ? strFromU8(parts[path]) : '');
  const odt = part('content.xml')
    .replace(/<text:index-body>.*?<\/text:index-body>/gs, '')
    .replace(
      /<(text:tracked-changes|office:annotation|text:note-citation|svg:title|svg:desc|draw:object|text:(?:bookmark|reference|note|sequence)-ref)\b[^>]*?(?:\/>|>.*?<\/\1>)/gs,
      '',
    )
    .replace(/^.*<office:text[^>]*>/s, '')
    .replace(/<text:(?:s|tab|line-break)\b[^>]*\/>|<\/text:[ph]>/g, ' ')
    .replace(/<[^>]+>/g, '');
  const docx = [
    ...part('word/document.xml')
      .replace(/<mc:Fallback>.*?<\/mc:Fallback>|<w:del .*?<\/w:del>/gs, '')
      .matchAll(/<w:t(?: [^>]*)?>([^<]*)<\/w:t>|<\/w:p>|<w:(?:tab|br)\/>/g),
  ]
    .map(([, text]) => text ?? ' ')
    .join('');
  return counted(
    (odt + docx)
      .replace(/&lt;/g, '<')
      .replace(/&gt;/g, '>')
      .replace(/&quot;/g, '"')
      .replace(/&apos;/g, "'")
      .replace(/&amp;/g, '&'),
  );
}

function textOf(book: ReadBook): string {
  const { say } = mapOf(book);
  let text = `${book.title} ${book.subtitle} ${book.author} `;
  for (const { doc } of book.chapters)
    doc.descendants((node) => {
      if (node.isText) text += node.text;
      else if (node.type.name === 'reference') text += say(node);
      else if (node.isBlock || node.type.name !== 'anchor') text += ' ';
    });
  return text;
}

function counted(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const word of text.normalize('NFC').match(/[\p{L}\p{N}]+/gu) ?? [])
    counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}

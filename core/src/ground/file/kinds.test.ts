import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { hrefOf } from '../../destination/index.js';
import { pagesOf, schema, setAreas, type LinkArea } from '../../manuscript/index.js';
import { Pdfium } from '../../pdfium/index.js';
import { linksOnPages } from '../../readback/index.js';
import { saidBy, writtenPages } from '../../testing/index.js';
import { rectOf, type PageText } from '../index.js';
import { openGround, pagesThatDiffer, readGround, readMarked, readText, writeGround } from './index.js';

/** A PDF as a program makes another one of it. */
function through(
  command: string,
  before: readonly string[],
  bytes: Uint8Array,
  after: readonly string[] = [],
) {
  const folder = mkdtempSync(join(tmpdir(), 'vennet-kinds-'));
  try {
    const [from, to] = [join(folder, 'from.pdf'), join(folder, 'to.pdf')];
    writeFileSync(from, bytes);
    execFileSync(command, [...before, from, ...after, to]);
    return new Uint8Array(readFileSync(to));
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const link = (rect: string, path: string) =>
  `<< /Type /Annot /Subtype /Link /Rect [${rect}] /Border [0 0 0] /A << /S /URI /URI (https://lamp.example/${path}) >> >>`;

/** Pages as they seldom are: cropped, turned, in units of their own, without words, with a link over two lines. */
const PAGES = () =>
  writtenPages([
    { lines: [{ x: 72, y: 700, text: 'The lamp at Orrin' }], annotations: [link('72 697 170 712', 'plain')] },
    {
      lines: [{ x: 172, y: 600, text: 'Cropped' }],
      annotations: [link('170 597 220 612', 'cropped')],
      more: '/CropBox [100 50 495 800]',
    },
    {
      lines: [{ x: 100, y: 300, text: 'Turned' }],
      annotations: [link('98 297 140 312', 'turned')],
      more: '/Rotate 270',
    },
    {
      lines: [{ x: 36, y: 350, size: 6, text: 'Large units' }],
      annotations: [link('35 348 80 357', 'units')],
      more: '/UserUnit 2',
      box: [0, 0, 297, 421],
    },
    { annotations: [link('100 100 200 200', 'wordless')] },
    {
      lines: [
        { x: 300, y: 700, text: 'the keeper' },
        { x: 72, y: 684, text: 'of the lamp' },
      ],
      annotations: [
        link('72 680 360 712', 'lines').replace(
          '/Border',
          '/QuadPoints [300 712 360 712 300 697 360 697 72 696 130 696 72 681 130 681] /Border',
        ),
      ],
    },
  ]);

/** The ways in which makers write the same pages. `adds` is whether links can be written behind the old bytes. */
const KINDS: [string, (bytes: Uint8Array) => Uint8Array | Promise<Uint8Array>, string][] = [
  ['with a table of references', (bytes) => bytes, ''],
  ['with streams of objects', (bytes) => through('qpdf', ['--object-streams=generate'], bytes), ''],
  ['laid out for the web', (bytes) => through('qpdf', ['--linearize'], bytes), ''],
  [
    'encrypted with AES, a password opens it',
    (bytes) => through('qpdf', ['--encrypt', 'lamp', 'owner', '256', '--'], bytes),
    'lamp',
  ],
  [
    'encrypted with RC4, only its owner may change it',
    (bytes) =>
      through('qpdf', ['--allow-weak-crypto', '--encrypt', '', 'owner', '128', '--modify=none', '--'], bytes),
    '',
  ],
  ['updated twice before', async (bytes) => withOneMore(await withOneMore(bytes, '', 'x'), '', 'y'), ''],
];

const read = async (bytes: Uint8Array, password: string) => {
  const file = await openGround(bytes, password);
  const pdf = await Pdfium.open(bytes, password);
  const texts: PageText[] = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  const marked = file.pages.map(({ frame }, index) => readMarked(pdf, index + 1, frame));
  pdf.close();
  return { file, texts, marked, doc: Node.fromJSON(schema, readGround(file, (index) => texts[index]!).doc) };
};

const area = (path: string, at: number): LinkArea => ({
  id: `new-${path}-${at}`,
  x: 0.25,
  y: 0.5,
  width: 0.125,
  height: 0.0625,
  name: `New on page ${at}`,
  hoverNote: '',
  frame: null,
  destination: { kind: 'web', href: `https://new.example/${path}/${at}` },
});

/** The file with one more link on each page, behind its old bytes. */
async function withOneMore(bytes: Uint8Array, password: string, path: string): Promise<Uint8Array> {
  const { doc, texts, marked } = await read(bytes, password);
  const transform = new Transform(doc);
  for (const { at, attrs } of pagesOf(doc))
    setAreas(transform, at, [...attrs.areas, area(path, attrs.number)]);
  const made = await writeGround(bytes, {
    write: 'addition',
    password,
    doc: transform.doc,
    textOf: (index) => texts[index]!,
    markedOn: (index) => marked[index]!,
    targetOf: ({ destination }) => ({ href: hrefOf(destination) }),
  });
  expect(made.added).toBe(6);
  return made.bytes;
}

const popplersLinks = (bytes: Uint8Array, password: string): string[] =>
  saidBy('pdfinfo', ['-url', ...(password ? ['-upw', password] : [])], bytes)
    .split('\n')
    .slice(1)
    .flatMap((line) => /\S+$/.exec(line) ?? [])
    .sort();

test.each(KINDS)('a file %s is read, added to, and its pages stay', async (_, make, password) => {
  const bytes = await make(PAGES());
  const before = await read(bytes, password);
  const addresses = (doc: Node) =>
    pagesOf(doc).flatMap(({ attrs }) => attrs.areas.map(({ destination }) => hrefOf(destination)));
  expect(addresses(before.doc).sort()).toEqual(popplersLinks(bytes, password));
  expect(
    pagesOf(before.doc)
      .slice(0, 6)
      .map(({ attrs }) => attrs.areas[0]?.words ?? ''),
  ).toEqual(['The lamp at Orrin', 'Cropped', 'Turned', 'Large units', '', 'the keeper of the lamp']);
  const made = await withOneMore(bytes, password, 'z');
  expect(made.subarray(0, bytes.length)).toEqual(bytes);
  const options = password ? [`--password=${password}`, '--check'] : ['--check'];
  expect(saidBy('qpdf', options, made)).toContain('No syntax or stream encoding errors');
  const after = await read(made, password);
  expect(addresses(after.doc).sort()).toEqual(popplersLinks(made, password));
  expect(pagesThatDiffer(before.file, after.file)).toEqual([]);
  // PDFium finds each new link where it was drawn: within half a point.
  const found = await linksOnPages(made, password);
  found.forEach((links, index) => {
    const one = links.find(({ uri }) => uri === `https://new.example/z/${index + 1}`);
    const wanted = rectOf(before.file.pages[index]!.frame, area('z', index + 1));
    wanted.forEach((side, at) => expect(Math.abs(one!.areas[0]![at]! - side)).toBeLessThan(0.5));
  });
});

import { existsSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { hrefOf } from '../../destination/index.js';
import {
  attrsOf,
  faultInChapter,
  linksOfChapter,
  pagesOf,
  schema,
  setAreas,
  spotsOf,
  type LinkArea,
} from '../../manuscript/index.js';
import { Pdfium } from '../../pdfium/index.js';
import { linksOnPages } from '../../readback/index.js';
import { saidBy, writtenPages } from '../../testing/index.js';
import { boxesOf, rectOf, wordsOfLine, wordsOfPage, type PageText } from '../index.js';
import { annotationsOn } from './links.js';
import {
  openGround,
  pagesThatDiffer,
  readGround,
  readMarked,
  readText,
  writeGround,
  type WriteGround,
} from './index.js';

/** What a finished file is as a book of pages. */
async function groundOf(bytes: Uint8Array, password = '') {
  const file = await openGround(bytes, password);
  const pdf = await Pdfium.open(bytes, password);
  const texts = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  const marked = file.pages.map(({ frame }, index) => readMarked(pdf, index + 1, frame));
  pdf.close();
  const textOf = (index: number) => texts[index] as PageText;
  const ground = readGround(file, textOf);
  return { bytes, password, file, textOf, marked, ground, doc: Node.fromJSON(schema, ground.doc) };
}

type TestGround = Awaited<ReturnType<typeof groundOf>>;

const written = (
  { bytes, password, textOf, marked }: TestGround,
  doc: Node,
  write: WriteGround['write'] = 'addition',
  files: WriteGround['files'] = new Map(),
) =>
  writeGround(bytes, {
    files,
    write,
    password,
    doc,
    textOf,
    markedOn: (index) => marked[index]!,
    targetOf: ({ destination }) =>
      destination.kind === 'place'
        ? { place: destination.place }
        : destination.kind === 'file'
          ? { attached: destination.enclosure }
          : { href: hrefOf(destination) },
  });

/** The pages with other links on one of them. */
function withAreas(doc: Node, number: number, change: (areas: readonly LinkArea[]) => LinkArea[]): Node {
  const page = pagesOf(doc)[number - 1]!;
  const transform = new Transform(doc);
  setAreas(transform, page.at, change(attrsOf.page(page.node).areas));
  return transform.doc;
}

const isSound = (bytes: Uint8Array) =>
  saidBy('qpdf', ['--check'], bytes).includes('No syntax or stream encoding errors');

const LEAFLET = () =>
  writtenPages(
    [
      {
        lines: [
          { x: 72, y: 700, text: 'The lamp at Orrin, and its keeper' },
          { x: 72, y: 680, text: 'who kept it.' },
        ],
        annotations: [
          '<< /Type /Annot /Subtype /Link /Rect [70 675 300 715] /QuadPoints [200 712 260 712 200 697 260 697 72 692 140 692 72 677 140 677] /Border [0 0 0] /A << /S /URI /URI (https://keeper.example/a) >> /Contents (The keeper) >>',
          '<< /Type /Annot /Subtype /Link /Rect [72 697 120 712] /A << /S /GoTo /D [7 0 R /XYZ 100 400 2] >> /C [1 0 0] /BS << /W 2 /S /D >> >>',
          '<< /Type /Annot /Subtype /Link /Rect [400 100 450 120] /A << /S /JavaScript /JS (app.alert) >> >>',
          '<< /Type /Annot /Subtype /Link /Rect [400 200 450 220] /Dest (lamp) >>',
          '<< /Type /Annot /Subtype /Link /Rect [400 300 450 320] /A << /S /GoToR /F (tides.pdf) /D [2 /Fit] >> >>',
        ],
      },
      { lines: [{ x: 100, y: 390, text: 'Oil' }], more: '/Rotate 90', box: [0, 0, 400, 800] },
    ],
    {
      catalog:
        '/Lang (en-GB) /Names << /Dests << /Names [(lamp) [7 0 R /FitH 600]] >> >> /PageLabels << /Nums [0 << /S /r >> 1 << /S /D >>] >> /Outlines 10 0 R',
      more: [
        '<< /Type /Outlines /First 11 0 R /Last 11 0 R /Count 1 >>',
        '<< /Title (Oil) /Parent 10 0 R /Dest [7 0 R /Fit] >>',
      ],
    },
  );

describe('reading a finished file', () => {
  test('gives its words, its links with the words under them, and where they lead', async () => {
    const { ground, doc, textOf } = await groundOf(LEAFLET());
    expect(faultInChapter(ground.doc)).toBeNull();
    expect(wordsOfPage(textOf(0))).toBe('The lamp at Orrin, and its keeper\nwho kept it.');
    const [one, two] = pagesOf(doc).map(({ node }) => attrsOf.page(node));
    expect(one).toMatchObject({ label: 'i', width: 595, height: 842 });
    expect(two).toMatchObject({ label: '1', width: 800, height: 400 });
    expect(
      one!.areas.map(({ name, words, destination, frame, lines }) => [
        name,
        words,
        hrefOf(destination),
        frame?.line,
        lines?.length,
      ]),
    ).toEqual([
      ['The keeper', 'its keeper who kept it.', 'https://keeper.example/a', undefined, 2],
      ['', 'The lamp', '#at-2-1', 'dashed', undefined],
      ['', undefined, '#spot-1', 'solid', undefined],
      ['', undefined, '#no-destination', 'solid', undefined],
    ]);
    // The page is turned: what is 600 up is three quarters from the left, and 400 up the middle.
    expect(two!.spots).toEqual([
      { id: 'spot-1', name: 'lamp', x: 0.75, y: 0, zoom: null },
      { id: 'at-2-1', name: '', x: 0.5, y: 0.25, zoom: 2 },
    ]);
    expect(ground.language).toBe('en-GB');
    expect(spotsOf(doc, 'c').spots.map(({ kind, words }) => [kind, words])).toEqual([
      ['page', 'i'],
      ['page', '1'],
      ['heading', 'Oil'],
      ['bookmark', 'lamp'],
      ['spot', ''],
    ]);
    expect(linksOfChapter(doc, 'c').map(({ text, carrier }) => [text, carrier])).toEqual([
      ['The keeper', 'area'],
      ['The lamp', 'area'],
      ['', 'area'],
      ['', 'area'],
    ]);
  });
});

describe('writing a finished file', () => {
  test('leaves a file as it is in which nothing was changed, but says what its links are called', async () => {
    const ground = await groundOf(LEAFLET());
    const { added, changed, removed, bytes } = await written(ground, ground.doc);
    expect([added, changed, removed]).toEqual([0, 0, 0]);
    expect(bytes.subarray(0, ground.bytes.length)).toEqual(ground.bytes);
    expect(isSound(bytes)).toBe(true);
  });

  test.each(['addition', 'anew'] as const)(
    'as an %s takes links in, changes and removes them, and nothing else',
    async (write) => {
      const ground = await groundOf(LEAFLET());
      const words = boxesOf(ground.textOf(0), [{ line: 1, from: 4, to: 12 }]);
      const doc = withAreas(ground.doc, 1, ([first, second, third, fourth]) => [
        { ...first!, destination: { kind: 'web', href: 'https://new.example/' } },
        { ...third!, x: 0.1 },
        fourth!,
        {
          id: 'mine',
          ...words[0]!,
          lines: words,
          words: 'kept it.',
          name: '',
          hoverNote: '',
          frame: { line: 'under', width: 1, colour: '#0b5a6b' },
          destination: {
            kind: 'place',
            place: second!.destination.kind === 'place' ? second!.destination.place : '',
          },
        },
      ]);
      const { added, changed, removed, bytes } = await written(ground, doc, write);
      expect([added, changed, removed]).toEqual([1, 2, 1]);
      expect(isSound(bytes)).toBe(true);
      if (write === 'addition') expect(bytes.subarray(0, ground.bytes.length)).toEqual(ground.bytes);
      expect(pagesThatDiffer(ground.file, await openGround(bytes))).toEqual([]);
      const [links] = await linksOnPages(bytes);
      expect(links!.map(({ uri, spot, contents }) => [uri, spot?.page, spot?.zoom, contents])).toEqual([
        ['https://new.example/', undefined, undefined, 'The keeper'],
        [null, undefined, undefined, ''],
        [null, 2, null, ''],
        // Of the other file, whose page it is.
        [null, 3, null, ''],
        [null, 2, 2, 'kept it.'],
      ]);
      // The new one stands on its words, to half a point.
      const rect = rectOf(ground.file.pages[0]!.frame, words[0]!);
      expect(
        Math.max(...links!.at(-1)!.areas[0]!.map((side, at) => Math.abs(side - rect[at]!))),
      ).toBeLessThan(0.5);
      // What was written is read again as it was meant.
      const again = await groundOf(bytes);
      expect(
        attrsOf
          .page(pagesOf(again.doc)[0]!.node)
          .areas.map(({ words: under, destination }) => [under, hrefOf(destination)]),
      ).toEqual([
        ['its keeper who kept it.', 'https://new.example/'],
        [undefined, '#spot-1'],
        [undefined, '#no-destination'],
        ['kept it.', '#at-2-1'],
      ]);
    },
  );
});

describe('a file that goes within', () => {
  const TABLE = {
    name: 'tides.csv',
    type: 'text/csv',
    description: 'Hours',
    bytes: Buffer.from('hour\n1\n'),
  };
  const area = (id: string, more: Partial<LinkArea> = {}): LinkArea => ({
    id,
    ...{ x: 0.5, y: 0.5, width: 0.2, height: 0.05, name: `To ${id}`, hoverNote: '', frame: null },
    destination: { kind: 'file', enclosure: 'files/tides.csv' },
    ...more,
  });

  test.each(['addition', 'anew'] as const)(
    'is opened by what leads to it, once in the file (%s)',
    async (write) => {
      const ground = await groundOf(LEAFLET());
      const lines = boxesOf(ground.textOf(0), [
        { line: 0, from: 22, to: 33 },
        { line: 1, from: 0, to: 3 },
      ]);
      const doc = withAreas(ground.doc, 1, ([first, ...others]) => [
        { ...first!, destination: { kind: 'file', enclosure: 'files/tides.csv' } },
        area('lines', { lines, ...lines[0]!, words: 'its keeper who' }),
        area('framed', { frame: { line: 'dashed', width: 2, colour: '#0b5a6b' } }),
        area('gone', { destination: { kind: 'file', enclosure: 'files/gone.csv' } }),
        ...others,
      ]);
      const made = await written(ground, doc, write, new Map([['files/tides.csv', TABLE]]));
      expect([made.added, made.changed, made.removed]).toEqual([2, 1, 0]);
      expect(isSound(made.bytes)).toBe(true);
      expect(pagesThatDiffer(ground.file, await openGround(made.bytes))).toEqual([]);
      const [links] = await linksOnPages(made.bytes);
      const opening = links!.filter(({ file }) => file);
      expect(opening.map(({ file, areas, contents }) => [file!.name, areas.length, contents])).toEqual([
        ['tides.csv', 2, 'The keeper'],
        ['tides.csv', 2, 'To lines'],
        ['tides.csv', 1, 'To framed'],
      ]);
      expect(Buffer.from(opening[0]!.file!.bytes).toString()).toBe('hour\n1\n');
      // By a reader that shares no code with Vennet.
      expect(saidBy('qpdf', ['--list-attachments'], made.bytes)).toMatch(/^files\/tides.csv -> \d+,0\n$/);
    },
  );

  test('stands in the structure of a tagged file as an annotation, and what was attached before stays', async () => {
    const before = await groundOf(
      writtenPages([{ lines: [{ x: 72, y: 700, text: 'Tides' }] }], {
        catalog:
          '/Names << /EmbeddedFiles << /Names [(files/tides.csv) << /Type /Filespec /F (old.txt) /UF (old.txt) /EF << /F 7 0 R >> >>] >> >>',
        more: [{ dict: '/Type /EmbeddedFile', stream: 'old' }],
      }),
    );
    const files = new Map([['files/tides.csv', TABLE]]);
    const withOld = await written(
      before,
      withAreas(before.doc, 1, () => [area('one')]),
      'addition',
      files,
    );
    expect(saidBy('qpdf', ['--list-attachments'], withOld.bytes).replace(/ -> \d+,\d+/g, '')).toBe(
      'files/tides.csv\nfiles/tides.csv 2\n',
    );
    const ground = await groundOf(BOOK);
    const tagged = await written(
      ground,
      withAreas(ground.doc, 3, (areas) => [...areas, area('one')]),
      'addition',
      files,
    );
    expect(isSound(tagged.bytes)).toBe(true);
    const count = (bytes: Uint8Array) => structureOf(bytes).match(/^\s*Annot/gm)?.length ?? 0;
    expect(count(tagged.bytes)).toBe(count(BOOK) + 1);
  });
});

/** Where the structure of a file has its links, with the words in them: as poppler reads it. */
const structureOf = (bytes: Uint8Array) => saidBy('pdfinfo', ['-struct-text'], bytes);

/** A tagged file, set by Vennet's own typesetter: nothing of the ground has a part in it. */
const BOOK = new Uint8Array(
  readFileSync(fileURLToPath(new URL('../../../example/pdf/book.pdf', import.meta.url))),
);

describe('a tagged file', () => {
  test('has each link in a Link element beside its words, and none of one that is gone', async () => {
    const ground = await groundOf(BOOK);
    expect(ground.file.tagged).toBe(true);
    const before = structureOf(BOOK);
    const page = pagesOf(ground.doc).findIndex((_, index) =>
      wordsOfPage(ground.textOf(index)).includes('low lamp'),
    );
    const text = ground.textOf(page);
    const line = text.lines.findIndex((one) => /low lamp/.test(wordsOfLine(one)));
    const from = wordsOfLine(text.lines[line]!).indexOf('low lamp');
    const lines = boxesOf(text, [{ line, from, to: from + 8 }]);
    const link: LinkArea = {
      id: 'mine',
      ...lines[0]!,
      lines,
      words: 'low lamp',
      name: 'What is said of the low lamp',
      hoverNote: '',
      frame: null,
      destination: { kind: 'web', href: 'https://low.example/' },
    };
    const doc = withAreas(ground.doc, page + 1, ([first, ...others]) => [
      ...others.filter((area) => area !== first),
      link,
    ]);
    const { bytes, added, removed } = await written(ground, doc);
    expect([added, removed]).toEqual([1, 1]);
    expect(isSound(bytes)).toBe(true);
    const after = structureOf(bytes);
    const count = (structure: string) => structure.match(/^\s*Link/gm)?.length ?? 0;
    // One came, and one is a piece of its line now.
    expect(count(after)).toBe(count(before));
    // Every annotation of a link is in the structure, under its key (ISO 32000-1, 14.7.4.4).
    const again = await openGround(bytes);
    const sheet = again.pages[page]!.dict;
    expect(sheet.getName('Tabs', again.resolve)?.value).toBe('S');
    const keys = annotationsOn(again.pages[page]!, page, again.resolve).map(
      ({ annotation }) => annotation.getNumber('StructParent', again.resolve)?.value,
    );
    expect(keys.every((key) => key !== undefined)).toBe(true);
    expect(new Set(keys).size).toBe(keys.length);
  });
});

/** PDFs of other makers, as Debian's packages of documentation carry them; those that are on this machine. */
const OTHERS = [
  '/usr/share/doc/bash/bash.pdf',
  '/usr/share/doc/bash/bashref.pdf',
  '/usr/share/doc/libtasn1-doc/libtasn1.pdf',
  '/usr/share/doc/shared-mime-info/shared-mime-info-spec.pdf',
].filter((path) => existsSync(path));

test.each(OTHERS)('%s comes in and goes out with every link, by two independent readers', async (path) => {
  const bytes = new Uint8Array(readFileSync(path));
  const ground = await groundOf(bytes);
  expect(faultInChapter(ground.ground.doc)).toBeNull();
  // Poppler lists links to the web only.
  const urls = (file: Uint8Array) =>
    saidBy('pdfinfo', ['-url'], file)
      .split('\n')
      .slice(1)
      .map((line) => line.trim().split(/\s+/).at(-1) ?? '')
      .filter((url) => /^https?:|^mailto:/.test(url))
      .sort();
  const own = (doc: Node) =>
    linksOfChapter(doc, 'c')
      .filter(({ kind }) => kind === 'web' || kind === 'mail')
      .map(({ href }) => href)
      .sort();
  expect(own(ground.doc).map(decodeURI)).toEqual(urls(bytes).map((url) => decodeURI(new URL(url).href)));
  const moved = withAreas(ground.doc, 1, (areas) => [
    ...areas,
    {
      id: 'mine',
      x: 0.1,
      y: 0.1,
      width: 0.2,
      height: 0.05,
      name: 'New',
      hoverNote: '',
      frame: null,
      destination: { kind: 'web', href: 'https://new.example/' },
    },
  ]);
  for (const write of ['addition', 'anew'] as const) {
    const { bytes: made, added, changed, removed } = await written(ground, moved, write);
    expect([added, changed, removed]).toEqual([1, 0, 0]);
    expect(isSound(made)).toBe(true);
    expect(pagesThatDiffer(ground.file, await openGround(made))).toEqual([]);
    expect(urls(made)).toEqual([...urls(bytes), 'https://new.example/'].sort());
  }
});

test('whatever is added, changed, moved and removed, the file is sound and has the links of the book', async () => {
  const ground = await groundOf(LEAFLET());
  const box = fc.record({
    x: fc.double({ min: 0, max: 0.7, noNaN: true }),
    y: fc.double({ min: 0, max: 0.7, noNaN: true }),
    width: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
    height: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
  });
  const destination = fc.oneof(
    fc
      .webUrl({ validSchemes: ['https'] })
      .map((href) => ({ kind: 'web' as const, href: new URL(href).href })),
    fc.constantFrom('page-1', 'page-2', 'spot-1').map((place) => ({ kind: 'place' as const, place })),
  );
  const frame = fc.option(
    fc.record({
      line: fc.constantFrom('solid' as const, 'dashed' as const, 'dotted' as const, 'under' as const),
      width: fc.constantFrom(0.5, 1, 3),
      colour: fc.constantFrom('#0b5a6b', '#ff0000'),
    }),
  );
  const change = fc.oneof(
    fc.record({
      does: fc.constant('add' as const),
      page: fc.constantFrom(1, 2),
      box,
      destination,
      frame,
      name: fc.string({ maxLength: 12 }),
    }),
    fc.record({ does: fc.constant('remove' as const), page: fc.constantFrom(1, 2), at: fc.nat(6) }),
    fc.record({ does: fc.constant('move' as const), page: fc.constantFrom(1, 2), at: fc.nat(6), box }),
    fc.record({
      does: fc.constant('lead' as const),
      page: fc.constantFrom(1, 2),
      at: fc.nat(6),
      destination,
    }),
  );
  await fc.assert(
    fc.asyncProperty(
      fc.array(change, { maxLength: 8 }),
      fc.constantFrom('addition' as const, 'anew' as const),
      async (changes, write) => {
        let { doc } = ground;
        changes.forEach((one, index) => {
          doc = withAreas(doc, one.page, (areas) => {
            if (one.does === 'add')
              return [
                ...areas,
                {
                  id: `made-${index}`,
                  ...one.box,
                  name: one.name.trim(),
                  destination: one.destination,
                  frame: one.frame,
                  hoverNote: '',
                },
              ];
            if (one.does === 'remove') return areas.filter((_, at) => at !== one.at);
            return areas.map((area, at) => {
              if (at !== one.at) return area;
              if (one.does === 'lead') return { ...area, destination: one.destination };
              const { lines: _lines, ...rest } = area;
              return { ...rest, ...one.box };
            });
          });
        });
        const { bytes } = await written(ground, doc, write);
        if (write === 'addition') expect(bytes.subarray(0, ground.bytes.length)).toEqual(ground.bytes);
        const again = await groundOf(bytes);
        expect(pagesThatDiffer(ground.file, again.file)).toEqual([]);
        const told = (one: Node) =>
          pagesOf(one).map(({ node }) =>
            attrsOf
              .page(node)
              .areas.map(
                ({ destination: to, frame: drawn }) =>
                  `${to.kind === 'place' ? '' : hrefOf(to)} ${drawn?.line === 'dotted' ? 'dashed' : (drawn?.line ?? '')}`,
              )
              .sort(),
          );
        expect(told(again.doc)).toEqual(told(doc));
      },
    ),
    { numRuns: 40 },
  );
});

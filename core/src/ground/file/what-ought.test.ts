import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { hrefOf } from '../../destination/index.js';
import { attrsOf, pagesOf, schema } from '../../manuscript/index.js';
import { Pdfium } from '../../pdfium/index.js';
import { saidBy, writtenPages, type WrittenPage } from '../../testing/index.js';
import { makeLinks, oughtToBeLinks, wordsOfLine, type OughtToBeLink, type PageText } from '../index.js';
import { openGround, pagesThatDiffer, readGround, readMarked, readText, writeGround } from './index.js';

/** A PDF as a book of pages, with what of it ought to be links. */
async function read(bytes: Uint8Array) {
  const file = await openGround(bytes);
  const pdf = await Pdfium.open(bytes);
  const texts: PageText[] = file.pages.map(({ frame }, index) => readText(pdf, index + 1, frame));
  const marked = file.pages.map(({ frame }, index) => readMarked(pdf, index + 1, frame));
  pdf.close();
  const doc = Node.fromJSON(schema, readGround(file, (index) => texts[index]!).doc);
  const pages = pagesOf(doc).map(({ attrs }) => attrs);
  return {
    file,
    texts,
    marked,
    doc,
    pages,
    found: oughtToBeLinks({ language: 'en', pages, texts, entries: [] }),
  };
}

/** A line with a raised sign in it. */
const marked = (y: number, before: string, sign: string, after: string) =>
  `BT /F1 12 Tf 72 ${y} Td (${before}) Tj 5 Ts /F1 7 Tf (${sign}) Tj 0 Ts /F1 12 Tf (${after}) Tj ET`;
const small = (y: number, text: string) => ({ x: 72, y, size: 9, text });
const told = (found: readonly OughtToBeLink[]) =>
  found.map(({ kind, page, words, spot, sureness }) => [
    kind,
    page,
    words,
    spot && [spot.page, spot.name],
    sureness,
  ]);

describe('notes of a finished file', () => {
  test('at the foot of their page are led to by their marks, and lead back', async () => {
    const { found, texts } = await read(
      writtenPages([
        {
          content: `${marked(700, 'The lamp', '1', ' burns oil')}\n${marked(680, 'of whales', '2', ' and of rape')}`,
          lines: [
            { x: 72, y: 660, text: 'until in the year of the storm the ships with both stayed away.' },
            small(90, '1 So says the log of the keeper.'),
            small(76, '2. Until the year of the storm.'),
          ],
        },
      ]),
    );
    expect(texts[0]!.lines.map(wordsOfLine)[0]).toBe('The lamp1 burns oil');
    expect(told(found)).toEqual([
      ['note', 1, '1', [1, 'Note 1'], 'sure'],
      ['note', 1, '2', [1, 'Note 2'], 'sure'],
      ['back', 1, '1', [1, 'Mark 1'], 'sure'],
      ['back', 1, '2', [1, 'Mark 2'], 'sure'],
    ]);
    // The mark of the note and nothing beside it: Helvetica's digits are 0.556 of their size wide (its metrics, from memory).
    expect(found[0]!.lines[0]!.width * 595).toBeCloseTo(0.556 * 7, 1);
  });

  test('that are gathered below a heading are led to, numbers that begin anew included', async () => {
    const page = (...lines: string[]): WrittenPage => ({ content: lines.join('\n') });
    const { found } = await read(
      writtenPages([
        page(marked(700, 'The lamp', '1', ' burns'), marked(680, 'all night', '2', ', they say')),
        page(marked(700, 'The ferry', '1', ' leaves')),
        {
          lines: [
            { x: 72, y: 760, size: 18, text: 'Notes' },
            { x: 72, y: 720, text: '1. The log' },
            { x: 72, y: 700, text: '2. The harbour master' },
            { x: 72, y: 680, text: '1. The time table' },
          ],
        },
      ]),
    );
    expect(told(found).filter(([kind]) => kind === 'note')).toEqual([
      ['note', 1, '1', [3, 'Note 1'], 'likely'],
      ['note', 1, '2', [3, 'Note 2'], 'likely'],
      ['note', 2, '1', [3, 'Note 1'], 'likely'],
    ]);
    const ys = found.filter(({ kind }) => kind === 'note').map(({ spot }) => Math.round(spot!.y * 842));
    expect(new Set(ys).size).toBe(3);
  });

  test('become links in one go, which lead to the spots that were made for them', async () => {
    const { doc, found } = await read(
      writtenPages([
        {
          content: marked(700, 'The lamp', '*', ' burns oil, as it has since the year of the storm'),
          lines: [small(90, '* So says the log.')],
        },
      ]),
    );
    const transform = new Transform(doc);
    let count = 0;
    makeLinks(
      transform,
      found.map((one) => ({ ...one, name: '' })),
      null,
      () => `made-${++count}`,
    );
    const { areas, spots } = attrsOf.page(pagesOf(transform.doc)[0]!.node);
    expect(spots.map(({ name }) => name)).toEqual(['Note *', 'Mark *']);
    expect(areas.map(({ words, destination }) => [words, hrefOf(destination)])).toEqual([
      ['*', `#${spots[0]!.id}`],
      ['*', `#${spots[1]!.id}`],
    ]);
  });
});

/** What is heard in place of the links of a page, by PDFium. */
async function insteadOfLinks(bytes: Uint8Array): Promise<string[]> {
  const pdf = await Pdfium.open(bytes);
  const { calls } = pdf;
  const page = calls.FPDF_LoadPage(pdf.document, 0);
  const tree = calls.FPDF_StructTree_GetForPage(page);
  const said: string[] = [];
  const walk = (element: number) => {
    if (pdf.utf16((at, length) => calls.FPDF_StructElement_GetType(element, at, length)) === 'Link')
      said.push(pdf.utf16((at, length) => calls.FPDF_StructElement_GetAltText(element, at, length)));
    for (let index = 0; index < calls.FPDF_StructElement_CountChildren(element); index++) {
      const child = calls.FPDF_StructElement_GetChildAtIndex(element, index);
      if (child !== 0) walk(child);
    }
  };
  for (let index = 0; index < calls.FPDF_StructTree_CountChildren(tree); index++)
    walk(calls.FPDF_StructTree_GetChildAtIndex(tree, index));
  calls.FPDF_StructTree_Close(tree);
  calls.FPDF_ClosePage(page);
  pdf.close();
  return said;
}

/** A picture of two grey dots, 200 by 60 at 100, 500. */
const PICTURE = 'q 200 0 0 60 100 500 cm BI /W 2 /H 1 /CS /G /BPC 8 ID \x40\x80 EI Q';

describe('unseen words that are laid over a picture', () => {
  const over = (words: string) => `${PICTURE} /P << /MCID 1 >> BDC ${words} EMC`;
  const ways: [string, string, string][] = [
    [
      'without ink',
      over('BT /F1 12 Tf 3 Tr 110 520 Td (https://lamp.example/oil) Tj 0 Tr ET'),
      'https://lamp.example/oil',
    ],
    [
      'behind it',
      `/P << /MCID 1 >> BDC BT /F1 12 Tf 110 520 Td (https://lamp.example/oil) Tj ET EMC ${PICTURE}`,
      'https://lamp.example/oil',
    ],
    ['a letter that is stretched', over('BT /F1 60 Tf 500 Tz 3 Tr 100 505 Td (I) Tj 100 Tz 0 Tr ET'), 'I'],
  ];
  test.each(ways)(
    '%s: a true area takes their place, and they are no longer heard',
    async (_, content, words) => {
      const bytes = writtenPages(
        [
          {
            content: `/P << /MCID 0 >> BDC BT /F1 12 Tf 72 700 Td (The lamp) Tj ET EMC ${content}`,
            more: '/StructParents 0',
          },
        ],
        {
          catalog: '/MarkInfo << /Marked true >> /StructTreeRoot 7 0 R',
          more: [
            '<< /Type /StructTreeRoot /K 8 0 R /ParentTree 11 0 R /ParentTreeNextKey 1 >>',
            '<< /Type /StructElem /S /Document /P 7 0 R /K [9 0 R 10 0 R] >>',
            '<< /Type /StructElem /S /P /P 8 0 R /Pg 4 0 R /K 0 >>',
            '<< /Type /StructElem /S /P /P 8 0 R /Pg 4 0 R /K 1 >>',
            '<< /Nums [0 [9 0 R 10 0 R]] >>',
          ],
        },
      );
      const { file, doc, found, marked: pieces, texts } = await read(bytes);
      expect(found).toHaveLength(1);
      expect(found[0]).toMatchObject({ kind: 'overlaid', words, isPicture: true });
      const [box] = found[0]!.lines;
      expect([box!.x * 595, box!.y * 842, box!.width * 595, box!.height * 842].map(Math.round)).toEqual([
        100, 282, 200, 60,
      ]);
      const transform = new Transform(doc);
      const destination = { kind: 'web', href: 'https://lamp.example/oil' } as const;
      makeLinks(transform, [{ ...found[0]!, name: 'Buy oil', destination }], null, () => 'made');
      const made = await writeGround(bytes, {
        write: 'addition',
        password: null,
        doc: transform.doc,
        textOf: (index) => texts[index]!,
        markedOn: (index) => pieces[index]!,
        targetOf: () => ({ href: destination.href }),
      });
      // Poppler finds them in the link, and PDFium the words that are heard in place of all that it holds.
      const structure = saidBy('pdfinfo', ['-struct-text'], made.bytes);
      expect(structure).toMatch(new RegExp(`Link \\(inline\\)\\s+"${words}"`));
      expect(await insteadOfLinks(made.bytes)).toEqual(['Buy oil']);
      expect(saidBy('qpdf', ['--check'], made.bytes)).toContain('No syntax or stream encoding errors');
      expect(pagesThatDiffer(file, await openGround(made.bytes))).toEqual([]);
    },
  );

  test('are no scan that was read: words under a picture of the whole page, or many of them', async () => {
    const scan = 'q 595 0 0 842 0 0 cm BI /W 2 /H 1 /CS /G /BPC 8 ID \x40\x80 EI Q';
    const unseen = (text: string) => `BT /F1 12 Tf 3 Tr 110 520 Td (${text}) Tj 0 Tr ET`;
    for (const content of [
      `${scan} ${unseen('Read more')}`,
      `${PICTURE} ${unseen('The keeper of the lamp wrote what he saw')}`,
    ])
      expect((await read(writtenPages([{ content }]))).found).toEqual([]);
  });
});

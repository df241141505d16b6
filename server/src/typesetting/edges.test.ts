import { describe, expect, test } from '@jest/globals';
import { schema, tableOf } from '@vennet/core/manuscript';
import { computedLinks, editionOf, expectedLinks, withPages } from '@vennet/core/publish';
import { linksInPdf, prove } from '@vennet/core/readback';
import { bookOf, contents, heading, linked, note, paragraph } from '@vennet/core/testing';
import type { Node } from 'prosemirror-model';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

const node = (type: string, content: Node[]) => schema.node(type, null, content);
const code = (...content: (string | Node)[]) =>
  node(
    'code_block',
    content.map((one) => (typeof one === 'string' ? schema.text(one) : one)),
  );
const table = (columns: number, rows: number, word: string) =>
  tableOf(
    Array.from({ length: rows }, (_, row) =>
      node(
        'table_row',
        Array.from({ length: columns }, (_unused, column) =>
          node(row === 0 ? 'table_header' : 'table_cell', [paragraph(`${word} ${row}${column}`)]),
        ),
      ),
    ),
  );
const within = (block: Node, depth: number): Node =>
  depth === 0
    ? block
    : node('quotation', [node('bullet_list', [node('list_item', [within(block, depth - 1)])])]);

const LINE = 'lamp = on; wick < 3; '.repeat(12);
const RUN = 'x1y2z3'.repeat(40);
const WORD = 'Lighthousekeepersassociationofthenorthernandsouthernseas';

async function madeOf(blocks: Node[]) {
  const edition = editionOf(bookOf([heading(1, 'One'), ...blocks]), [], 'pdf');
  const { bytes, notes, places, labels } = setPages(edition).write();
  const withNumbers = withPages(edition, labels);
  const { links, cutOff } = await linksInPdf(await finishPdf(bytes, withNumbers, places));
  const { lost, changed, added } = prove(expectedLinks(withNumbers), links, computedLinks(withNumbers));
  return { notes, cutOff, wrong: [...lost, ...changed, ...added] };
}

describe('nothing runs off the page:', () => {
  test.each<[string, Node[]]>([
    ['lines of code, with spaces and without', [code(LINE), code(RUN), code(`${' '.repeat(12)}${RUN} end`)]],
    ['a link in code over several lines', [code('a ', linked(RUN, 'https://a.example/'), ' b')]],
    ['code in lists and quotations', [within(code(LINE), 3), within(code(RUN), 3)]],
    [
      'code in a table',
      [tableOf([node('table_row', [node('table_cell', [code(RUN)]), node('table_cell', [code(LINE)])])])],
    ],
    ['a table of 6 columns with long words', [table(6, 3, 'lamp_keeper_of_the_northern_sea')]],
    ['a table of 12 columns', [table(12, 3, 'Lighthousekeeper')]],
    ['a table of 40 columns', [table(40, 3, 'oil')]],
    [
      'a table in a table',
      [
        tableOf([
          node('table_row', [
            node('table_cell', [table(5, 2, 'lampkeeper')]),
            node('table_cell', [paragraph(WORD)]),
          ]),
        ]),
      ],
    ],
    ['a table in a quotation', [within(table(9, 2, 'Lighthousekeeper'), 1)]],
    [
      'words and addresses',
      [
        paragraph(WORD.repeat(3)),
        paragraph(RUN),
        paragraph(linked(`lamp.example/${'abc/'.repeat(60)}`, 'https://lamp.example/')),
      ],
    ],
    ['words in a note', [paragraph('a', note('n1', RUN))]],
    ['words deep in lists', [within(paragraph(WORD), 5)]],
    [
      'headings, and their lines in the contents',
      [heading(2, RUN), heading(3, WORD), contents({ scope: 'book', depth: 3 })],
    ],
    ['fixed spaces', [paragraph('lamp\u00a0keeper\u00a0'.repeat(20))]],
  ])('%s', async (_name, blocks) => {
    expect(await madeOf(blocks)).toEqual({ notes: [], cutOff: [], wrong: [] });
  });
});

test('no heading stands alone at the foot of a page', async () => {
  const blocks = Array.from({ length: 120 }, (_, index) => [
    heading(2 + (index % 2), `Section ${index}`),
    ...(index % 4 === 1 ? [code('a = 1\nb = 2\nc = 3')] : []),
    ...(index % 4 === 2 ? [table(2, 3, 'cell')] : []),
    ...(index % 4 === 3 ? [within(paragraph('Words that are said.'), 1)] : []),
    paragraph('Words that go on. '.repeat(3 + ((index * 7) % 23))),
  ]).flat();
  const { bytes } = setPages(editionOf(bookOf([heading(1, 'One'), ...blocks]), [], 'pdf')).write();
  const document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const last: string[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const { items } = await (await document.getPage(number)).getTextContent();
    const lines = items.flatMap((item) =>
      'str' in item && item.str.trim() !== ''
        ? [{ words: item.str, size: item.height, at: item.transform[5] as number }]
        : [],
    );
    const body = lines.filter(({ at }) => at > FOOT).sort((one, other) => one.at - other.at);
    if (body[0]) last.push(`${body[0].words} ${body[0].size > 10.6 ? 'as a heading' : ''}`);
  }
  await document.destroy();
  expect(last.length).toBeGreaterThan(30);
  expect(last.filter((words) => /^Section \d+ as a heading/.test(words))).toEqual([]);
}, 60_000);

/** Below this height there is nothing but the number of the page, in points. */
const FOOT = 55;

test('what begins a page does so in a PDF; room to write takes its height; a credit has its link', async () => {
  const begins = (block: Node) => block.type.create({ ...block.attrs, newPage: true }, block.content);
  const room = (height: number) => schema.node('room', { height });
  const picture = schema.node('figure', { enclosure: 'none', alt: 'A lamp' }, [
    schema.node('caption', null, [schema.text('The lamp')]),
    schema.node('credit', null, [schema.text('Drawn by '), linked('Ada', 'https://lamp.example/ada')]),
  ]);
  const blocks = [
    paragraph('first'),
    begins(paragraph('second')),
    paragraph('above'),
    room(80),
    paragraph('below'),
    begins(heading(2, 'third')),
    node('quotation', [begins(paragraph('quoted'))]),
    begins(picture),
  ];
  expect(await madeOf(blocks)).toEqual({ notes: [], cutOff: [], wrong: [] });
  const { bytes } = setPages(editionOf(bookOf([heading(1, 'One'), ...blocks]), [], 'pdf')).write();
  const document = await getDocument({ data: bytes.slice(), verbosity: 0 }).promise;
  const found = new Map<string, { page: number; at: number }>();
  for (let number = 1; number <= document.numPages; number++) {
    const { items } = await (await document.getPage(number)).getTextContent();
    for (const item of items)
      if ('str' in item) found.set(item.str.trim(), { page: number, at: item.transform[5] as number });
  }
  await document.destroy();
  const first = found.get('first')!.page;
  const pages = ['first', 'second', 'below', 'third', 'quoted', 'The lamp'].map(
    (words) => found.get(words)!.page - first,
  );
  expect(pages).toEqual([0, 1, 1, 2, 2, 3]);
  // 80 mm are 226.8 points (1 pt is 1/72 inch), and a line stands between.
  const high = found.get('above')!.at - found.get('below')!.at;
  expect(high).toBeGreaterThan(226);
  expect(high).toBeLessThan(280);
});

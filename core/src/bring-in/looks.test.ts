import { expect, test } from '@jest/globals';
import type { Node } from 'prosemirror-model';
import { readBook, rowsOf, schema, tableCaption, tableOf, type Format } from '../manuscript/index.js';
import {
  editionOf,
  makeDocx,
  makeEpub,
  makeMarkdown,
  makeOdt,
  makeWebPage,
  type Edition,
} from '../publish/index.js';
import { bookOf, counter, heading, linked, paragraph } from '../testing/index.js';
import { bringIn } from './index.js';

const options = { modified: new Date(0) };
const FORMS: readonly (readonly [Format, string, (edition: Edition) => Uint8Array])[] = [
  ['docx', 'book.docx', (edition) => makeDocx(edition, options)],
  ['odt', 'book.odt', (edition) => makeOdt(edition, options)],
  ['markdown', 'book.md', (edition) => makeMarkdown(edition, options).bytes],
  ['epub', 'book.epub', (edition) => makeEpub(edition, options)],
  ['web', 'book.html', makeWebPage],
];

const { marks } = schema;
const LOOKS: readonly (readonly [string, ReturnType<typeof marks.code.create>])[] = [
  ['stressed', marks.emphasis.create()],
  ['strong', marks.strong.create()],
  ['gone', marks.struck.create()],
  ['Small Capitals', marks.small_capitals.create()],
  ['x = 1', marks.code.create()],
  ['2', marks.subscript.create()],
  ['3', marks.superscript.create()],
  ['ultima ratio', marks.language.create({ tag: 'la' })],
];

const cell = (type: 'table_cell' | 'table_header', attrs: object, ...content: Node[]) =>
  schema.node(type, attrs, [paragraph(...content)]);

const TABLE = tableOf(
  [
    schema.node('table_row', null, [
      cell('table_header', { colspan: 2 }, schema.text('Light')),
      cell('table_header', {}, schema.text('Height')),
    ]),
    schema.node('table_row', null, [
      cell('table_cell', { rowspan: 2 }, schema.text('Skerrow')),
      cell('table_cell', {}, linked('the tower', 'https://tower.example/')),
      cell('table_cell', {}, schema.text('21 m', [marks.strong.create()])),
    ]),
    schema.node('table_row', null, [
      cell('table_cell', {}, schema.text('red', [marks.struck.create()])),
      cell('table_cell', {}, schema.text('18 m')),
    ]),
  ],
  { id: 'lights' },
  schema.node('table_caption', null, [schema.text('Lights of the sound')]),
);

const shapeOf = (table: Node) => ({
  caption: tableCaption(table)?.textContent,
  rows: rowsOf(table).map((row) =>
    row.children.map(({ attrs, textContent }) => [textContent, attrs.colspan, attrs.rowspan]),
  ),
});

test.each(FORMS)(
  'looks of words and tables go out and come in again as they were: %s',
  (format, name, make) => {
    const book = bookOf([
      heading(1, 'One'),
      paragraph(
        ...LOOKS.flatMap(([words, mark]) => [
          schema.text('plain '),
          schema.text(words, [mark]),
          schema.text(' and '),
        ]),
      ),
      TABLE,
    ]);
    const bytes = make(editionOf(book, [], format));
    const brought = readBook(bringIn({ name, bytes }, counter()).book);
    const found: [string, string][] = [];
    let table: Node | null = null;
    for (const { doc } of brought.chapters)
      doc.descendants((node) => {
        if (node.type.name === 'table') table = node;
        // A web page has a list of contents of its own.
        if (table === null && node.isText && node.marks.some(({ type }) => type !== marks.link))
          found.push([node.text ?? '', node.marks.map(({ type }) => type.name).join(' ')]);
        return true;
      });
    expect(found).toEqual(LOOKS.map(([words, mark]) => [words, mark.type.name]));
    expect(table && shapeOf(table)).toEqual(shapeOf(TABLE));
  },
);

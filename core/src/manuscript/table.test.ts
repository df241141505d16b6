import { expect, test } from '@jest/globals';
import {
  emptyChapter,
  readChapter,
  rowsOf,
  schema,
  tableCaption,
  tableOf,
  upgradedChapter,
} from './index.js';

const words = (text: string) => ({ type: 'paragraph', content: [{ type: 'text', text }] });
const row = (text: string) => ({
  type: 'table_row',
  content: [{ type: 'table_cell', content: [words(text)] }],
});
const caption = { type: 'table_caption', content: [{ type: 'text', text: 'Tides' }] };
const doc = (...content: object[]) => ({ type: 'doc', content });
const chapter = (json: object) => ({ id: 'c', title: '', matter: 'main' as const, leftOutOf: [], doc: json });

test('a chapter of version 1 is read with the rows of its tables in a body, beside the caption, however deep', () => {
  const inner = { type: 'table', content: [row('inner')] };
  const outer = {
    type: 'table',
    attrs: { id: 'tides' },
    content: [
      caption,
      row('one'),
      { type: 'table_row', content: [{ type: 'table_cell', content: [inner] }] },
    ],
  };
  const { doc: read } = readChapter(chapter(doc({ type: 'quotation', content: [outer] })));
  read.check();
  const table = read.firstChild!.firstChild!;
  expect(table.attrs.id).toBe('tides');
  expect(tableCaption(table)?.textContent).toBe('Tides');
  expect(rowsOf(table).map(({ textContent }) => textContent)).toEqual(['one', 'inner']);
});

test('what is of today comes back as the very same', () => {
  const today = emptyChapter('One');
  expect(upgradedChapter(today)).toBe(today);
  const table = doc(tableOf([schema.nodeFromJSON(row('a'))]).toJSON() as object);
  expect(upgradedChapter(table)).toBe(table);
  for (const odd of [null, 3, 'doc', [], { type: 'doc' }, { content: [null] }])
    expect(upgradedChapter(odd)).toBe(odd);
});

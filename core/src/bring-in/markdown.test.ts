import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { linksOf, mapOf, readBook, schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { PIXEL, zip } from '../testing/zip.js';
import { bringIn } from './index.js';

const encode = (text: string) => new TextEncoder().encode(text);
const read = (text: string) => bringIn({ name: 'book.md', bytes: encode(text) }, counter('new'));
const folder = (files: Record<string, string | Uint8Array>) =>
  bringIn({ name: 'book.zip', bytes: zip(files) }, counter('new'));
const text = (given: string) => Node.fromJSON(schema, read(given).book.chapters[0]!.doc).toString();
const links = (brought: ReturnType<typeof read>) =>
  linksOf(readBook(brought.book)).map(({ text: words, href }) => [words, href]);

describe('links (CommonMark 0.31, 6.3 to 6.5)', () => {
  test('by reference, as they are, in HTML, with hover notes, and to headings by their words', () => {
    const brought = read(
      'See [site][s], [S] and <https://auto.example/>, <mail@a.example>, [tip](https://t.example/ "A tip"), <a href="https://h.example/">html</a>, [there](#second-part), [own](#own).\n\n[s]: https://s.example/x\n\n## Second *part*\n\n## Third {#own}\n',
    );
    const { places } = mapOf(readBook(brought.book));
    expect(links(brought).map(([words, href]) => [words, places.get(href!.slice(1))?.words ?? href])).toEqual(
      [
        ['site', 'https://s.example/x'],
        ['S', 'https://s.example/x'],
        ['https://auto.example/', 'https://auto.example/'],
        ['mail@a.example', 'mailto:mail@a.example'],
        ['tip', 'https://t.example/'],
        ['html', 'https://h.example/'],
        ['there', 'Second part'],
        ['own', 'Third'],
      ],
    );
    expect(linksOf(readBook(brought.book))[4]?.hoverNote).toBe('A tip');
  });

  test('an address of a scheme that no book can carry is told, and its words stay', () => {
    const brought = read('A [script](javascript:alert(1)) here.');
    expect(links(brought)).toEqual([]);
    expect(brought.report.leftOut).toMatchObject([{ what: 'links' }]);
  });
});

test.each([
  [
    'notes, and another mark of one',
    'A[^1] b[^1].\n\n[^1]: The *remark*.\n\n    More.',
    'doc(paragraph("A", note(note_paragraph("The ", emphasis("remark"), "."), note_paragraph("More.")), " b", note_mark, "."))',
  ],
  [
    'a table',
    '| a | b |\n|---|---|\n| c | d |',
    'doc(table(table_body(table_row(table_header(paragraph("a")), table_header(paragraph("b"))), table_row(table_cell(paragraph("c")), table_cell(paragraph("d"))))))',
  ],
  [
    'struck words and a bookmark',
    '~~Gone~~ and a [mark]{#here}.',
    'doc(paragraph(struck("Gone"), " and a ", bookmark("mark"), "."))',
  ],
  ['code, and no line after its last', '```js\na < b\n```', 'doc(code_block("a < b"))'],
])('%s', (_what, given, wanted) => {
  expect(text(given)).toBe(wanted);
});

test('what stands before the text says what the book is (YAML)', () => {
  const { book } = read(
    '---\ntitle: Tides & lamps\nauthor: [A. Uthor, B. Other]\nlang: de-AT\nkeywords: [sea, light]\ndate: 2026\n---\n\nText.\n',
  );
  expect(book).toMatchObject({
    title: 'Tides & lamps',
    author: 'A. Uthor, B. Other',
    language: 'de-AT',
    publication: { subjects: ['sea', 'light'], published: '2026' },
  });
  // What is no such head, or grows by names for itself, is text.
  expect(read('---\n- only a list\n---\n\nText.\n').book.title).not.toBe('');
  expect(() => read(`---\na: &a [x,x]\nb: &b [*a,*a]\nc: [*b,*b]\n---\n\nText.\n`)).not.toThrow();
});

describe('a folder of texts', () => {
  const chapters = {
    'b.md': '# Beta\n\n![A lamp](pictures/lamp.png) [up](a.md#alpha), [plan](plan.pdf).',
    'a.md': '# Alpha\n\nText.',
    'pictures/lamp.png': PIXEL,
    'plan.pdf': 'PDF',
  };
  test('stands in the order of its names; its files and pictures come along', () => {
    const brought = folder(chapters);
    expect(brought.book.chapters.map(({ title }) => title)).toEqual(['Alpha', 'Beta']);
    expect(links(brought).map(([words]) => words)).toEqual(['up', 'plan']);
    expect(mapOf(readBook(brought.book)).places.get(links(brought)[0]![1]!.slice(1))?.words).toBe('Alpha');
    expect(brought.enclosures.map(({ name }) => name).sort()).toEqual(['lamp.png', 'plan.pdf']);
  });

  test('stands in the order of a text that only lists the others, and links to it lead to the contents', () => {
    const brought = folder({
      ...chapters,
      'z.md': '# Last\n\n[All](list.md).',
      'list.md': '# Book\n\n- [Beta](b.md)\n- [Last](z.md)\n- [Alpha](a.md)\n',
    });
    expect(brought.book.chapters.map(({ title }) => title)).toEqual(['Beta', 'Last', 'Alpha']);
    expect(links(brought)).toContainEqual(['All', '#book-contents']);
  });
});

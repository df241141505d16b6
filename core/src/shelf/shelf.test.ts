import { describe, expect, test } from '@jest/globals';
import { auditContext, auditLink } from '../audit/index.js';
import { verdictInside } from '../reach/index.js';
import { linkWith } from '../testing/books.js';
import { shelfFile } from '../testing/shelf.js';
import { safeFileName, travellingPaths } from './index.js';

const toFile = { kind: 'file' as const, enclosure: 'f1' };
const withFile = (more: Parameters<typeof shelfFile>[0]) => {
  const surroundings = { files: new Map([['f1', shelfFile(more)]]), books: new Map() };
  return { ...auditContext('en', [], surroundings), isPlace: () => false };
};
const found = (text: string, more: Parameters<typeof shelfFile>[0]) =>
  auditLink(linkWith(text, toFile), withFile(more)).map(({ rule }) => rule);

describe('the name of a file', () => {
  test.each([
    ['../../etc/passwd', 'passwd'],
    ['C:\\tides\\may.pdf', 'may.pdf'],
    ['a\u0000b\u202e.pdf', 'ab.pdf'],
    [' . ', 'file'],
    [`${'x'.repeat(300)}.pdf`, `${'x'.repeat(116)}.pdf`],
  ])('has a name that is safe: %j', (name, safe) => expect(safeFileName(name)).toBe(safe));

  test('has a path of its own when it travels', () => {
    const names = ['Tide table.PDF', 'tide-table.pdf', 'Ebbe & Flut.txt', '潮.txt'];
    const paths = travellingPaths(names.map((name, index) => ({ id: String(index), name })));
    expect([...paths.values()]).toEqual([
      'files/tide-table.pdf',
      'files/tide-table-2.pdf',
      'files/ebbe-flut.txt',
      'files/file.txt',
    ]);
  });
});

describe('a link to a file', () => {
  test('is good when every reader can open it', () => {
    expect(found('tide table (PDF)', {})).toEqual([]);
    expect(verdictInside(toFile, withFile({}))?.verdict).toBe('sound');
  });

  test('is found where readers will be stopped', () => {
    expect(found('tide table (PDF)', { opensFor: 'reviewers' })).toEqual(['file-locked']);
    expect(verdictInside(toFile, withFile({ opensFor: 'author' }))?.verdict).toBe('guarded');
    expect(found('tide table (PDF)', { travels: 'public' })).toEqual(['file-nowhere']);
    expect(found('tide table (ZIP)', { claims: 'PDF', type: 'application/zip' })).toEqual(['file-misnamed']);
  });

  test('is broken when the file is gone; a public address is for the network to judge', () => {
    const gone = { kind: 'file' as const, enclosure: 'f2' };
    expect(auditLink(linkWith('tide table', gone), withFile({})).map(({ rule }) => rule)).toEqual([
      'file-gone',
    ]);
    expect(verdictInside(gone, withFile({}))?.verdict).toBe('broken');
    expect(
      verdictInside(toFile, withFile({ travels: 'public', address: 'https://a.example/t.pdf' })),
    ).toBeNull();
  });
});

describe('a link to another book', () => {
  const other = { id: 'b2', title: 'Words', author: '', address: null, places: new Map([['wick', 'Wick']]) };
  const context = {
    ...auditContext('en', [], { files: new Map(), books: new Map([['b2', other]]) }),
    isPlace: () => false,
  };
  test.each([
    [{ kind: 'book', book: 'b2' }, [], 'sound'],
    [{ kind: 'book', book: 'b2', place: 'wick' }, [], 'sound'],
    [{ kind: 'book', book: 'b2', place: 'gone' }, ['book-gone'], 'broken'],
    [{ kind: 'book', book: 'b3' }, ['book-gone'], 'broken'],
  ] as const)('%j', (destination, rules, verdict) => {
    expect(auditLink(linkWith('word list', destination), context).map(({ rule }) => rule)).toEqual(rules);
    expect(verdictInside(destination, context)?.verdict).toBe(verdict);
  });
});

describe('the names of files', () => {
  test('are cut to 120 signs, and keep their ending', () => {
    const long = 'a'.repeat(130);
    expect(safeFileName('a'.repeat(120))).toHaveLength(120);
    expect(safeFileName(`${'a'.repeat(117)}.pdf`)).toBe(`${'a'.repeat(116)}.pdf`);
    expect(safeFileName(`${long}.pdf`)).toBe(`${'a'.repeat(116)}.pdf`);
    expect(safeFileName(`${long}.endings10`)).toBe(`${'a'.repeat(110)}.endings10`);
    expect(safeFileName(`${long}.endings-11`)).toBe('a'.repeat(120));
    expect(safeFileName(`.${long}`)).toBe('a'.repeat(120));
  });

  test('hold no path, no control characters and no signs that a system reserves', () => {
    expect(safeFileName('../dir\\ a<b>:"|?*\u202e.txt ')).toBe('ab.txt');
    expect(safeFileName('  ..  ')).toBe('file');
    expect(safeFileName('')).toBe('file');
  });

  test('in the folder that travels with a book are plain, and each its own', () => {
    const files = ['Tide Table.PDF', 'tide-table.pdf', '.hidden', 'Ünïcode', '…', 'a.b c'].map(
      (name, index) => ({ id: `f${index}`, name }),
    );
    expect([...travellingPaths(files).values()]).toEqual([
      'files/tide-table.pdf',
      'files/tide-table-2.pdf',
      'files/hidden',
      'files/unicode',
      'files/file',
      'files/a.b-c',
    ]);
  });
});

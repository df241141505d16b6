import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { ExpectedLink } from '../publish/index.js';
import { prove, type FoundLink } from './index.js';

const expected = (id: string, href: string, text: string): ExpectedLink => ({
  id,
  href,
  text,
  chapter: 'c',
  landing: '',
});
const found = (href: string, text: string, more: Partial<FoundLink> = {}): FoundLink => ({
  href,
  text,
  where: 'page 1',
  lands: true,
  ...more,
});
const A = 'https://a.example/';
const B = 'https://b.example/';

describe('the proof', () => {
  test('finds what is there, in any order, once each', () => {
    expect(prove([expected('1', A, 'a'), expected('2', B, 'b')], [found(B, 'b'), found(A, 'a')])).toEqual({
      expected: 2,
      found: 2,
      lost: [],
      changed: [],
      computed: { expected: 0, found: 0, lost: [], changed: [] },
      added: [],
      cutOff: [],
    });
    expect(prove([expected('1', A, 'a'), expected('2', A, 'a')], [found(A, 'a')])).toMatchObject({
      found: 1,
      lost: [{ id: '2' }],
    });
  });

  test('says what changed: the address, the words, or that the target is not there', () => {
    const proof = prove(
      [expected('1', A, 'one'), expected('2', B, 'two'), expected('3', '#p', 'three')],
      [found(B, 'one'), found(B, 'zwei'), found('#p', 'three', { lands: false })],
    );
    expect(proof.changed.map(({ id, change }) => [id, change]).sort()).toEqual([
      ['1', 'address'],
      ['2', 'words'],
      ['3', 'target'],
    ]);
    expect(proof).toMatchObject({ found: 0, lost: [] });
  });

  test('names links that the book does not have', () => {
    expect(prove([], [found(A, 'a')]).added).toEqual([{ href: A, text: 'a', where: 'page 1' }]);
  });

  test('looks past what typesetting does to words: spaces, hyphens at line ends, ligatures', () => {
    expect(
      prove([expected('1', A, 'the official light-house')], [found(A, 'the o\ufb03cial  light-\nhou-se')]),
    ).toMatchObject({ found: 1 });
  });

  test('looks past the order of words from right to left, which a page is read in as it is seen', () => {
    const wanted = expected('1', A, 'منارة (البحر) 3.');
    expect(prove([wanted], [found(A, '.3 (البحر) منارة')])).toMatchObject({ found: 1 });
    expect(prove([wanted], [found(A, '.4 (البحر) منارة')])).toMatchObject({ found: 0 });
  });

  test('judges a spot without words by what is read around it', () => {
    const spot: ExpectedLink = {
      ...expected('1', '#p', 'a'),
      between: { before: 'to the stair', after: 'Oil lamps' },
    };
    const at = (before: string, after: string) =>
      prove([spot], [found('#p', 'a', { landing: { text: after, within: 0, before, after } })]);
    expect(at('It leads to the stair.', 'Oil lamps burn.').found).toBe(1);
    expect(at('', 'Picture of the stair. Oil lamps burn.').found).toBe(1);
    expect(at('It leads to the stair.', '').found).toBe(1);
    // The end of the chapter before is another spot.
    expect(at('So ends the first chapter.', 'Notes').changed).toMatchObject([{ change: 'target' }]);
    expect(at('', '').changed).toMatchObject([{ change: 'target' }]);
  });

  test('joins a link that runs over two pages, and only that', () => {
    const continued = found(A, 'of tides', { where: 'page 2', mayContinue: true });
    expect(prove([expected('1', A, 'table of tides')], [found(A, 'table'), continued])).toMatchObject({
      found: 1,
      added: [],
    });
    expect(
      prove([expected('1', A, 'table'), expected('2', A, 'of tides')], [found(A, 'table'), continued]),
    ).toMatchObject({ found: 2, added: [] });
  });

  test('accounts for every link, whatever was lost on the way', () => {
    const link = fc.tuple(fc.constantFrom(A, B, '#p', '#q'), fc.constantFrom('a', 'b', 'c', ''));
    fc.assert(
      fc.property(fc.array(link), fc.array(link), (book, file) => {
        const proof = prove(
          book.map(([href, text], index) => expected(String(index), href, text)),
          file.map(([href, text]) => found(href, text)),
        );
        expect(proof.found + proof.lost.length + proof.changed.length).toBe(book.length);
        expect(proof.found + proof.changed.length + proof.added.length).toBe(file.length);
      }),
    );
  });
});

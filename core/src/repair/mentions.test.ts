import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Transform } from 'prosemirror-transform';
import { linksOfChapter, schema } from '../manuscript/index.js';
import { bookOf, counter, heading, linked, paragraph, web } from '../testing/books.js';
import { findMentions, linkMentions, type MentionSearch } from './index.js';

const search = (words: string, more: Partial<MentionSearch> = {}): MentionSearch => ({
  words,
  matchCase: false,
  chapters: null,
  headings: false,
  code: false,
  firstOnly: false,
  ...more,
});
const seen = (book: Parameters<typeof findMentions>[0], words: string, more: Partial<MentionSearch> = {}) =>
  findMentions(book, search(words, more)).map(({ chapter, text, before }) => `${chapter} ${before}[${text}]`);

describe('mentions of words', () => {
  const book = bookOf(
    [
      heading(1, 'The lamp'),
      paragraph(
        'A lamp, two lamps; the Lamp’s glass and a lamplighter. ',
        linked('lamp', 'https://a.example/'),
      ),
      schema.node('code_block', null, [schema.text('lamp on')]),
    ],
    [paragraph('Lamp and ', schema.text('la', [schema.marks.emphasis.create()]), 'mp.')],
  );

  test('are whole words outside links, headings and code, over marks within a word', () => {
    expect(seen(book, 'lamp')).toEqual([
      'c1 A [lamp]',
      'c1 A lamp, two lamps; the [Lamp]',
      'c2 [Lamp]',
      'c2 Lamp and [lamp]',
    ]);
  });

  test('keep to letter case, chapters, headings, code and the first in each chapter as chosen', () => {
    expect(seen(book, 'Lamp', { matchCase: true })).toHaveLength(2);
    expect(seen(book, 'lamp', { chapters: ['c2'] })).toHaveLength(2);
    expect(seen(book, 'lamp', { headings: true, code: true })).toHaveLength(6);
    expect(seen(book, 'lamp', { firstOnly: true })).toEqual(['c1 A [lamp]', 'c2 [Lamp]']);
  });

  test('end where words end in the language of the book (UAX #29)', () => {
    const japanese = { ...bookOf([paragraph('灯台の光は灯台守の仕事だ。')]), language: 'ja' };
    // The dictionary of ICU knows both words; “灯台守” (keeper) is told from “灯台” only by it, so only the first is sure.
    expect(findMentions(japanese, search('灯台')).map(({ from }) => from)).toContain(1);
    expect(findMentions(japanese, search('台の'))).toEqual([]);
    expect(seen(bookOf([paragraph('l’eau, eau-forte, eaux')]), 'eaux')).toHaveLength(1);
  });

  test('agree with a plain search on any text of whole words', () => {
    const word = fc.constantFrom('lamp', 'Lamp', 'lamps', 'tide', 'a', 'lamplight');
    const gap = fc.constantFrom(' ', ', ', '. ', ' - ', '\u00a0');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(word, gap), { minLength: 1, maxLength: 30 }),
        fc.boolean(),
        (parts, matchCase) => {
          const text = parts.flat().join('');
          const found = findMentions(bookOf([paragraph(text)]), search('lamp', { matchCase }));
          const naive = [...text.matchAll(matchCase ? /\blamp\b/g : /\blamp\b/gi)].map(
            ({ index }) => index + 1,
          );
          expect(found.map(({ from }) => from)).toEqual(naive);
        },
      ),
    );
  });

  test('become links, each with an id of its own; words that have changed are passed over', () => {
    const { doc } = book.chapters[0]!;
    const mentions = findMentions(book, search('lamp', { chapters: ['c1'] }));
    const transform = new Transform(doc);
    const link = { destination: web('https://b.example/'), hoverNote: '', look: null };
    const stale = { from: mentions[0]!.from + 1, to: mentions[0]!.to + 1, text: 'lamp' };
    expect(linkMentions(transform, [...mentions, stale], link, counter())).toBe(2);
    expect(linksOfChapter(transform.doc, 'c1').map(({ id, href, text }) => `${id} ${href} ${text}`)).toEqual([
      'x1 https://b.example/ lamp',
      'x2 https://b.example/ Lamp',
      expect.stringContaining('https://a.example/') as unknown,
    ]);
    expect(transform.doc.textContent).toBe(doc.textContent);
  });
});

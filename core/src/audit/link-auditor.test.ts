import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Node } from 'prosemirror-model';
import { linksByChapter, linksOf, mapOf, schema, sharedWith, type ReadBook } from '../manuscript/index.js';
import { NO_SURROUNDINGS } from '../shelf/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookOf, heading, linked, paragraph } from '../testing/books.js';
import { audit, auditBook, LinkAuditor, lookUpIn, NO_SURVEY } from './index.js';
import { domainCounts } from './finding.js';

const HREFS = [
  'https://lamp-trust.example/tides',
  'https://lamp-trsut.example/tides',
  'http://www.lamp-trust.example/tides/',
  'https://b.example/other?utm_source=x',
];
const WORDS = [
  'here',
  'the tide tables',
  'Tide tables',
  'https://lamp-trust.example/tides',
  'ferry connections',
  'more',
];

/** A line of words and links. */
const line = (pick: fc.GeneratorValue): Node => {
  const count = pick(fc.integer, { min: 0, max: 3 });
  const parts: (string | Node)[] = [pick(fc.constantFrom, 'A sentence about keepers. ', 'See ', ' ')];
  for (let at = 0; at < count; at++)
    parts.push(
      linked(pick(fc.constantFrom, ...WORDS), pick(fc.constantFrom, ...HREFS)),
      pick(fc.constantFrom, ' ', ' and then the harbour ', '. '),
    );
  return paragraph(...parts);
};

const block = (pick: fc.GeneratorValue): Node =>
  pick(fc.integer, { min: 0, max: 4 }) === 0
    ? heading(2, pick(fc.constantFrom, 'Tides', 'Sources', 'More'))
    : line(pick);

/** The book with one block of one chapter put in, taken out, or put in the place of another. */
function changed(book: ReadBook, pick: fc.GeneratorValue): ReadBook {
  const which = pick(fc.nat, { max: book.chapters.length - 1 });
  return {
    ...book,
    chapters: book.chapters.map((chapter, index) => {
      if (index !== which) return chapter;
      const blocks = [...chapter.doc.children];
      const at = pick(fc.nat, { max: blocks.length - 1 });
      const way = pick(fc.constantFrom, 'in', 'out', 'instead', 'moved');
      if (way === 'in') blocks.splice(at, 0, block(pick));
      else if (way === 'out' && blocks.length > 1) blocks.splice(at, 1);
      else if (way === 'moved') blocks.unshift(...blocks.splice(at, 1));
      else blocks[at] = block(pick);
      const doc = schema.node('doc', null, blocks);
      // As an editor has it, or as the worker gets it: read anew, with the blocks of before where they are equal.
      const sent = () => sharedWith(chapter.doc, schema.nodeFromJSON(doc.toJSON()));
      return { ...chapter, doc: pick(fc.boolean) ? doc : sent() };
    }),
  };
}

/** What an audit of all links says that knows nothing of before. */
const whole = (book: ReadBook) => Object.fromEntries(auditBook(book, NO_SURROUNDINGS).findings);

describe('an audit that goes on', () => {
  test('finds after every change what an audit of the whole book finds', () => {
    fc.assert(
      fc.property(fc.gen(), (pick) => {
        const chapter = () => Array.from({ length: pick(fc.integer, { min: 1, max: 4 }) }, () => block(pick));
        let book = bookOf(chapter(), chapter());
        const auditor = new LinkAuditor();
        for (let step = 0; step < 8; step++) {
          const { findings } = auditBook(book, NO_SURROUNDINGS, NO_SURVEY, auditor);
          expect(Object.fromEntries(findings)).toEqual(whole(book));
          book = changed(book, pick);
        }
      }),
      { numRuns: 150 },
    );
  });

  test('finds the same in any book when chapters come, go and change places', () => {
    fc.assert(
      fc.property(anyBook(), fc.gen(), (book, pick) => {
        const auditor = new LinkAuditor();
        auditBook(book, NO_SURROUNDINGS, NO_SURVEY, auditor);
        const indexes = book.chapters.map((_chapter, index) => index);
        const chapters = pick(fc.shuffledSubarray, indexes, { minLength: 1 }).map(
          (index) => book.chapters[index]!,
        );
        const other = { ...book, chapters };
        const { findings } = auditBook(other, NO_SURROUNDINGS, NO_SURVEY, auditor);
        expect(Object.fromEntries(findings)).toEqual(whole(other));
      }),
      { numRuns: 60 },
    );
  });

  test('says what an audit of the list of links says', () => {
    const book = bookOf([paragraph('See ', linked('here', HREFS[0]!), ' and ', linked('here', HREFS[3]!))]);
    const links = linksOf(book);
    const ground = {
      language: 'en',
      look: book.look,
      ...NO_SURROUNDINGS,
      ...lookUpIn(book),
      domains: domainCounts(links),
    };
    const updated = new LinkAuditor().update(linksByChapter(book, mapOf(book).say), ground);
    expect(updated).toEqual(audit(links, ground));
  });
});

describe('huge and strange', () => {
  test('ten thousand links in one paragraph, words of a million signs, other directions and halves of signs', () => {
    const many = Array.from({ length: 10_000 }, (_one, at) => [
      linked(`link ${at % 100}`, `https://a.example/${at % 7}`, `m${at}`),
      ' ',
    ]).flat();
    const strange = [
      linked('x'.repeat(1_000_000), HREFS[0]!, 'long'),
      linked('مرحبا here بالعالم', HREFS[0]!, 'rtl'),
      linked('\u202ehere\u202c', HREFS[0]!, 'bidi'),
      linked('half \ud83d', HREFS[0]!, 'half'),
    ];
    const { findings, links } = auditBook(
      bookOf([paragraph(...many)], [paragraph(...strange)]),
      NO_SURROUNDINGS,
    );
    expect(links).toHaveLength(10_004);
    expect(findings.get('long')?.map(({ rule }) => rule)).toContain('long-text');
    expect(findings.get('m0')?.map(({ rule }) => rule)).toContain('same-words');
  });
});

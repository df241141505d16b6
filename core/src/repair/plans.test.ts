import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { hrefOf } from '../destination/index.js';
import { linksOf, type Link, type ReadBook } from '../manuscript/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { bookOf, linked, linkWith, paragraph, web } from '../testing/books.js';
import {
  afterRepairs,
  faultInPrefixes,
  leadElsewhere,
  planDestinations,
  planEach,
  planPrefix,
  planWithoutTracking,
  repairPlanned,
  type BookRepair,
  type Plan,
} from './index.js';

const after = (book: ReadBook, { chapters }: BookRepair): ReadBook => {
  const docs = new Map(chapters.map(({ id, doc }) => [id, doc]));
  return { ...book, chapters: book.chapters.map((one) => ({ ...one, doc: docs.get(one.id) ?? one.doc })) };
};

/** Whatever an author may plan for all links of a book. */
const PLANS: Readonly<Record<string, (links: readonly Link[]) => Plan>> = {
  'other addresses': (links) => planDestinations(links, () => web('https://new.example/page')),
  'without tracking': planWithoutTracking,
  'another host': (links) => planPrefix(links, 'lamp.example', 'https://new.example/b/'),
  words: (links) =>
    planEach(links, ({ text }) => [{ type: 'text', text: `${text.trim()} of the Sound`.trim() }]),
  'no links': (links) => planEach(links, () => [{ type: 'unlink' }]),
  both: (links) =>
    planEach(links, ({ text }) => [
      { type: 'destination', destination: web('https://other.example/') },
      { type: 'text', text: `new ${text.trim()}`.trim() },
    ]),
};

describe.each(Object.entries(PLANS))('a plan of %s', (_name, planFor) => {
  test('comes out as it was previewed, keeps every id and every other link, and is taken back by its steps', () => {
    fc.assert(
      fc.property(anyBook(), (book) => {
        const links = linksOf(book);
        const plan = planFor(links);
        const made = repairPlanned(book, plan.planned);
        const now = linksOf(after(book, made));
        const byId = new Map(now.map((link) => [link.id, link]));
        const repairsOf = new Map(plan.planned.map(({ link, repairs }) => [link, repairs]));
        for (const link of links) {
          const repairs = repairsOf.get(link.id);
          const is = byId.get(link.id);
          if (!repairs) expect(is && [is.href, is.hoverNote]).toEqual([link.href, link.hoverNote]);
          else if (link.carrier === 'text' && link.text.trim() !== '') {
            const expected = afterRepairs(link, repairs);
            expect(is ? { href: is.href, text: is.text } : null).toEqual(expected);
            if (is) expect(is.hoverNote).toBe(link.hoverNote);
          }
        }
        for (const { id, transform } of made.chapters) {
          const before = book.chapters.find((one) => one.id === id)!.doc;
          let doc = transform.doc;
          transform.steps.forEach((_step, index) => {
            const at = transform.steps.length - 1 - index;
            doc = transform.steps[at]!.invert(transform.docs[at]!).apply(doc).doc!;
          });
          expect(doc.eq(before)).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('a plan', () => {
  test('passes over links that are not as they were when it was previewed', () => {
    const book = bookOf([
      paragraph(linked('one', 'https://a.example/', 'l1'), ' ', linked('two', 'https://a.example/', 'l2')),
    ]);
    const { planned } = planDestinations(linksOf(book), () => web('https://b.example/'));
    const [first, second] = planned;
    const stale = { ...second!, was: { ...second!.was, text: 'otherwise' } };
    const { changed } = repairPlanned(book, [first!, stale, { ...first!, link: 'gone' }]);
    expect(changed).toBe(1);
  });

  test.each([
    ['https://old.example/x', 'https://old.example/x', 'https://new.example/x'],
    ['old.example/x', 'https://old.example/x', 'new.example/x'],
    ['the page', 'https://old.example/x', 'the page'],
    ['other.example', 'https://old.example/x', 'other.example'],
  ])('changes the words %s only where they are the address', (text, href, shown) => {
    const link = linkWith(text, href);
    const repairs = leadElsewhere(link, web('https://new.example/x'));
    expect(afterRepairs(link, repairs)).toEqual({ href: 'https://new.example/x', text: shown });
  });
});

describe('another beginning of addresses', () => {
  const to = (href: string, from: string, into: string) => {
    const { planned, refused } = planPrefix([linkWith('x', href)], from, into);
    const [first] = planned[0]?.repairs ?? [];
    return first?.type === 'destination' ? hrefOf(first.destination) : (refused[0]?.reason ?? null);
  };

  test.each([
    [
      'http://old.example/a/b?c#d',
      'http://old.example/a/',
      'https://new.example/b/',
      'https://new.example/b/b?c#d',
    ],
    ['http://old.example/a', 'http://old.example/a/', 'https://new.example/b/', 'https://new.example/b'],
    ['https://old.example/x', 'old.example', 'new.example', 'https://new.example/x'],
    ['http://old.example/x', 'old.example', 'new.example', 'http://new.example/x'],
    ['https://old.example/x', 'http://old.example', 'https://new.example', null],
    // A beginning ends where a part of the path ends.
    ['https://old.example/abc', 'https://old.example/a', 'https://new.example/b', null],
    ['https://old.example.org/a', 'https://old.example', 'https://new.example', null],
    ['https://old.example/ä', 'old.example', 'neu.example', 'https://neu.example/%C3%A4'],
  ])('%s with %s for %s becomes %s', (href, from, into, expected) =>
    expect(to(new URL(href).href, from, into)).toBe(expected),
  );

  test('is refused where an address would become too long, and nothing else is', () => {
    const long = `https://old.example/${'x'.repeat(7_900)}`;
    expect(to(long, 'old.example', `https://new.example/${'y'.repeat(200)}/`)).toContain('too long');
  });

  test.each([
    ['', 'https://a.example/', /beginning of an address/],
    ['javascript:x', 'https://a.example/', /beginning of an address/],
    ['https://a.example/', 'no address at all', /stand there instead/],
    ['https://a.example/?q', 'https://b.example/', /beginning of an address/],
    ['a.example', 'b.example', null],
  ])('%s for %s is judged', (from, into, fault) => {
    const told = faultInPrefixes(from, into);
    if (fault) expect(told).toMatch(fault);
    else expect(told).toBeNull();
  });
});

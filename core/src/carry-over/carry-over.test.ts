import { describe, expect, test } from '@jest/globals';
import type { Node } from 'prosemirror-model';
import { NOWHERE } from '../destination/index.js';
import { faultInChapter, linksOf, mapOf, schema, TOP, type ReadBook } from '../manuscript/index.js';
import {
  bookOf,
  bookmarked,
  counter,
  heading,
  linked,
  note,
  paragraph,
  place,
  reference,
  web,
} from '../testing/books.js';
import { carryOver, planCarryOver } from './index.js';

const carried = (
  old: ReadBook,
  fresh: ReadBook,
  taken = (fate: string) => fate === 'sure' || fate === 'look',
) => {
  const plan = planCarryOver(old, fresh);
  const done = new Map(
    carryOver(fresh, plan, ({ fate }) => taken(fate), new Map(), counter('new')).map(({ id, transform }) => [
      id,
      transform.doc,
    ]),
  );
  const chapters = fresh.chapters.map((chapter) => ({
    ...chapter,
    doc: done.get(chapter.id) ?? chapter.doc,
  }));
  return { plan, book: { ...fresh, chapters } };
};
/** The same text in another book: with chapters of other ids. */
const again = (book: ReadBook): ReadBook => ({
  ...book,
  chapters: book.chapters.map((chapter) => ({ ...chapter, id: `${chapter.id}-new` })),
});

describe('a new version of a text', () => {
  const old = bookOf(
    [
      heading(1, 'Harbour lights'),
      paragraph(
        'The keeper trims the ',
        linked('great lamp', web('https://lamp.example/'), 'l1'),
        ' every evening before the tide turns in the sound.',
      ),
      paragraph(
        'Ships that pass at night read the flashes',
        note('n1', 'A remark on flashes.'),
        ' and know where they are, says ',
        reference('h2', 'words', 'r1'),
        ' as well.',
      ),
    ],
    [
      heading(1, 'Tides and tables', 'h2'),
      paragraph(
        'All the ',
        bookmarked('tide tables', 'b1', 'Tables'),
        ' of the year hang by the door of the store.',
      ),
      paragraph(
        'See the ',
        linked('list of lamps', place('b1'), 'l2'),
        ' that the office sends in spring to every station.',
      ),
    ],
  );
  const fresh = again(
    bookOf(
      [
        heading(1, 'Tides and tables', 'h9'),
        paragraph('All the tide tables of the year hang by the door of the store.'),
        paragraph('See the register of lights that the office sends in spring to every station.'),
      ],
      [
        heading(1, 'Harbour lights'),
        paragraph('The keeper trims the great lamp every evening, before the tide turns in the sound.'),
        paragraph('Ships that pass at night read the flashes and know where they are, says  as well.'),
      ],
    ),
  );

  test('gets what was made in the older one, and is told what is sure', () => {
    const { plan, book } = carried(old, fresh);
    expect(plan.items.map(({ id, fate }) => [id, fate])).toEqual([
      ['l1', 'sure'],
      ['n1', 'sure'],
      ['r1', 'sure'],
      ['b1', 'sure'],
      ['l2', 'look'],
    ]);
    const links = linksOf(book, mapOf(book).say).map(({ id, text, href }) => [id, text, href]);
    expect(links).toEqual([
      ['l2', 'register of lights', '#b1'],
      ['l1', 'great lamp', 'https://lamp.example/'],
      ['r1', 'Tides and tables', '#h9'],
    ]);
    expect(mapOf(book).notes.map(({ node }) => node.textContent)).toEqual(['A remark on flashes.']);
    for (const { doc } of book.chapters) expect(faultInChapter(doc.toJSON() as object)).toBeNull();
  });

  test('shows the old and the new side by side, and says why', () => {
    const look = planCarryOver(old, fresh).items.find(({ id }) => id === 'l2');
    expect(look).toMatchObject({
      why: 'The words there were changed.',
      about: 'Tables',
      old: { before: 'See the ', words: 'list of lamps', after: ' that the office sends in spring' },
      new: { before: 'See the ', words: 'register of lights', after: ' that the office sends in spring' },
    });
  });

  test('keeps what it has itself, and drops nothing in silence', () => {
    const { book } = carried(old, fresh);
    const fates = planCarryOver(old, book).items.map(({ fate }) => fate);
    expect(fates).toEqual(['there', 'there', 'there', 'there', 'there']);
    const other = again(bookOf([paragraph('Nothing of this text was ever in the older one.')]));
    const gone = planCarryOver(old, other).items.map(({ fate, new: spot }) => `${fate} ${String(spot)}`);
    expect(gone).toEqual(Array.from({ length: 5 }, () => 'gone null'));
  });

  test.each([
    [
      'leads elsewhere is looked at first',
      web('https://other.example/'),
      'look',
      'Another link stands there.',
    ],
    ['leads nowhere is mended', place(NOWHERE), 'sure', ''],
    ['leads to the same is there already', web('https://lamp.example/'), 'there', ''],
  ])('a link where another one stands by now that %s', (_, destination, fate, why) => {
    const own = again(
      bookOf([
        paragraph(
          'The keeper trims the ',
          linked('great lamp', destination, 'x'),
          ' every evening before the tide turns in the sound.',
        ),
      ]),
    );
    expect(planCarryOver(old, own).items[0]).toMatchObject({ fate, why });
  });

  test('a link to a place is not there already where one leads nowhere', () => {
    const from = bookOf([
      paragraph('See what the keepers say of the ', linked('great lamp', place(TOP), 'x'), '.'),
    ]);
    const nowhere = linked('great lamp', place(NOWHERE), 'y');
    const to = again(bookOf([paragraph('See what the keepers say of the ', nowhere, '.')]));
    expect(planCarryOver(from, to).items.map(({ fate }) => fate)).toEqual(['sure']);
  });
});

/** Numbers below a bound, each as likely as the others: the same for the same seed (a linear congruential generator, Numerical Recipes). */
type Numbers = (below: number) => number;
function numbers(seed: number): Numbers {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

/** A word of a generated text, and the link that it bears. */
interface Word {
  word: string;
  link: string | null;
}
const VOCABULARY = Array.from({ length: 500 }, (_, index) => `w${(index * 7919).toString(36)}`);

/** Chapters of paragraphs of words, with links on one to four of them. */
function written(number: Numbers): Word[][][] {
  let links = 0;
  return Array.from({ length: 8 }, () =>
    Array.from({ length: 10 }, () => {
      const words: Word[] = Array.from({ length: 25 + number(40) }, () => ({
        word: VOCABULARY[number(500)]!,
        link: null,
      }));
      for (let count = 0; count < 2; count++) {
        const at = number(words.length - 4);
        const range = words.slice(at, at + 1 + number(4));
        if (range.some(({ link }) => link)) continue;
        const link = `l${links++}`;
        for (const word of range) word.link = link;
      }
      return words;
    }),
  );
}

/** The text with chapters moved, sentences edited and words replaced. */
function edited(chapters: Word[][][], number: Numbers): Word[][][] {
  const fresh = (): Word => ({ word: VOCABULARY[number(500)]!, link: null });
  const order = chapters.map((_chapter, index) => index).sort(() => number(3) - 1);
  return order.map((index) =>
    chapters[index]!.map((words) => {
      let now = words.map((word) => (number(50) === 0 ? { ...word, word: fresh().word } : word));
      if (number(3) === 0) {
        // A sentence is edited: some words go, others come.
        const at = number(now.length - 8);
        const gone = number(4);
        const isLinked = now.slice(at, at + gone).some(({ link }) => link);
        const cut = isLinked || now[at - 1]?.link === now[at]?.link ? 0 : gone;
        const isWithin = now[at - 1]?.link !== null && now[at - 1]?.link === now[at]?.link;
        now = [
          ...now.slice(0, at),
          ...Array.from({ length: isWithin ? 0 : number(4) }, fresh),
          ...now.slice(at + cut),
        ];
      }
      return now;
    }),
  );
}

/** The words as a book, with their links or without. */
function bookFrom(chapters: Word[][][], isLinked: boolean): ReadBook {
  const line = (words: Word[]): Node => {
    const nodes: Node[] = [];
    words.forEach(({ word, link }, index) => {
      const before = words[index - 1];
      if (index > 0)
        nodes.push(
          isLinked && link && before?.link === link
            ? linked(' ', web(`https://a.example/${link}`), link)
            : schema.text(' '),
        );
      nodes.push(isLinked && link ? linked(word, web(`https://a.example/${link}`), link) : schema.text(word));
    });
    return schema.node('paragraph', null, nodes);
  };
  return bookOf(...chapters.map((paragraphs) => paragraphs.map(line)));
}

test('of generated texts with chapters moved, sentences edited and words replaced, 98 of 100 links are right, 90 sure, and no sure one is wrong', () => {
  const sum = { all: 0, right: 0, sure: 0, wrong: 0 };
  for (let seed = 1; seed <= 10; seed++) {
    const number = numbers(seed);
    const text = written(number);
    const now = edited(text, number);
    const { plan, book } = carried(bookFrom(text, true), again(bookFrom(now, false)));
    const truth = new Map(
      linksOf(bookFrom(now, true)).map(({ id, text: words, from }) => [id, { words, from }]),
    );
    const found = new Map(linksOf(book).map(({ id, text: words, from }) => [id, { words, from }]));
    for (const { id, fate } of plan.items) {
      sum.all++;
      const isRight = JSON.stringify(found.get(id)) === JSON.stringify(truth.get(id));
      if (isRight) sum.right++;
      if (fate === 'sure') sum.sure++;
      if (fate === 'sure' && !isRight) sum.wrong++;
    }
  }
  expect(sum.all).toBeGreaterThan(1_000);
  expect(sum.wrong).toBe(0);
  expect(sum.right / sum.all).toBeGreaterThanOrEqual(0.98);
  expect(sum.sure / sum.all).toBeGreaterThanOrEqual(0.9);
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Node } from 'prosemirror-model';
import { Transform, type Step } from 'prosemirror-transform';
import { AreaStep, attrsOf, linksOfChapter, schema, setAreas, type LinkArea } from '../manuscript/index.js';
import { applyRepair, findMentions, linkMentions } from '../repair/index.js';
import { bookOf, counter, heading, linked, paragraph, web } from '../testing/books.js';
import { wholeBook } from '../testing/whole-book.js';
import { applySteps, rebase, stepsBetween, stepsFrom, StepsRefused, takeBack } from './index.js';

const docOf = (...blocks: Node[]): Node => schema.node('doc', null, blocks);
const done = (transform: Transform) => ({
  steps: transform.steps,
  inverses: transform.steps.map((step, index) => step.invert(transform.docs[index]!)),
});
/** A change, what was done after it, and the text once the change is taken back. */
function afterwards(doc: Node, change: (tr: Transform) => void, later: (tr: Transform) => void) {
  const first = new Transform(doc);
  change(first);
  const second = new Transform(first.doc);
  later(second);
  const { transform, left } = takeBack(second.doc, done(first), second.steps);
  transform.doc.check();
  return { text: transform.doc.toString(), left, doc: transform.doc };
}
const lamp = web('https://lamp.example/');
const linkIn = (doc: Node, id: string) => linksOfChapter(doc, 'c').find((link) => link.id === id)!;

describe('a change that is taken back', () => {
  const text = docOf(paragraph('A lamp and a wick.'), paragraph('Another lamp.'));
  const mark = schema.marks.link.create({ id: 'l', destination: lamp });

  test('leaves every word that was written since', () => {
    const { text: after, left } = afterwards(
      text,
      (tr) => tr.addMark(3, 7, mark),
      (tr) => tr.insert(7, schema.text(' burns', [mark])).insert(1, schema.text('Here: ')),
    );
    expect(after).toBe('doc(paragraph("Here: A lamp burns and a wick."), paragraph("Another lamp."))');
    expect(left).toEqual([]);
  });

  test('leaves words that were written within what it had put in', () => {
    const put = afterwards(
      text,
      (tr) => tr.insert(20, [paragraph('A new paragraph.'), paragraph('And one more.')]),
      (tr) => tr.insert(23, schema.text('quite ')),
    );
    expect(put.text).toBe(
      'doc(paragraph("A lamp and a wick."), paragraph("quite "), paragraph("Another lamp."))',
    );
    const words = afterwards(
      docOf(paragraph('See ', linked('here', 'https://lamp.example/', 'l'), '.')),
      (tr) => applyRepair(tr, linkIn(tr.doc, 'l'), { type: 'text', text: 'the lamps' }),
      (tr) => tr.insert(9, schema.text('old ')),
    );
    expect(words.doc.textContent).toContain('old ');
    expect(words.doc.textContent).toContain('here');
  });

  test('leaves what was changed again since, and names it', () => {
    const doc = docOf(paragraph('See ', linked('the lamps', 'https://lamp.example/', 'l'), '.'));
    const { doc: after, left } = afterwards(
      doc,
      (tr) =>
        applyRepair(tr, linkIn(tr.doc, 'l'), {
          type: 'destination',
          destination: web('https://two.example/'),
        }),
      (tr) =>
        applyRepair(tr, linkIn(tr.doc, 'l'), {
          type: 'destination',
          destination: web('https://three.example/'),
        }),
    );
    expect(linkIn(after, 'l').href).toBe('https://three.example/');
    expect(left).toEqual(['the lamps']);
  });

  test('puts back words that were deleted, at the place that has come of theirs', () => {
    const { text: after } = afterwards(
      text,
      (tr) => tr.delete(3, 12),
      (tr) => tr.insert(1, schema.text('Now ')).delete(tr.doc.content.size - 15, tr.doc.content.size),
    );
    expect(after).toBe('doc(paragraph("Now A lamp and a wick."))');
  });

  test('of a figure leaves what was chosen since', () => {
    const figure = docOf(
      schema.node('figure', {
        enclosure: 'e',
        alt: 'One',
        link: { id: 'f', destination: lamp, hoverNote: '' },
      }),
    );
    const { doc, left } = afterwards(
      figure,
      (tr) => tr.setNodeAttribute(0, 'alt', 'Two').setNodeAttribute(0, 'decorative', true),
      (tr) => tr.setNodeAttribute(0, 'alt', 'Three'),
    );
    expect(doc.firstChild!.attrs).toMatchObject({ alt: 'Three', decorative: false });
    expect(left).toHaveLength(1);
  });

  test('when it was taken back can be made again, by taking that back', () => {
    const first = new Transform(text);
    first.addMark(3, 7, mark);
    const back = takeBack(first.doc, done(first), []).transform;
    expect(back.doc.eq(text)).toBe(true);
    expect(takeBack(back.doc, done(back), []).transform.doc.eq(first.doc)).toBe(true);
  });

  test('of 400 mentions after 600 keys: no link is left and no sign is gone', () => {
    const book = bookOf(
      Array.from({ length: 400 }, (_, index) => paragraph(`The lamp of ${index} and more words.`)),
    );
    const { doc } = book.chapters[0]!;
    const search = {
      words: 'lamp',
      matchCase: false,
      chapters: null,
      headings: true,
      code: true,
      firstOnly: false,
    };
    const change = new Transform(doc);
    expect(
      linkMentions(
        change,
        findMentions(book, search),
        { destination: lamp, hoverNote: '', look: null },
        counter(),
      ),
    ).toBe(400);
    const later = new Transform(change.doc);
    for (let key = 0; key < 600; key++) {
      const at = (key * 7919) % later.doc.content.size;
      if (later.doc.resolve(at).parent.isTextblock) later.insert(at, schema.text('~'));
    }
    const { transform, left } = takeBack(later.doc, done(change), later.steps);
    expect(linksOfChapter(transform.doc, 'c')).toEqual([]);
    expect(transform.doc.textContent).toBe(later.doc.textContent);
    expect(left).toEqual([]);
  });
});

describe('link areas', () => {
  const area = (id: string, name = id): LinkArea => ({
    id,
    name,
    destination: lamp,
    hoverNote: '',
    frame: null,
    x: 0,
    y: 0,
    width: 0.5,
    height: 0.5,
  });
  const figure = (...areas: LinkArea[]) => docOf(schema.node('figure', { enclosure: 'e', areas }));
  const names = (doc: Node) => attrsOf.figure(doc.firstChild!).areas.map(({ id, name }) => `${id}:${name}`);
  const with_ = (doc: Node, ...areas: LinkArea[]) => {
    const transform = new Transform(doc);
    setAreas(transform, 0, areas);
    return transform;
  };

  test('that two windows make at once are both there', () => {
    const start = figure(area('a'));
    const mine = with_(start, area('a'), area('b'));
    const theirs = with_(start, area('a', 'renamed'), area('c'));
    const { transform, astray } = rebase(theirs.doc, mine.steps, theirs.steps);
    expect(names(transform.doc)).toEqual(['a:renamed', 'b:b', 'c:c']);
    expect(astray).toEqual([]);
  });

  test('are changed, taken away and put back one by one', () => {
    const start = figure(area('a'), area('b'), area('c'));
    const change = with_(start, area('a'), area('b', 'B'));
    expect(names(change.doc)).toEqual(['a:a', 'b:B']);
    expect(change.steps.every((step) => step instanceof AreaStep)).toBe(true);
    const json = change.steps.map((step) => step.toJSON() as object);
    expect(applySteps(start, stepsFrom(json)).doc.eq(change.doc)).toBe(true);
    expect(names(takeBack(change.doc, done(change), []).transform.doc)).toEqual(['a:a', 'b:b', 'c:c']);
    const later = with_(change.doc, area('a'), area('b', 'again'), area('d'));
    const { transform, left } = takeBack(later.doc, done(change), later.steps);
    expect(names(transform.doc)).toEqual(['a:a', 'b:again', 'c:c', 'd:d']);
    expect(left).toHaveLength(1);
    expect(with_(start, area('a'), area('b'), area('c')).steps).toEqual([]);
  });

  test('of something that is no figure are refused', () => {
    expect(() => with_(docOf(paragraph('x')), area('a'))).toThrow('no figure');
    const step = new AreaStep(0, area('gone'), null, 0);
    expect(step.apply(figure(area('a'))).failed).toMatch('not there');
    expect(step.apply(docOf(paragraph('x'))).failed).toMatch('no figure');
  });
});

describe('steps out of JSON', () => {
  test('that are none, or do not fit, are refused by their number', () => {
    const refusal = (steps: unknown[]) => {
      try {
        applySteps(docOf(paragraph('words')), stepsFrom(steps));
        return null;
      } catch (error) {
        return error instanceof StepsRefused ? error.index : error;
      }
    };
    const good = { stepType: 'replace', from: 1, to: 2 };
    expect(refusal([good, good])).toBeNull();
    for (const bad of [
      null,
      3,
      {},
      { stepType: 'x' },
      { stepType: 'replace', from: 'a' },
      { stepType: 'replace', from: 1, to: 900 },
      { stepType: 'replace', from: 0, to: 1 },
      { stepType: 'addMark', mark: { type: 'x' }, from: 1, to: 2 },
    ])
      expect(refusal([good, bad])).toBe(1);
  });
});

describe('the change between two texts', () => {
  const signs = fc.array(fc.constantFrom('a', 'b', ' ', '|'), { maxLength: 24 });
  const read = (text: string[]) =>
    docOf(
      ...text
        .join('')
        .split('|')
        .map((words) => (words === '' ? schema.node('paragraph') : paragraph(words))),
    );

  test('makes one of the other, whatever they are', () => {
    fc.assert(
      fc.property(signs, signs, (one, other) => {
        const transform = stepsBetween(read(one), read(other));
        expect(transform.doc.eq(read(other))).toBe(true);
      }),
    );
    const [, lamps, water] = wholeBook().chapters;
    expect(stepsBetween(lamps!.doc, water!.doc).doc.eq(water!.doc)).toBe(true);
    expect(stepsBetween(lamps!.doc, lamps!.doc).steps).toEqual([]);
  });

  test('leaves alone what is the same', () => {
    const before = docOf(heading(1, 'Lamps', 'lamps'), paragraph('one two three'), paragraph('end'));
    const after = docOf(heading(1, 'Lamps', 'lamps'), paragraph('one 2 three'), paragraph('end'));
    const [step] = stepsBetween(before, after).steps as [Step & { from: number; to: number }];
    expect([step.from, step.to]).toEqual([12, 15]);
  });
});

describe('two hands in one text', () => {
  /** Types, deletes, splits and marks at random: each is a share of the text. */
  const act = fc.record({
    what: fc.constantFrom('type', 'delete', 'split', 'mark'),
    at: fc.double({ min: 0, max: 1, noNaN: true }),
    length: fc.integer({ min: 1, max: 8 }),
  });
  const acts = fc.array(act, { minLength: 1, maxLength: 12 });
  let typed = 0;

  function play(doc: Node, list: (typeof act extends fc.Arbitrary<infer Act> ? Act : never)[]) {
    const transform = new Transform(doc);
    const words: string[] = [];
    for (const { what, at, length } of list) {
      const position = Math.round(at * transform.doc.content.size);
      const $at = transform.doc.resolve(position);
      if (!$at.parent.isTextblock) continue;
      const end = Math.min(position + length, $at.end());
      if (what === 'type') {
        const word = `<${++typed}>`;
        words.push(word);
        transform.insert(position, schema.text(word));
      } else if (what === 'delete' && end > position) {
        // Only what was there from the start: a hand takes back none of its own words here.
        if (!/[<>\d]/.test(transform.doc.textBetween(position, end))) transform.delete(position, end);
      } else if (what === 'split') transform.split(position);
      else if (end > position) transform.addMark(position, end, schema.marks.emphasis.create());
    }
    return { transform, words };
  }

  test('come to the same text in either order of arrival, and no typed word is lost', () => {
    const start = docOf(
      paragraph('the lamp is low and the wick is long'),
      paragraph('a second line of plain words'),
    );
    fc.assert(
      fc.property(acts, acts, (one, other) => {
        const [mine, theirs] = [play(start, one), play(start, other)];
        const { transform, astray } = rebase(
          theirs.transform.doc,
          mine.transform.steps,
          theirs.transform.steps,
        );
        transform.doc.check();
        const all = transform.doc.textContent + astray.join('');
        for (const word of [...theirs.words]) expect(all).toContain(word);
        for (const word of mine.words)
          expect(all.includes(word) || astray.some((piece) => piece.includes(word))).toBe(true);
      }),
      { numRuns: 300 },
    );
  });

  test('what one can’t put anywhere any more is told in words', () => {
    const start = docOf(paragraph('first'), paragraph('second'));
    const mine = new Transform(start).insert(10, schema.text('mine '));
    const theirs = new Transform(start).delete(7, 15);
    const { transform, astray } = rebase(theirs.doc, mine.steps, theirs.steps);
    expect(transform.doc.toString()).toBe('doc(paragraph("first"))');
    expect(astray).toEqual(['mine']);
  });

  test('a change of one that is taken back leaves the other’s words, whatever both did', () => {
    const start = docOf(
      paragraph('the lamp is low and the wick is long'),
      paragraph('a second line of plain words'),
    );
    fc.assert(
      fc.property(acts, acts, (change, since) => {
        const first = play(start, change);
        const later = play(first.transform.doc, since);
        const { transform } = takeBack(later.transform.doc, done(first.transform), later.transform.steps);
        transform.doc.check();
        for (const word of later.words) expect(transform.doc.textContent).toContain(word);
      }),
      { numRuns: 300 },
    );
  });
});

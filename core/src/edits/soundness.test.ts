import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Slice, type Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { auditBook } from '../audit/index.js';
import { faultInChapter, linksOf, sectionsOf, spotsOf, type ReadBook } from '../manuscript/index.js';
import { NO_SURROUNDINGS } from '../shelf/index.js';
import {
  bookmarked,
  bookOf,
  contents,
  counter,
  figure,
  heading,
  linked,
  note,
  noteMark,
  paragraph,
  place,
  reference,
  table,
} from '../testing/books.js';
import { copyInto, keepIdsUnique, moveSection } from './index.js';

/** A book in which everything that can lead inside leads somewhere. */
const start = bookOf(
  [
    heading(1, 'Tides', 't1'),
    paragraph('See ', reference('h2', 'number', 'r1'), ' and ', linked('the wick', place('wick'), 'k1')),
    contents({ back: true }, 'toc'),
    heading(2, 'Springs', 's1'),
    paragraph('A tide', note('n1', ['See ', linked('lamps', place('t2'), 'k2')], 'Twice.'), ' turns.'),
    heading(2, 'Neaps', 's2'),
    paragraph('Once more', noteMark('n1', 'm1'), ', ', bookmarked('low water', 'low', 'Low')),
    figure('f1', 'The Sound'),
  ],
  [
    heading(1, 'Lamps', 't2'),
    paragraph(
      'Trim ',
      bookmarked('the wick', 'wick', 'Wick'),
      ' at ',
      linked('low water', place('low'), 'k3'),
    ),
    heading(2, 'Oil', 'h2'),
    paragraph('Whale, colza', note('n2', 'Then paraffin.'), '.'),
    heading(3, 'Price', 'h3'),
    table('tab', 'Prices', 'See ', reference('f1', 'words', 'r2')),
  ],
  [heading(1, 'Answers', 't3'), heading(2, 'Why?', 'q1'), paragraph(reference('q1', 'words', 'r3'), ' so.')],
);

type Docs = Map<string, Node>;
interface Act {
  kind: 'section' | 'chapter' | 'copy' | 'cut' | 'delete' | 'split' | 'undo';
  a: number;
  b: number;
  c: number;
}

/** A book that is edited at random, with its undo. */
class Edited {
  docs: Docs = new Map(start.chapters.map(({ id, doc }) => [id, doc]));
  order = start.chapters.map(({ id }) => id);
  /** What each change did, and what the book was before it. */
  readonly done: { transforms: Map<string, Transform>; order: string[]; before: Docs }[] = [];
  readonly mint = counter('new');

  book(): ReadBook {
    const chapters = this.order.map((id) => {
      const chapter = start.chapters.find((one) => one.id === id);
      return { ...chapter!, doc: this.docs.get(id)! };
    });
    return { ...start, chapters };
  }

  ids(): string[] {
    return [...this.docs.values()].flatMap(idsIn);
  }

  #change(transforms: Map<string, Transform>, order = this.order): void {
    for (const transform of transforms.values()) keepIdsUnique(transform, this.mint);
    this.done.push({ transforms, order: this.order, before: this.docs });
    this.docs = new Map([...this.docs].map(([id, doc]) => [id, transforms.get(id)?.doc ?? doc]));
    this.order = order;
  }

  act({ kind, a, b, c }: Act): void {
    const chapter = pick(this.order, a);
    const other = pick(this.order, b);
    const doc = this.docs.get(chapter)!;
    const [from, to] = [b, c].map((share) => Math.floor(share * doc.content.size)).sort((x, y) => x - y);
    if (kind === 'undo') return this.undo();
    if (kind === 'chapter') {
      const order = this.order.filter((id) => id !== chapter);
      order.splice(Math.floor(b * (order.length + 1)), 0, chapter);
      return this.#change(new Map(), order);
    }
    if (kind === 'section') {
      const section = pick(sectionsOf(doc), b)?.id;
      const before = c < 0.2 ? null : (pick(sectionsOf(this.docs.get(other)!), c)?.id ?? null);
      if (!section) return;
      const moved = moveSection(this.docs, { from: { chapter, section }, to: { chapter: other, before } });
      if (!('refused' in moved)) this.#change(moved);
      return;
    }
    if (kind === 'split') {
      const transform = new Transform(doc);
      const $from = doc.resolve(from!);
      if ($from.parent.isTextblock && $from.depth === 1) transform.split(from!);
      return this.#change(new Map([[chapter, transform]]));
    }
    if (kind === 'delete')
      return this.#change(new Map([[chapter, new Transform(doc).deleteRange(from!, to!)]]));
    // What is cut is gone when it is put in again; what is copied is still there.
    const slice = doc.slice(from!, to);
    if (kind === 'cut') this.#change(new Map([[chapter, new Transform(doc).deleteRange(from!, to!)]]));
    const taken = new Set(this.ids());
    const piece = copyInto(slice.content, (id) => taken.has(id), this.mint);
    const target = this.docs.get(other)!;
    const at = Math.floor(c * target.content.size);
    const pasted = new Transform(target).replaceRange(
      at,
      at,
      new Slice(piece, slice.openStart, slice.openEnd),
    );
    this.#change(new Map([[other, pasted]]));
  }

  /** Takes the last change back step by step, as an editor does. */
  undo(): void {
    const last = this.done.pop();
    if (!last) return;
    const docs = new Map(this.docs);
    for (const [id, transform] of last.transforms) {
      const back = new Transform(docs.get(id)!);
      for (let index = transform.steps.length - 1; index >= 0; index--)
        back.step(transform.steps[index]!.invert(transform.docs[index]!));
      docs.set(id, back.doc);
    }
    for (const [id, doc] of last.before) expect(docs.get(id)?.eq(doc)).toBe(true);
    this.docs = docs;
    this.order = last.order;
  }
}

const pick = <Item>(list: readonly Item[], share: number): Item =>
  list[Math.min(list.length - 1, Math.floor(share * list.length))]!;

/** Every id of a text, those of bookmarks and links once for all the words that they are on. */
function idsIn(doc: Node): string[] {
  const ids: string[] = [];
  doc.descendants((node, _at, parent, index) => {
    if (node.attrs.id) ids.push(node.attrs.id as string);
    const before = parent && index > 0 ? parent.child(index - 1) : null;
    for (const mark of node.marks)
      if (mark.attrs.id && !before?.marks.some((one) => one.attrs.id === mark.attrs.id))
        ids.push(mark.attrs.id as string);
  });
  return ids;
}

function expectSound(edited: Edited): void {
  const ids = edited.ids();
  expect(ids.length).toBe(new Set(ids).size);
  for (const doc of edited.docs.values()) expect(faultInChapter(doc.toJSON())).toBeNull();
  const book = edited.book();
  const { map, findings, inside } = auditBook(book, NO_SURROUNDINGS);
  for (const link of linksOf(book)) {
    const resolves = link.destination.kind !== 'place' || map.places.has(link.destination.place);
    const reported = findings.get(link.id)?.some(({ rule }) => rule === 'place-gone') ?? false;
    expect(reported).toBe(!resolves);
  }
  for (const { id, doc } of book.chapters)
    for (const { node } of spotsOf(doc, id).marks) {
      const reported = inside.some(
        ({ rule, subject }) => rule === 'mark-without-note' && subject.id === node.attrs.id,
      );
      expect(reported).toBe(!map.byId.has(node.attrs.to as string));
    }
}

const share = fc.double({ min: 0, max: 0.999, noNaN: true });
const acts = fc.array(
  fc.record<Act>({
    kind: fc.constantFrom('section', 'chapter', 'copy', 'cut', 'delete', 'split', 'undo'),
    a: share,
    b: share,
    c: share,
  }),
  { minLength: 1, maxLength: 7 },
);

describe('whatever is moved, copied, cut, deleted and undone', () => {
  test('ids stay unique, every reference resolves or is reported, and undo restores exactly', () => {
    fc.assert(
      fc.property(acts, (list) => {
        const edited = new Edited();
        for (const act of list) {
          edited.act(act);
          expectSound(edited);
        }
        while (edited.done.length > 0) edited.undo();
        for (const { id, doc } of start.chapters) expect(edited.docs.get(id)?.eq(doc)).toBe(true);
        expect(edited.order).toEqual(start.chapters.map(({ id }) => id));
      }),
      { numRuns: 1000 },
    );
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { Transform } from 'prosemirror-transform';
import { idFromWords, isId, linksOf, mapOf, schema, sectionsOf } from '../manuscript/index.js';
import {
  bookmarked,
  bookOf,
  counter,
  heading,
  linked,
  note,
  paragraph,
  place,
  reference,
} from '../testing/books.js';
import {
  addBookmark,
  bookmarksIn,
  copyInto,
  keepIdsUnique,
  moveSection,
  moveWithin,
  removeBookmark,
  renameBookmark,
  withPlaceIds,
} from './index.js';

const doc = (...blocks: Parameters<typeof schema.node>[2][]) => schema.node('doc', null, blocks as never);

describe('the id of a bookmark', () => {
  const { document } = new JSDOM().window;
  /** A reference: what the DOM takes as a qualified name without a prefix is an NCName (Namespaces in XML 1.0, 7). */
  const isNCName = (name: string) => {
    try {
      return document.createElementNS(null, name) !== null && !name.includes(':');
    } catch {
      return false;
    }
  };

  test.each([
    ['Keeping the wick', 'keeping-the-wick'],
    ['灯台', '灯台'],
    ['  Ebbe & Flut!  ', 'ebbe-flut'],
    ['3.2 Springs', 'b-3-2-springs'],
    ['?!', 'bookmark'],
    ['ª²µ', 'bookmark'],
    ['Wörter, viele', 'wörter-viele'],
  ])('of %j is %j', (words, id) => expect(idFromWords(words, () => false)).toBe(id));

  test('is an NCName whatever the name, and free', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 80 }), (words) => {
        const first = idFromWords(words, () => false);
        const second = idFromWords(words, (id) => id === first);
        for (const id of [first, second]) expect([id, isId(id), isNCName(id)]).toEqual([id, true, true]);
        expect(second).not.toBe(first);
      }),
    );
  });

  test('is told from what is none as the DOM tells it', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 6 }), (words) =>
        expect([words, isId(words)]).toEqual([words, isNCName(words)]),
      ),
    );
  });

  test('stays when the name changes', () => {
    const transform = new Transform(doc(paragraph('Trim the wick first')));
    const id = addBookmark(transform, { from: 6, to: 14, name: 'The Wick' }, () => false);
    renameBookmark(transform, id, 'Trimming');
    expect(bookmarksIn(transform.doc)).toEqual([{ id: 'the-wick', name: 'Trimming', from: 6, to: 14 }]);
    removeBookmark(transform, id);
    expect(bookmarksIn(transform.doc)).toEqual([]);
  });
});

describe('ids', () => {
  test('are given to everything that can always be led to, the same at every reading', () => {
    const text = doc(heading(1, 'Tides'), heading(2, 'Springs', 'own'), heading(2, 'Neaps'));
    const ids = sectionsOf(withPlaceIds(text, 'c1')).map(({ id }) => id);
    expect(ids).toEqual(['c1-h0', 'own', 'c1-h2']);
    expect(mapOf(bookOf([...text.children])).places.has('c1-h2')).toBe(true);
  });

  test('that are there twice: the first stays, and a bookmark ends with its paragraph', () => {
    const transform = new Transform(
      doc(
        heading(1, 'Tides', 'x'),
        heading(2, 'Springs', 'x'),
        paragraph(bookmarked('low', 'low')),
        paragraph(bookmarked('water', 'low'), linked('a', 'https://a.example/', 'k'), ' ', note('n', '1')),
        paragraph(linked('b', 'https://a.example/', 'k'), note('n', '2')),
      ),
    );
    keepIdsUnique(transform, counter('new'));
    const [, second] = sectionsOf(transform.doc);
    expect(second!.id).toBe('new1');
    expect(bookmarksIn(transform.doc)).toEqual([expect.objectContaining({ id: 'low', to: 20 })]);
    expect(linksOf(bookOf([...transform.doc.children])).map(({ id }) => id)).toEqual(['k', 'new2']);
  });

  test('a link lets go of a note that stands in it', () => {
    const mark = schema.marks.link.create({
      id: 'k',
      destination: { kind: 'web', href: 'https://a.example/' },
    });
    const transform = new Transform(doc(paragraph('a', note('n', 'x'), 'b')));
    const end = transform.doc.content.size - 1;
    transform
      .addMark(1, 2, mark)
      .addMark(end - 1, end, mark)
      .addNodeMark(2, mark);
    keepIdsUnique(transform, counter('new'));
    const links = linksOf(bookOf([...transform.doc.children]));
    expect(links.map(({ id, text }) => [id, text])).toEqual([
      ['k', 'a'],
      ['new1', 'b'],
    ]);
  });
});

describe('a copy', () => {
  const piece = doc(
    heading(2, 'Springs', 's'),
    paragraph(
      linked('within', place('s'), 'k1'),
      ' ',
      linked('out', place('away'), 'k2'),
      ' ',
      reference('low', 'words', 'r'),
    ),
    paragraph(bookmarked('low', 'low', 'Low'), bookmarked('idle', 'idle', 'Idle')),
  ).content;
  const copied = (isTaken: (id: string) => boolean) => {
    const blocks = copyInto(piece, isTaken, counter('new')).content;
    return mapOf(bookOf([...blocks])) && { blocks, links: linksOf(bookOf([...blocks])) };
  };

  test('has ids of its own; links within it lead within it, others where they led', () => {
    const { blocks, links } = copied(() => true);
    expect(links.map(({ href }) => href)).toEqual([
      `#${blocks[0]!.attrs.id}`,
      '#away',
      expect.stringMatching(/^#new/),
    ]);
    expect(bookmarksIn(doc(...blocks)).map(({ name }) => name)).toEqual(['Low']);
    expect(links[2]!.href).toBe(`#${bookmarksIn(doc(...blocks))[0]!.id}`);
  });

  test('of what is gone from the book keeps its ids: it was moved', () => {
    const { links, blocks } = copied(() => false);
    expect(links.map(({ id, href }) => `${id} ${href}`)).toEqual(['k1 #s', 'k2 #away', 'r #low']);
    expect(bookmarksIn(doc(...blocks)).map(({ id }) => id)).toEqual(['low', 'idle']);
  });
});

describe('a section', () => {
  const text = () =>
    doc(
      heading(1, 'T', 't'),
      heading(2, 'A', 'a'),
      paragraph('1'),
      heading(3, 'B', 'b'),
      heading(2, 'C', 'c'),
    );
  const order = (node: ReturnType<typeof text>) =>
    sectionsOf(node)
      .map(({ id }) => id)
      .join('');

  test.each([
    ['a', 'c', 'tabc'],
    ['a', null, 'tcab'],
    ['c', 'a', 'tcab'],
    ['b', null, 'tacb'],
  ])('%s moved before %s gives %s, with what is under it', (section, before, expected) => {
    const transform = new Transform(text());
    expect(moveWithin(transform, section, before)).toBeNull();
    expect(order(transform.doc)).toBe(expected);
    expect(transform.doc.textContent).toHaveLength(5);
  });

  test('can’t go into itself', () => {
    expect(moveWithin(new Transform(text()), 'a', 'b')).toMatch(/into itself/);
    expect(moveWithin(new Transform(text()), 'gone', null)).toMatch(/no such section/);
  });

  test('goes to another chapter; a chapter that is left empty keeps a paragraph', () => {
    const docs = new Map([
      ['c1', doc(heading(1, 'All', 'all'), paragraph('of it'))],
      ['c2', text()],
    ]);
    const moved = moveSection(docs, {
      from: { chapter: 'c1', section: 'all' },
      to: { chapter: 'c2', before: 'c' },
    });
    if ('refused' in moved) throw new Error(moved.refused);
    expect(moved.get('c1')?.doc.toString()).toBe('doc(paragraph)');
    expect(sectionsOf(moved.get('c2')!.doc).map(({ id }) => id)).toEqual(['t', 'a', 'b', 'all', 'c']);
  });
});

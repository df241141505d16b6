import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import { Transform } from 'prosemirror-transform';
import { idFromWords, isId, linksOf, mapOf, schema, sectionsOf, type ReadBook } from '../manuscript/index.js';
import {
  bookmarked,
  bookOf,
  counter,
  heading,
  linked,
  note,
  paragraph,
  reference,
} from '../testing/books.js';
import {
  addBookmark,
  bookmarksIn,
  copyInto,
  handMadeNotes,
  keepIdsUnique,
  makeNotes,
  moveSection,
  moveWithin,
  remarksWithoutMark,
  removeBookmark,
  renameBookmark,
  withPlaceIds,
} from './index.js';

const place = (id: string) => ({ kind: 'place' as const, place: id });
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
    expect(second.id).toBe('new1');
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
      `#${blocks[0].attrs.id}`,
      '#away',
      expect.stringMatching(/^#new/),
    ]);
    expect(bookmarksIn(doc(...blocks)).map(({ name }) => name)).toEqual(['Low']);
    expect(links[2].href).toBe(`#${bookmarksIn(doc(...blocks))[0].id}`);
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

describe('notes made by hand', () => {
  const item = (id: string, ...content: Parameters<typeof paragraph>) =>
    schema.node('list_item', { id }, [paragraph(...content)]);
  const anchor = (id: string) => schema.node('anchor', { id });
  const list = (...items: ReturnType<typeof item>[]) => schema.node('ordered_list', null, items);
  const book = bookOf(
    [
      heading(1, 'Tides', 'tides'),
      paragraph(
        'The moon',
        anchor('back1'),
        linked('1', place('f1'), 'k1'),
        ' pulls',
        linked('[2]', place('f2'), 'k2'),
        '.',
      ),
      paragraph('Twice', linked('1', place('f1'), 'k3'), ' a ', linked('day', place('f2'), 'k4'), '.'),
      heading(2, 'Notes', 'notes'),
      list(
        item('f1', 'So it is said ', linked('↩', place('back1'), 'b1')),
        item('f2', 'See ', linked('tables', 'https://a.example/', 'w'), '.'),
        item('f3', 'Nobody asks.'),
      ),
    ],
    [paragraph('Sign', linked('*', place('f9'), 'k9')), paragraph(anchor('f9'), '* By the sea.')],
  );

  test('are told by what leads to them, and whether they lead back', () => {
    expect(handMadeNotes(book).map(({ mark, backs }) => [mark.id, backs.length])).toEqual([
      ['k1', 1],
      ['k2', 0],
      ['k3', 0],
      ['k9', 0],
    ]);
    expect(remarksWithoutMark(book, handMadeNotes(book)).map(({ words }) => words)).toEqual(['Nobody asks.']);
  });

  test('become real notes, with further marks, without their numbers and ways back; the rest stays', () => {
    const made = makeNotes(book, handMadeNotes(book));
    const after: ReadBook = {
      ...book,
      chapters: book.chapters.map((chapter) => ({
        ...chapter,
        doc: made.chapters.find(({ id }) => id === chapter.id)?.doc ?? chapter.doc,
      })),
    };
    const { notes } = mapOf(after);
    expect(notes.map(({ id, number, node, marks }) => [id, number, node.textContent, marks.length])).toEqual([
      ['f1', '1', 'So it is said', 2],
      ['f2', '2', 'See tables.', 1],
      ['f9', '1', 'By the sea.', 1],
    ]);
    const [first, second] = after.chapters.map(({ doc: text }) =>
      text.textBetween(0, text.content.size, '|'),
    );
    expect(first).toBe('Tides|The moon|So it is said pulls|See tables..|Twice a day.|Notes|Nobody asks.');
    expect(second).toBe('Sign|By the sea.');
    expect(linksOf(after).map(({ id }) => id)).toEqual(['w', 'k4']);
  });

  test('lose only what repeats their mark: a word of one letter and a number in a sentence stay', () => {
    const words = (mark: string, remark: string) => {
      const one = bookOf([
        paragraph('The moon', anchor('m'), linked(mark, place('f1'), 'k1')),
        paragraph(anchor('f1'), remark, linked('Back', place('m'), 'b1')),
      ]);
      const [{ doc }] = makeNotes(one, handMadeNotes(one)).chapters;
      expect(doc.toString()).not.toContain('anchor');
      return doc.firstChild?.lastChild?.textContent;
    };
    expect(words('b', 'B flat, it is said.')).toBe('B flat, it is said.');
    expect(words('b', 'b) Flat, it is said.')).toBe('Flat, it is said.');
    expect(words('3', '1889 was a dry year.')).toBe('1889 was a dry year.');
    expect(words('3', '[3] 1889 was dry.')).toBe('1889 was dry.');
    expect(words('†', '†By the sea.')).toBe('By the sea.');
  });

  test('go with their list, its heading and their chapter when nothing is left of these', () => {
    const apart = bookOf(
      [paragraph('The moon', linked('1', place('f1'), 'k1'))],
      [heading(1, 'Notes', 'notes'), list(item('f1', 'So it is said.'))],
    );
    expect(makeNotes(apart, handMadeNotes(apart))).toMatchObject({ emptied: ['c2'], changed: 1 });
  });
});

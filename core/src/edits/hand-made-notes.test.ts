import { describe, expect, test } from '@jest/globals';
import { linksOf, mapOf, schema, type ReadBook } from '../manuscript/index.js';
import { bookOf, heading, linked, paragraph, place } from '../testing/books.js';
import { handMadeNotes, makeNotes, remarksWithoutMark } from './index.js';

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
      const { doc } = makeNotes(one, handMadeNotes(one)).chapters[0]!;
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

  test('leave a heading in which there is a note, and the one above that which reads “Notes”', () => {
    const one = bookOf([
      heading(1, 'Tides', 'tides'),
      schema.node('heading', { level: 1, id: 'moon' }, [schema.text('Moon'), linked('1', place('f1'), 'k1')]),
      heading(2, 'Notes', 'notes'),
      list(item('f1', 'So it is said.')),
    ]);
    const { doc } = makeNotes(one, handMadeNotes(one)).chapters[0]!;
    expect(doc.textBetween(0, doc.content.size, '|')).toBe('Tides|Moon|So it is said.');
    const two = bookOf([
      paragraph('The moon', linked('1', place('f1'), 'k1')),
      heading(1, 'Sea', 'sea'),
      heading(2, 'Notes', 'notes'),
      list(item('f1', 'So it is said.')),
    ]);
    const { doc: kept } = makeNotes(two, handMadeNotes(two)).chapters[0]!;
    expect(kept.lastChild?.textContent).toBe('Sea');
  });

  test('have the paragraph after their sign where that stands alone; a rule above them goes too', () => {
    const one = bookOf([
      paragraph('The moon', linked('1', place('f1'), 'k1'), linked('2', place('f2'), 'k2')),
      schema.node('rule'),
      schema.node('paragraph', { id: 'f1' }, [schema.text('[1]')]),
      paragraph('So it is said.'),
      schema.node('paragraph', { id: 'f2' }, [schema.text('[2]')]),
      paragraph('Twice a day.'),
    ]);
    const { doc } = makeNotes(one, handMadeNotes(one)).chapters[0]!;
    expect(doc.toString()).toBe(
      'doc(paragraph("The moon", note(note_paragraph("So it is said.")), note(note_paragraph("Twice a day."))))',
    );
  });

  test('take the place of a mark from what bore it, so that ways to it still lead there', () => {
    const one = bookOf([
      schema.node(
        'paragraph',
        { id: 'f1.mark' },
        paragraph(linked('1', place('f1'), 'k1'), ' pulls').content,
      ),
      paragraph('See ', linked('that mark', place('f1.mark'), 'k2')),
      paragraph(anchor('f1'), '1 The moon.'),
    ]);
    const { doc } = makeNotes(one, handMadeNotes(one)).chapters[0]!;
    expect(doc.firstChild?.attrs.id).toBeNull();
    const after = { ...one, chapters: [{ ...one.chapters[0]!, doc }] };
    expect(mapOf(after).places.get('f1.mark')).toMatchObject({ kind: 'mark' });
  });

  test('belong to the chapter of their remark when a mark stands there; declared marks may come after it', () => {
    const apart = bookOf(
      [paragraph('The moon', linked('1', place('f1'), 'k1'))],
      [paragraph('Again', linked('1', place('f1'), 'k2')), paragraph(anchor('f1'), '1 So it is said.')],
      [paragraph('And again', linked('1', place('f1'), 'k3'))],
    );
    const declared = { marks: new Set(['k1', 'k2', 'k3']), backs: new Set<string>() };
    const made = makeNotes(apart, handMadeNotes(apart, undefined, declared));
    expect(made.chapters.map(({ doc }) => doc.firstChild?.lastChild?.type.name)).toEqual([
      'note_mark',
      'note',
      'note_mark',
    ]);
  });

  test('take the brackets around their mark and their way back with them', () => {
    const one = bookOf([
      paragraph(
        'The moon [',
        anchor('r1'),
        linked('1', place('f1'), 'k1'),
        '] pulls (',
        anchor('r2'),
        linked('2', place('f2'), 'k2'),
        ').',
      ),
      paragraph(anchor('f1'), '[', linked('1', place('r1'), 'b1'), '] So it is said.'),
      paragraph(anchor('f2'), 'Twice a day. (', linked('back', place('r2'), 'b2'), ')'),
    ]);
    const { doc } = makeNotes(one, handMadeNotes(one)).chapters[0]!;
    expect(doc.textContent).not.toMatch(/[[\]()]/);
    expect(doc.textContent).toContain('Twice a day.');
  });
});

import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Transform } from 'prosemirror-transform';
import type { Node } from 'prosemirror-model';
import { linksOfChapter, schema } from '../manuscript/index.js';
import { bookOf, counter, linked, paragraph, web } from '../testing/books.js';
import { applyInsideRepair, applyRepair, repairBook, trimmedEnds, type Repair } from './index.js';

const { marks } = schema;
const OLD = 'https://lamp.example/old';
const NEW = web('https://lamp.example/new');

function repaired(block: Node, repair: Repair, index = 0): Node {
  const transform = new Transform(schema.node('doc', null, [block]));
  applyRepair(transform, linksOfChapter(transform.doc, 'c')[index]!, repair);
  transform.doc.check();
  return transform.doc;
}

const linksIn = (doc: Node) => linksOfChapter(doc, 'c').map(({ text, href }) => [text, href]);

describe('repairs of one link', () => {
  test('a new destination leaves the words, and their emphasis', () => {
    const link = marks.link.create({ id: 'one', destination: web(OLD) });
    const doc = repaired(
      paragraph(schema.text('the ', [link]), schema.text('tides', [link, marks.emphasis.create()])),
      { type: 'destination', destination: NEW },
    );
    expect(linksIn(doc)).toEqual([['the tides', NEW.kind === 'web' && NEW.href]]);
    expect(doc.firstChild?.child(1).marks.map(({ type }) => type.name)).toEqual(['link', 'emphasis']);
  });

  test('new words replace only what differs', () => {
    const link = marks.link.create({ id: 'one', destination: web(OLD) });
    const block = paragraph(
      'x ',
      schema.text('old ', [link]),
      schema.text('tide', [link, marks.strong.create()]),
      schema.text(' table', [link]),
      ' y',
    );
    const doc = repaired(block, { type: 'text', text: 'new tide table' });
    expect(doc.textContent).toBe('x new tide table y');
    expect(linksIn(doc)).toEqual([['new tide table', OLD]]);
    expect(doc.firstChild?.children.find((node) => marks.strong.isInSet(node.marks))?.text).toBe('tide');
  });

  test('trimming gives the ends back to the text', () => {
    const doc = repaired(paragraph('Read', linked(' the tides. ', OLD), 'Go.'), { type: 'trim' });
    expect(linksIn(doc)).toEqual([['the tides', OLD]]);
    expect(doc.textContent).toBe('Read the tides. Go.');
  });

  test('removing keeps the words; an address among them is marked so that it stays words', () => {
    const doc = repaired(paragraph('See ', linked(OLD, OLD), '.'), { type: 'unlink' });
    expect(linksIn(doc)).toEqual([]);
    expect(doc.firstChild?.child(1).marks.map(({ type }) => type.name)).toEqual(['unlinked']);
    const plain = repaired(paragraph(linked('tides', OLD)), { type: 'unlink' });
    expect(plain.firstChild?.child(0).marks).toEqual([]);
  });

  test('a link without words gets words, or goes without a trace', () => {
    const bare = schema.node('anchor', null, undefined, [
      marks.link.create({ id: 'n', destination: web(OLD) }),
    ]);
    expect(linksIn(repaired(paragraph('a ', bare, ' b'), { type: 'text', text: 'tides' }))).toEqual([
      ['tides', OLD],
    ]);
    expect(repaired(paragraph('a ', bare, ' b'), { type: 'unlink' }).firstChild?.toString()).toBe(
      'paragraph("a  b")',
    );
  });

  test('a figure’s link is repaired on the figure', () => {
    const figure = schema.node('figure', {
      enclosure: 'e',
      alt: '',
      link: { id: 'f', destination: web(OLD), hoverNote: '' },
    });
    expect(linksIn(repaired(figure, { type: 'destination', destination: NEW }))).toEqual([
      ['', 'https://lamp.example/new'],
    ]);
    expect(linksIn(repaired(figure, { type: 'text', text: 'A chart' }))).toEqual([['A chart', OLD]]);
    expect(linksIn(repaired(figure, { type: 'unlink' }))).toEqual([]);
  });

  test('a hover note is set without touching the rest', () => {
    const doc = repaired(paragraph(linked('tides', OLD)), { type: 'hover-note', hoverNote: 'for May' });
    expect(linksOfChapter(doc, 'c')[0]).toMatchObject({ text: 'tides', href: OLD, hoverNote: 'for May' });
  });

  test('any words can be put, and the words around stay', () => {
    const words = fc.string({ minLength: 1, maxLength: 12 }).filter((text) => text.trim() !== '');
    fc.assert(
      fc.property(words, words, (before, after) => {
        const doc = repaired(paragraph('<', linked(before, OLD), '>'), { type: 'text', text: after });
        expect(doc.textContent).toBe(`<${after}>`);
        expect(linksIn(doc)).toEqual([[after, OLD]]);
      }),
    );
  });
});

describe('repairs over a book', () => {
  const book = bookOf(
    [
      paragraph(
        linked('one', OLD),
        ' and ',
        linked('two', OLD),
        ' and ',
        linked('other', 'https://else.example/'),
      ),
    ],
    [paragraph('no link')],
    [paragraph(linked('three', OLD))],
  );

  test('change every use and only the chapters that have one', () => {
    const { chapters, changed } = repairBook(book, (link) =>
      link.href === OLD ? { type: 'destination', destination: NEW } : null,
    );
    expect(changed).toBe(3);
    expect(chapters.map(({ id }) => id)).toEqual(['c1', 'c3']);
    expect(linksIn(chapters[0]!.doc)).toEqual([
      ['one', 'https://lamp.example/new'],
      ['two', 'https://lamp.example/new'],
      ['other', 'https://else.example/'],
    ]);
  });

  test('hold when each changes the length of the text', () => {
    const { chapters } = repairBook(book, (link) =>
      link.href === OLD ? { type: 'text', text: `a much longer ${link.text}` } : null,
    );
    expect(chapters[0]!.doc.textContent).toBe('a much longer one and a much longer two and other');
  });

  test('count nothing where nothing changes', () => {
    expect(repairBook(book, () => ({ type: 'trim' }))).toEqual({ chapters: [], changed: 0 });
  });
});

describe('the ends of words', () => {
  test.each([
    [' tides ', 'tides'],
    ['“tides”', '“tides”'],
    ['tides”', 'tides'],
    ['(see tides)', '(see tides)'],
    ['tides).', 'tides'],
    ['Lamps Ltd.', 'Lamps Ltd.'],
    ['tides...', 'tides...'],
    ['. , ;', ''],
  ])('of %j are %j', (text, words) => {
    const { start, end } = trimmedEnds(text);
    expect(text.slice(start, end)).toBe(words);
  });

  test('are trimmed once and for all', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const { start, end } = trimmedEnds(text);
        const once = text.slice(start, end);
        expect(trimmedEnds(once)).toEqual({ start: 0, end: once.length });
      }),
    );
  });
});

describe('a repair of something that has an id', () => {
  const text = () =>
    schema.node('doc', null, [
      paragraph('Low', schema.node('note_mark', { id: 'm', to: 'gone' }), ' water'),
      paragraph(schema.node('return_link', { id: 'r', to: 'origin' })),
    ]);
  const after = (id: string, at: number) => {
    const transform = new Transform(text());
    applyInsideRepair(transform, { id, at }, { type: 'remove-node' }, counter());
    return transform.doc.toString();
  };

  test('takes it out, wherever it stands by now', () => {
    expect(after('m', 99)).toBe('doc(paragraph("Low water"), paragraph(return_link))');
    expect(after('r', 0)).toBe('doc(paragraph("Low", note_mark, " water"), paragraph)');
  });

  test('leaves what stands in its place now, once it is gone', () => {
    expect(after('away', 0)).toBe(text().toString());
    expect(after('away', 4)).toBe(text().toString());
  });
});

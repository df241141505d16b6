import { describe, expect, test } from '@jest/globals';
import { JSDOM } from 'jsdom';
import { DOMParser, DOMSerializer } from 'prosemirror-model';
import { expectAsExample } from '../testing/expected.js';
import { structured } from '../testing/books.js';
import { wholeBook } from '../testing/whole-book.js';
import {
  faultInChapter,
  formsFor,
  idsIn,
  linksOf,
  mapOf,
  NUMBERINGS,
  placesLedToBy,
  schema,
  sectionsOf,
  type ReadBook,
} from './index.js';

const { document } = new JSDOM('').window;

/** What a map says, as plain data. */
function plain(book: ReadBook) {
  const { places, notes, contents, astray, orders } = mapOf(book);
  return {
    places: [...places.values()],
    notes: notes.map(({ node, ...note }) => ({ ...note, remark: node.textContent })),
    contents: Object.fromEntries(contents),
    astray,
    orders: Object.fromEntries(orders),
  };
}

describe('the worked example, a book with everything in it', () => {
  const book = wholeBook();

  test('as the editor draws it, and the same when it is read back', () => {
    for (const { id, doc } of book.chapters) {
      const drawn = document.createElement('div');
      drawn.append(DOMSerializer.fromSchema(schema).serializeFragment(doc.content, { document }));
      expectAsExample(`editor/${id}.html`, drawn.innerHTML.replace(/(<\/(?:p|h\d|li|tr|div)>)/g, '$1\n'));
      const pasted = DOMParser.fromSchema(schema).parse(drawn, { preserveWhitespace: true });
      // A picture within a line does not come back from the clipboard: its file may be another book's.
      expect(withoutPictures(pasted.toJSON())).toEqual(withoutPictures(doc.toJSON()));
    }
  });

  test('its places, numbers, notes, lists and links, in each scheme of numbers', () => {
    for (const numbering of NUMBERINGS)
      expectAsExample(`map/${numbering}.json`, plain(structured(book, { numbering })));
    expectAsExample('map/links.json', linksOf(book));
    const docs = book.chapters.map(({ doc }) => doc);
    expectAsExample('map/ids.json', docs.map(idsIn));
    expectAsExample(
      'map/sections.json',
      docs.map((doc) => sectionsOf(doc)),
    );
    const led: string[][] = [];
    for (const doc of docs)
      doc.descendants((node) => {
        const places = placesLedToBy(node);
        if (places.length > 0) led.push([node.type.name, ...places]);
      });
    expectAsExample('map/led-to.json', led);
    const { places } = mapOf(book);
    expectAsExample(
      'map/forms.json',
      Object.fromEntries([...places.values()].map((place) => [place.id, formsFor(place)])),
    );
  });

  test('fits the schema, and says where it does not', () => {
    for (const { doc } of book.chapters) expect(faultInChapter(doc.toJSON())).toBeNull();
  });
});

interface Piece {
  type?: string;
  text?: string;
  marks?: unknown;
}

/** Words that touch once nothing stands between them are one piece. */
function joined(pieces: Piece[]): Piece[] {
  return pieces.reduce<Piece[]>((list, piece) => {
    const last = list.at(-1);
    const touches = last?.type === 'text' && piece.type === 'text';
    if (touches && JSON.stringify(last.marks) === JSON.stringify(piece.marks))
      return [...list.slice(0, -1), { ...last, text: `${last.text}${piece.text}` }];
    return [...list, piece];
  }, []);
}

function withoutPictures(json: unknown): unknown {
  return JSON.parse(JSON.stringify(json), (_key, value: unknown) =>
    Array.isArray(value)
      ? joined(value.filter((one) => (one as { type?: string }).type !== 'picture'))
      : value,
  );
}

import { phrases } from '../language/index.js';
import { attrsOf } from './attrs.js';
import type { ReadBook, Saying } from './book.js';
import { contentsOf, type ContentsList } from './contents.js';
import { notesOf, type Notes } from './note.js';
import { headingsByChapter, orderOf, placesOf, type Place } from './place.js';
import { sayingOf } from './reference.js';
import { spotsOf } from './spots.js';

/** What stands where in a book: everything by which it leads to places in itself. Computed from the text alone. */
export interface BookMap extends Notes {
  places: Map<string, Place>;
  /** Where each reference and return link stands in reading order, by its id. */
  orders: Map<string, number>;
  /** What each list of contents lists, by its id. */
  contents: Map<string, ContentsList>;
  /** The words of a reference, where no pages are known. */
  say: Saying;
}

type Mapped = Pick<ReadBook, 'chapters' | 'language' | 'structure'>;

export function mapOf(book: Mapped): BookMap {
  const places = placesOf(book);
  const headings = headingsByChapter(places);
  const orders = new Map<string, number>();
  const contents = new Map<string, ContentsList>();
  book.chapters.forEach(({ id, doc }, index) => {
    const spots = spotsOf(doc, id);
    for (const { node, at } of [...spots.references, ...spots.returns])
      orders.set(attrsOf.inside(node).id, orderOf(index, at));
    for (const { node } of spots.contents)
      contents.set(attrsOf.inside(node).id, contentsOf(node, id, book, places, headings));
  });
  const say = sayingOf(places, orders, { language: book.language, pageOf: null });
  const notes = notesOf(book);
  const { note } = phrases(book.language);
  for (const { id, number } of notes.notes) {
    const place = places.get(id);
    if (place?.kind === 'note') places.set(id, { ...place, number, label: `${note} ${number}` });
  }
  return { ...notes, places, orders, contents, say };
}

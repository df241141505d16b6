import type { Node } from 'prosemirror-model';
import { wordsOf, type ReadBook } from './book.js';

export type PlaceKind = 'chapter' | 'heading' | 'figure' | 'bookmark' | 'spot';

/** A spot in the book that a link can lead to. */
export interface Place {
  id: string;
  kind: PlaceKind;
  /** Words that tell which spot it is: the heading, the bookmark's name, or how the text there begins. */
  words: string;
  chapter: string;
}

const WORDS = 60;

/** Every place of a book by its id. A chapter's id is the place at its top. */
export function placesOf(book: Pick<ReadBook, 'chapters'>): Map<string, Place> {
  const places = new Map<string, Place>();
  const add = (place: Place) => {
    if (!places.has(place.id)) places.set(place.id, place);
  };
  for (const chapter of book.chapters) {
    add({ id: chapter.id, kind: 'chapter', words: chapter.title, chapter: chapter.id });
    chapter.doc.descendants((node, _position, parent) => {
      const id = node.attrs.id as string | null | undefined;
      if (id && node.type.name === 'anchor')
        add({ id, kind: 'spot', words: begin(parent), chapter: chapter.id });
      else if (id) add({ id, kind: kindOf(node), words: begin(node), chapter: chapter.id });
      for (const mark of node.marks)
        if (mark.type.name === 'bookmark')
          add({
            id: mark.attrs.id as string,
            kind: 'bookmark',
            words: (mark.attrs.name as string) || (node.text ?? '').slice(0, WORDS),
            chapter: chapter.id,
          });
      return true;
    });
  }
  return places;
}

function kindOf(node: Node): PlaceKind {
  const name = node.type.name;
  return name === 'heading' || name === 'figure' ? name : 'spot';
}

function begin(node: Node | null): string {
  if (!node) return '';
  const words = node.type.name === 'figure' ? wordsOf(node) || (node.attrs.alt as string) : wordsOf(node);
  return words.length > WORDS ? `${words.slice(0, WORDS).trimEnd()}…` : words;
}

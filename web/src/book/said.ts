import {
  attrsOf,
  orderOf,
  referenceWords,
  returnsOf,
  type Link,
  type ReferenceAsk,
  type ReferenceSurroundings,
} from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { useBook, type BookStore } from './store.js';

type Known = Pick<BookStore, 'book' | 'places' | 'orders' | 'pages'>;

/** What references read in the editor: pages as they were last set. */
function surroundings({ book, pages }: Known): ReferenceSurroundings {
  return { language: book?.language ?? 'en', pageOf: (place) => pages?.get(place) ?? '…' };
}

/** What a reference reads now; without words where its place is gone. */
export function saidBy(node: Node, known: Known = useBook.getState()): string {
  const reference = attrsOf.reference(node);
  const { id, place } = reference;
  return wordsAt(reference, place, known.orders.get(id) ?? 0, known);
}

/** What a reference of a form would read at a spot. */
export function wordsAt(
  ask: ReferenceAsk,
  place: string,
  order: number,
  known: Known = useBook.getState(),
): string {
  const at = known.places.get(place);
  return at ? referenceWords(ask, at, order, surroundings(known)) : '';
}

/** Where a position of a chapter comes in the reading order of the book. */
export function orderAt(chapter: string, at: number): number {
  const index = useBook.getState().book?.chapters.findIndex(({ id }) => id === chapter) ?? 0;
  return orderOf(Math.max(0, index), at);
}

/** A link that a reference is, with the words that it reads. */
export function withWords(link: Link, node: Node | null | undefined): Link {
  return link.carrier === 'reference' && node ? { ...link, text: saidBy(node) } : link;
}

/** What a return link says. Where it leads to all that led here, one line stands for them. */
export function returnWords(node: Node): string {
  const { book } = useBook.getState();
  const { own } = attrsOf.returnLink(node);
  const [first] = returnsOf(node, book?.language ?? 'en', [], () => '');
  return first?.words ?? (own || RETURN_WORDS.origin);
}

export const RETURN_WORDS = {
  top: 'To the top of the book',
  contents: 'To the contents',
  origin: 'To where readers came from',
} as const;

import { orderOf, type Place } from '@vennet/core/manuscript';
import { useBook } from './store.js';

/** A place that was just made is known from here on, and not only once the book was read anew. `at` is its position in its chapter. */
export function knowPlace(
  { number = '', ...place }: Pick<Place, 'id' | 'kind' | 'words' | 'chapter'> & Partial<Place>,
  at: number,
): void {
  const { book, places } = useBook.getState();
  const index = book?.chapters.findIndex(({ id }) => id === place.chapter) ?? -1;
  const made: Place = {
    text: place.words,
    number,
    label: number,
    level: null,
    section: place.chapter,
    unwritten: false,
    order: orderOf(Math.max(0, index), at),
    ...place,
  };
  useBook.setState({ places: new Map(places).set(place.id, made) });
}

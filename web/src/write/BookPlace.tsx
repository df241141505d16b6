import type { Destination } from '@vennet/core/destination';
import type { Place } from '@vennet/core/manuscript';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../store/book.js';

type ToBook = Extract<Destination, { kind: 'book' }>;

/** Where in another book a link leads: the whole of it, or one of its places. */
export function BookPlace({
  destination,
  change,
}: {
  destination: ToBook;
  change(destination: ToBook): void;
}) {
  const { book, place = '' } = destination;
  const [places, setPlaces] = useState<Place[]>([]);
  useEffect(() => {
    let gone = false;
    // Without its places the book can still be led to as a whole.
    api.places(book).then(
      (found) => !gone && setPlaces(found),
      () => {},
    );
    return () => {
      gone = true;
    };
  }, [book]);
  const pick = (id: string) => {
    remember(book, places);
    change(id === '' ? { kind: 'book', book } : { kind: 'book', book, place: id });
  };
  return (
    <label className="mt-2 block border-l-2 border-line pl-3">
      <span className="label">Where in it</span>
      <select className="field" value={place} onChange={(event) => pick(event.target.value)}>
        <option value="">The whole book</option>
        {places.map(({ id, words, kind }) => (
          <option key={id} value={id}>
            {kind === 'heading' ? `\u2003${words}` : words || 'A spot without words'}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The places of a book that is now led to are known to the audit from here on. */
function remember(id: string, places: Place[]): void {
  const { book, setDetails } = useBook.getState();
  if (!book) return;
  const pairs = places.map(({ id: place, words }): [string, string] => [place, words]);
  setDetails({ books: book.books.map((one) => (one.id === id ? { ...one, places: pairs } : one)) });
}

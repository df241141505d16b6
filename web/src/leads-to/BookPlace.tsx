import { pageAddress, recognise, type Destination } from '@vennet/core/destination';
import type { Place } from '@vennet/core/manuscript';
import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';
import { tellFault } from '../parts/notices.js';

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
  const other = useBook((store) => store.surroundings.books.get(book));
  const { data: places = [] } = useQuery(queries.places(book));
  const pick = (id: string) => {
    remember(book, places);
    change(id === '' ? { kind: 'book', book } : { kind: 'book', book, place: id });
  };
  return (
    <div className="mt-2 space-y-1.5 border-l-2 border-line pl-3">
      <label className="block">
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
      <label className="block">
        <span className="label">Where readers get it</span>
        <input
          className="field"
          key={other?.address}
          defaultValue={other?.address ?? ''}
          placeholder="A web address, once it is published"
          spellCheck={false}
          onBlur={(event) => void keepAddress(book, event.target.value)}
        />
      </label>
    </div>
  );
}

/** Says where another book is to be had: published links to it lead there from then on. */
async function keepAddress(id: string, typed: string): Promise<void> {
  const { book, surroundings, setDetails } = useBook.getState();
  const known = surroundings.books.get(id)?.address ?? '';
  if (!book || typed.trim() === known) return;
  const recognition = recognise(typed);
  const href = recognition.ok ? pageAddress(recognition.destination) : null;
  try {
    await api.changeBook(id, { address: typed.trim() });
    setDetails({ books: book.books.map((one) => (one.id === id ? { ...one, address: href } : one)) });
  } catch (error) {
    tellFault(error);
  }
}

/** The places of a book that is now led to are known to the audit from here on. */
function remember(id: string, places: Place[]): void {
  const { book, setDetails } = useBook.getState();
  if (!book) return;
  const pairs = places.map(({ id: place, words }): [string, string] => [place, words]);
  setDetails({ books: book.books.map((one) => (one.id === id ? { ...one, places: pairs } : one)) });
}

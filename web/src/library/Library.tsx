import type { BookSummary, LastCheck } from '@vennet/core/wire';
import { Undo2, Trash2 } from 'lucide-react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { Frame } from '../frame/Frame.js';
import { useVisited } from '../editor/going/visited.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { CarryOver } from './CarryOver.js';
import { BookSpot } from './BookSpot.js';
import { BringIn } from './BringIn.js';
import { StartBook } from './StartBook.js';
import { counted, message } from '@vennet/core/language';
import { HealthLine } from '../parts/HealthLine.js';
import { when } from '../parts/when.js';

/** All books, and the ways to a new one. */
export function Library() {
  const { data: books } = useQuery(queries.books());
  const client = useQueryClient();
  const load = () => client.invalidateQueries(queries.books());
  useEffect(() => {
    document.title = 'Library · Vennet';
    // Whoever comes here has left the way that a link began.
    useVisited.setState({ past: [], future: [] });
  }, []);
  const here = books?.filter((book) => !book.deletedAt) ?? [];
  const removed = books?.filter((book) => book.deletedAt) ?? [];
  const remove = useMutation({
    mutationFn: (book: BookSummary) => api.removeBook(book.id),
    onSuccess: (_, book) =>
      useNotices.getState().tell(`“${book.title}” was removed.`, {
        action: { label: 'Put it back', run: () => putBack.mutate(book) },
      }),
    onError: tellFault,
    onSettled: load,
  });
  const putBack = useMutation({
    mutationFn: (book: BookSummary) => api.putBookBack(book.id),
    onError: tellFault,
    onSettled: load,
  });
  return (
    <Frame>
      <main className="mx-auto w-full max-w-5xl grow overflow-auto px-6 py-10">
        <div className="mb-8 flex flex-wrap items-end justify-between gap-4">
          <h1 className="font-text text-4xl">Library</h1>
          <div className="flex gap-3">
            <StartBook />
            <BringIn done={() => void load()} />
          </div>
        </div>
        {books && here.length === 0 && (
          <p className="rounded-md border border-dashed border-strong-line p-8 text-center text-lg">
            There is no book here yet. Bring in an e-book or a web page that you have, or start a new one.
          </p>
        )}
        <ul aria-label="Books" className="divide-y divide-line border-y border-line">
          {here.map((book) => (
            <BookSpot key={book.id} book={book.id}>
              <div>
                <h2 className="font-text text-2xl">
                  <Link to={`/books/${book.id}/write`} className="no-underline hover:underline">
                    {book.title}
                  </Link>
                </h2>
                <p className="mt-0.5 text-soft">{[book.subtitle, book.author].filter(Boolean).join(' · ')}</p>
                <p className="mt-1.5 text-sm text-soft">
                  {[
                    ...(book.pages === null
                      ? [counted(book.chapters, 'chapter', 'chapters'), counted(book.words, 'word', 'words')]
                      : [counted(book.pages, 'page', 'pages')]),
                    counted(book.links, 'link', 'links'),
                  ].join(', ')}
                  {' · changed '}
                  <time dateTime={book.updatedAt}>{when(book.updatedAt, 'day')}</time>
                </p>
                {book.lastCheck && (
                  <>
                    <Checked book={book.id} check={book.lastCheck} />
                    <p className="mt-1">
                      <span className="sr-only">Its links: </span>
                      <HealthLine {...book.lastCheck} />
                    </p>
                  </>
                )}
              </div>
              <div className="flex items-center gap-2">
                <Link
                  to={`/books/${book.id}/write`}
                  className="button"
                  data-look="main"
                  aria-label={`Open ${book.title}`}
                >
                  Open
                </Link>
                <CarryOver book={book.id} title={book.title} />
                <button
                  type="button"
                  className="button"
                  data-look="quiet"
                  onClick={() => remove.mutate(book)}
                  aria-label={`Remove ${book.title}`}
                  title="Remove"
                >
                  <Trash2 size={16} aria-hidden="true" />
                </button>
              </div>
            </BookSpot>
          ))}
        </ul>
        {removed.length > 0 && (
          <details className="mt-8">
            <summary className="cursor-pointer text-soft">
              {counted(removed.length, 'removed book', 'removed books')}
            </summary>
            <ul className="mt-3 space-y-2">
              {removed.map((book) => (
                <li key={book.id} className="flex items-center gap-4">
                  <span className="font-text">{book.title}</span>
                  <button
                    type="button"
                    className="button"
                    data-size="small"
                    onClick={() => putBack.mutate(book)}
                  >
                    <Undo2 size={15} aria-hidden="true" /> Put back
                  </button>
                </li>
              ))}
            </ul>
          </details>
        )}
      </main>
    </Frame>
  );
}

/** How the last check of a book went, and what was otherwise than before. */
function Checked({ book, check }: { book: string; check: LastCheck }) {
  const { at, scheduled, broken, changes } = check;
  return (
    <p className="mt-1 text-sm text-soft">
      {scheduled ? 'Checked by the schedule ' : 'Checked '}
      <time dateTime={at}>{when(at, 'moment')}</time>
      {': '}
      <Link to={`/books/${book}/register`} className="text-ink underline">
        {message(
          '{broken, plural, =0 {none broken} other {# broken}}, {changes, plural, =0 {nothing changed} other {# changed}} since before',
          {
            broken,
            changes,
          },
        )}
      </Link>
    </p>
  );
}

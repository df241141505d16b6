import type { Manuscript } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { Circle, CircleCheck, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';

/** How many words are a beginning. */
const BEGUN = 20;
const keyOf = (book: string) => `vennet.first-steps:${book}`;

/** The way of a new book in four steps; it goes when they are done, or when it is put away. */
export function FirstSteps({ book }: { book: Manuscript }) {
  const [isAway, putAway] = useState(() => localStorage.getItem(keyOf(book.id)) !== null);
  return isAway || book.report !== null ? null : (
    <Steps
      book={book.id}
      away={() => {
        localStorage.setItem(keyOf(book.id), 'away');
        putAway(true);
      }}
    />
  );
}

function Steps({ book, away }: { book: string; away(): void }) {
  const words = useBook((store) => [...store.words.values()].reduce((sum, count) => sum + count, 0));
  const links = useBook((store) => store.links.length);
  const isChecked = useBook((store) => store.verdicts.size > 0);
  const { data: exports } = useQuery({ ...queries.exports(book), meta: { silent: true } });
  const isMade = exports?.some(({ state }) => state === 'done') ?? false;
  const steps = [
    { done: words >= BEGUN, words: 'Write, or paste what you have' },
    { done: links > 0, words: 'Select words and press Ctrl/Cmd+K: they become a link' },
    { done: isChecked, words: 'See whether every link leads somewhere', to: 'register' },
    { done: isMade, words: 'Make a file of it, and read its proof', to: 'publish' },
  ];
  if (!exports || steps.every(({ done }) => done)) return null;
  return (
    <section
      aria-label="First steps"
      className="mx-3 mt-2 mb-4 rounded-md border border-line bg-raised p-3 text-sm"
    >
      <div className="flex items-center justify-between">
        <h2 className="font-semibold">A book in four steps</h2>
        <button type="button" className="button" data-look="quiet" data-size="small" onClick={away}>
          <X size={14} aria-hidden="true" />
          <span className="sr-only">Put the first steps away</span>
        </button>
      </div>
      <ol className="mt-1 space-y-1.5">
        {steps.map(({ done, words: said, to }) => (
          <li key={said} className="flex gap-2">
            {done ? (
              <CircleCheck size={16} aria-label="Done:" className="mt-0.5 shrink-0 text-sound" />
            ) : (
              <Circle size={16} aria-label="To do:" className="mt-0.5 shrink-0 text-soft" />
            )}
            <span className={done ? 'text-soft line-through' : undefined}>
              {to && !done ? <Link to={`/books/${book}/${to}`}>{said}</Link> : said}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

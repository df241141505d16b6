import { useMemo } from 'react';
import { useBook } from '../book/store.js';
import { openBook } from '../book/open-book.js';
import { useTurned } from '../parts/use-turned.js';
import { message } from '@vennet/core/language';

/** Notes that were made by hand, to be looked through and made real in one step. */
export function HandMadeNotes({ close }: { close(): void }) {
  const links = useBook((store) => store.links);
  const handMade = useBook((store) => store.handMade);
  const book = useBook((store) => store.book);
  const [left, turn] = useTurned();
  const marks = useMemo(() => links.filter(({ id }) => handMade.has(id)), [links, handMade]);
  if (!book || marks.length === 0) return null;
  const picked = marks.filter(({ id }) => !left.has(id));
  const make = async () => {
    close();
    await openBook().bulk.repair({
      target: { links: picked.map(({ id }) => id) },
      repair: { type: 'make-note' },
    });
  };
  return (
    <fieldset className="mt-5 border-t border-line pt-4">
      <legend className="sr-only">Notes made by hand</legend>
      <p className="font-semibold">
        {message('{count, plural, one {One note was made by hand} other {# notes were made by hand}}', {
          count: marks.length,
        })}
      </p>
      <p className="mb-2 text-sm text-soft">
        Numbers that lead to a list of remarks. As real notes they are counted by themselves and lead back to
        the very mark; the list goes.
      </p>
      <ul aria-label="Notes made by hand" className="max-h-44 space-y-1 overflow-y-auto text-sm">
        {marks.map((mark) => (
          <li key={mark.id}>
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1 accent-amber"
                checked={!left.has(mark.id)}
                onChange={() => turn(mark.id)}
              />
              <span className="font-text">
                {endOf(mark.before)}
                <mark className="rounded-sm bg-wash px-0.5 text-ink">{mark.text}</mark>
                {mark.after.slice(0, 30)}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="button mt-3"
        disabled={picked.length === 0}
        onClick={() => void make()}
      >
        {message('{count, plural, one {Make a real note of it} other {Make real notes of #}}', {
          count: picked.length,
        })}
      </button>
    </fieldset>
  );
}

/** The last words of a text. */
const endOf = (words: string): string =>
  words.length <= 60 ? words : `…${words.slice(-60).replace(/^\S*/, '')}`;

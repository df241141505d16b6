import { message } from '@vennet/core/language';
import type { HandMadePiece } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { useOnce } from '../parts/use-once.js';

const BECOMES: Record<HandMadePiece['becomes'], string> = {
  contents: 'computed contents',
  return: 'return link',
  reference: 'reference',
  link: 'link',
};

const SURENESS: Record<HandMadePiece['sureness'], string> = {
  sure: 'sure',
  likely: 'likely',
  look: 'look at it',
};

/** Contents, ways back and numbers that were typed by hand, to be looked through and made real in one step. */
export function HandMadeNavigation({ close }: { close(): void }) {
  const book = useBook((store) => store.book);
  const { data: pieces = [] } = useQuery({
    queryKey: ['hand-made-navigation', book?.id],
    queryFn: async () => {
      // What is found is in the text as the server has it.
      await openBook().texts.saveAll();
      return api.handMadeNavigation(book?.id ?? '');
    },
    enabled: book !== null,
    gcTime: 0,
  });
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  // What is to be looked at is not ticked from the start.
  const isTaken = ({ key, sureness }: HandMadePiece) => (sureness !== 'look') !== turned.has(key);
  const taken = pieces.filter(isTaken);
  const turn = ({ key }: HandMadePiece) => {
    const next = new Set(turned);
    if (!next.delete(key)) next.add(key);
    setTurned(next);
  };
  const making = useOnce(async () => {
    if (await openBook().bulk.makeNavigation(taken.map(({ key }) => key))) close();
  });
  if (!book || pieces.length === 0) return null;
  const titles = new Map(book.chapters.map(({ id, title }) => [id, title]));
  return (
    <fieldset className="mt-5 border-t border-line pt-4">
      <legend className="sr-only">Navigation typed by hand</legend>
      <p className="font-semibold">
        {message(
          '{count, plural, one {One piece of navigation was typed by hand} other {# pieces of navigation were typed by hand}}',
          { count: pieces.length },
        )}
      </p>
      <p className="mb-2 text-sm text-soft">
        Lists of contents, ways back, and numbers of sections, figures and pages. Made real, they lead where
        they say and stay right when the book changes.
      </p>
      <ul
        aria-label="Navigation typed by hand"
        className="max-h-56 divide-y divide-line overflow-y-auto border-y border-line text-sm"
      >
        {pieces.map((piece) => (
          <li key={piece.key} className="py-1.5">
            <label className="flex items-start gap-2">
              <input
                type="checkbox"
                className="mt-1 shrink-0 accent-amber"
                checked={isTaken(piece)}
                onChange={() => turn(piece)}
              />
              <span className="min-w-0 grow">
                <span className="font-text break-words">
                  {piece.before}
                  <mark className="rounded-sm bg-wash px-0.5 text-ink">{shortened(piece.words)}</mark>
                  {piece.after}
                </span>
                <span className="block text-xs text-soft">
                  {[titles.get(piece.chapter), piece.why].filter(Boolean).join(' · ')}
                </span>
              </span>
              <span className="shrink-0 text-right text-xs">
                {BECOMES[piece.becomes]}
                <span className="block text-soft">{SURENESS[piece.sureness]}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="button mt-3"
        disabled={taken.length === 0 || making.isUnderWay}
        onClick={() => making.run()}
      >
        {message('{count, plural, one {Make it real} other {Make # real}}', { count: taken.length })}
      </button>
    </fieldset>
  );
}

const shortened = (words: string): string => (words.length > 90 ? `${words.slice(0, 90).trimEnd()}…` : words);

import { message } from '@vennet/core/language';
import { countWords, wordsBetween } from '@vennet/core/manuscript';
import { useDeferredValue } from 'react';
import { useBook } from '../book/store.js';
import { useEditor } from '../editor/state/store.js';

/** How many words are selected, and how many the chapter and the book have, as they are typed. */
export function WordCount({ chapter }: { chapter: string }) {
  const state = useDeferredValue(useEditor((store) => store.state));
  const words = useBook((store) => store.words);
  if (!state) return null;
  const here = countWords(state.doc);
  const others = [...words].reduce((sum, [id, count]) => (id === chapter ? sum : sum + count), 0);
  const { ranges, empty } = state.selection;
  const selected = empty
    ? 0
    : ranges.reduce((sum, { $from, $to }) => sum + wordsBetween(state.doc, $from.pos, $to.pos), 0);
  return (
    <p
      data-testid="word-count"
      className="shrink-0 border-t border-line bg-sheet px-8 py-1 text-xs text-soft tabular-nums"
    >
      {selected > 0 && `${message('{selected, number} selected', { selected })} · `}
      {message(
        'chapter {here, plural, one {# word} other {# words}} · book {all, plural, one {# word} other {# words}}',
        { here, all: here + others },
      )}
    </p>
  );
}

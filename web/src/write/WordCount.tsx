import { message } from '@vennet/core/language';
import { countWords, wordsBetween } from '@vennet/core/manuscript';
import type { EditorState } from 'prosemirror-state';
import { useEffect, useState } from 'react';
import { useBook } from '../book/store.js';
import { useEditor } from '../editor/state/store.js';

/** How many words are selected, and how many the chapter and the book have, as they are typed. Its line always has its height. */
export function WordCount({ chapter }: { chapter: string }) {
  const state = useSettled(useEditor((store) => store.state));
  const words = useBook((store) => store.words);
  const others = [...words].reduce((sum, [id, count]) => (id === chapter ? sum : sum + count), 0);
  return (
    <p
      data-testid="word-count"
      className="shrink-0 border-t border-line bg-sheet px-8 py-1 text-xs text-soft tabular-nums"
    >
      {state ? counts(state, others) : '\u00a0'}
    </p>
  );
}

/** The pause in typing after which words are counted, in ms. */
const PAUSE = 250;

/** A value as it is once it has stayed the same for a moment; the first one at once. */
function useSettled<Value>(value: Value): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), PAUSE);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

function counts({ doc, selection }: EditorState, others: number): string {
  const here = countWords(doc);
  const selected = selection.empty
    ? 0
    : selection.ranges.reduce((sum, { $from, $to }) => sum + wordsBetween(doc, $from.pos, $to.pos), 0);
  return (
    (selected > 0 ? `${message('{selected, number} selected', { selected })} · ` : '') +
    message(
      'chapter {here, plural, one {# word} other {# words}} · book {all, plural, one {# word} other {# words}}',
      { here, all: here + others },
    )
  );
}

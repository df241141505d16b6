import { APOSTROPHE, quotesOf, type Quotes } from '@vennet/core/language';
import { attrsOf, schema } from '@vennet/core/manuscript';
import { InputRule } from 'prosemirror-inputrules';
import type { EditorState } from 'prosemirror-state';
import { useBook } from '../../book/store.js';

/** What can stand right before words that are quoted. */
const BEFORE = '(?:^|[\\s{[(<\\u2013\\u2014“”„«‘‚‹])';

/** The language at the caret: that of the words there, else the book's. */
function languageAt({ storedMarks, selection: { $from } }: EditorState): string {
  const mark = schema.marks.language.isInSet(storedMarks ?? $from.marks());
  return mark ? attrsOf.language(mark).tag : (useBook.getState().book?.language ?? 'en');
}

const rule = (typed: RegExp, mark: (quotes: Quotes) => string) =>
  new InputRule(
    typed,
    (state, match, start, end) =>
      state.tr.insertText(mark(quotesOf(languageAt(state))), start + match[0].length - 1, end),
    { inCodeMark: false },
  );

/** Straight quotation marks become those of the language; Backspace right after takes that back. */
export const quotes: readonly InputRule[] = [
  rule(new RegExp(`${BEFORE}"$`), ({ outer }) => outer[0]),
  rule(/"$/, ({ outer }) => outer[1]),
  rule(new RegExp(`${BEFORE}'$`), ({ inner }) => inner[0]),
  rule(/(?:\p{L}|\d)'$/u, () => APOSTROPHE),
  rule(/'$/, ({ inner }) => inner[1]),
];

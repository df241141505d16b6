import { message } from '@vennet/core/language';
import { pagesOf, type LinkArea } from '@vennet/core/manuscript';
import type { EditorView } from 'prosemirror-view';
import { useState } from 'react';
import { pageText } from '../book/ground-file.js';
import { copyToPages } from '../editor/changes/change-figures.js';
import { useNotices } from '../parts/notices.js';

/** Copies a link to the same spot of other pages: a way back to the contents on each, for example. */
export function CopyToPages({ view, area, page }: { view: EditorView; area: LinkArea; page: number }) {
  const last = pagesOf(view.state.doc).length;
  const [from, setFrom] = useState(page + 1);
  const [to, setTo] = useState(last);
  if (last < 2) return null;
  const copy = async () => {
    const numbers = Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => from + index);
    // Each is on the words of its own page.
    await Promise.all(numbers.map((number) => pageText(number).catch(() => null)));
    const copied = copyToPages(view, area, new Set(numbers));
    useNotices.getState().tell(
      message(
        '{count, plural, =0 {No page is left to copy it to.} one {It is on one more page now.} other {It is on # more pages now.}}',
        {
          count: copied,
        },
      ),
    );
  };
  const field = (words: string, value: number, set: (value: number) => void) => (
    <label className="block text-xs text-soft">
      {words}
      <input
        type="number"
        className="field !w-16 !px-1.5 tabular-nums"
        min={1}
        max={last}
        value={value}
        onChange={(event) => set(event.target.valueAsNumber || 1)}
      />
    </label>
  );
  return (
    <details className="mt-2.5 text-sm">
      <summary className="cursor-pointer text-soft">Copy to other pages</summary>
      <div className="mt-1.5 flex flex-wrap items-end gap-1.5">
        {field('From page', from, setFrom)}
        {field('to page', to, setTo)}
        <button type="button" className="button" data-size="small" onClick={() => void copy()}>
          Copy it there
        </button>
      </div>
    </details>
  );
}

import { message } from '@vennet/core/language';
import { pageName, pagesOf } from '@vennet/core/manuscript';
import type { PageHit } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { pageText } from '../book/ground-file.js';
import { useBook } from '../book/store.js';
import { useEditor } from '../editor/state/store.js';
import { toPage } from './page-seen.js';
import { boxesOf } from '@vennet/core/ground';

/** The pause in typing after which words are searched for, in ms. */
const PAUSE = 250;

/** Words are searched for in the pages. */
export function PageFind() {
  const book = useBook((store) => store.book?.id ?? '');
  const doc = useEditor((store) => store.state?.doc ?? null);
  const [typed, setTyped] = useState('');
  const [words, setWords] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setWords(typed.trim()), PAUSE);
    return () => clearTimeout(timer);
  }, [typed]);
  const { data: hits, isFetching } = useQuery({
    queryKey: ['ground', book, 'search', words],
    queryFn: () => api.searchPages(book, words),
    enabled: words !== '',
  });
  const names = new Map(doc ? pagesOf(doc).map(({ attrs }) => [attrs.number, pageName(attrs)]) : []);
  return (
    <div className="px-3 pb-6">
      <label className="block px-1">
        <span className="sr-only">Words of the pages</span>
        <input
          className="field"
          type="search"
          placeholder="Words of the pages"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </label>
      <p role="status" className="my-2 px-1 text-sm text-soft">
        {words === ''
          ? 'Capital letters or not.'
          : !hits || isFetching
            ? 'Searching …'
            : message(
                '{count, plural, =0 {Nowhere. Where the pages are pictures of words, nothing can be found in them.} one {One spot.} other {# spots.}}',
                { count: hits.length },
              )}
      </p>
      <ul className="text-sm">
        {words !== '' &&
          hits?.map((hit) => (
            <li key={`${hit.page} ${hit.line} ${hit.from}`}>
              <button
                type="button"
                className="block w-full cursor-pointer rounded px-2 py-1 text-left hover:bg-wash"
                onClick={() => void show(hit)}
              >
                <span className="text-xs text-soft">Page {names.get(hit.page) ?? hit.page} </span>
                {around(hit).before}
                <mark className="bg-wash font-semibold text-ink">{hit.text.slice(hit.from, hit.to)}</mark>
                {around(hit).after}
              </button>
            </li>
          ))}
      </ul>
    </div>
  );
}

/** How much of the line around a hit is shown, in signs. */
const AROUND = 30;

const around = ({ text, from, to }: PageHit) => ({
  before: text.slice(Math.max(0, from - AROUND), from),
  after: text.slice(to, to + AROUND),
});

/** Brings a hit into the middle of the window, and lights it up. */
async function show({ page, line, from, to }: PageHit): Promise<void> {
  toPage(page);
  const [box] = boxesOf(await pageText(page), [{ line, from, to }]);
  const sheet = document.querySelector(`.ground-page[data-page="${page}"] .ground-sheet`);
  if (!box || !sheet) return;
  const mark = document.createElement('div');
  const percent = (share: number) => `${share * 100}%`;
  mark.style.cssText = `position:absolute;left:${percent(box.x)};top:${percent(box.y)};width:${percent(box.width)};height:${percent(box.height)};background:var(--amber);opacity:.5;pointer-events:none;z-index:6`;
  sheet.append(mark);
  mark.scrollIntoView({ block: 'center' });
  setTimeout(() => mark.remove(), 2_500);
}

import { message } from '@vennet/core/language';
import { linksOfChapter } from '@vennet/core/manuscript';
import { replaceHits, type FindSearch, type Hit } from '@vennet/core/repair';
import type { Manuscript } from '@vennet/core/wire';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { goTo } from '../editor/going/visited.js';
import { showFound } from '../editor/plugins/found-words.js';
import { useEditor } from '../editor/state/store.js';
import { useNotices } from '../parts/notices.js';
import { Tick } from '../parts/Tick.js';
import { useOnce } from '../parts/use-once.js';
import { useLeft } from './left-tab.js';
import { useHits } from './use-hits.js';

/** How many hits are listed; all of them are counted and replaced. */
const LISTED = 300;

/** Words are searched for, and others put in their place, in the open chapter or in the whole book. */
export function FindPanel({ book, open }: { book: Manuscript; open: string }) {
  const { words, asked } = useLeft();
  const setWords = (next: string) => useLeft.setState({ words: next });
  const [by, setBy] = useState('');
  const [whole, setWhole] = useState(true);
  const [how, setHow] = useState({
    matchCase: false,
    wholeWords: false,
    ignoreAccents: true,
    addresses: false,
  });
  const [current, setCurrent] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.select(), [asked]);
  const search: FindSearch = { words, ...how, chapters: whole ? null : [open] };
  const hits = useHits(search);
  const at = hits?.findIndex((hit) => keyOf(hit) === current) ?? -1;
  useShownHits(hits, open, current);

  const look = (hit: Hit | undefined) => {
    if (!hit) return;
    setCurrent(keyOf(hit));
    if (hit.chapter !== useEditor.getState().chapter)
      goTo(`/books/${book.id}/write/${hit.chapter}?at=${hit.from}`);
  };
  const step = (direction: 1 | -1) => {
    if (!hits || hits.length === 0) return;
    const next = at < 0 ? (direction === 1 ? firstFrom(hits, open) : hits.length - 1) : at + direction;
    look(hits[(next + hits.length) % hits.length]);
  };
  const replaceOne = () => {
    const hit = at < 0 ? undefined : hits?.[at];
    const { view, chapter } = useEditor.getState();
    if (!hit || !view || hit.chapter !== chapter) return step(1);
    const transaction = closeHistory(view.state.tr);
    const { changed, left } = replaceHits(transaction, [hit], by, linksOfChapter(transaction.doc, chapter));
    if (left > 0) useNotices.getState().tell(STAYS);
    if (changed > 0) view.dispatch(transaction);
    look(hits?.[at + 1]);
  };
  const replaceEvery = useOnce(() => openBook().bulk.replace({ search, by }));
  const keys = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    step(event.shiftKey ? -1 : 1);
  };
  const isSame = by === words && how.matchCase && !how.ignoreAccents;
  return (
    <section aria-label="Find and replace" className="space-y-2 px-4 pb-4">
      <label className="block">
        <span className="label">Find</span>
        <input
          ref={field}
          className="field"
          type="search"
          maxLength={1000}
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={keys}
        />
      </label>
      <label className="block">
        <span className="label">Put in its place</span>
        <input
          className="field"
          maxLength={1000}
          value={by}
          onChange={(event) => setBy(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && replaceOne()}
        />
      </label>
      <div className="space-y-0.5 text-sm">
        <Tick on={whole} turn={() => setWhole(!whole)}>
          In the whole book
        </Tick>
        <Tick on={how.wholeWords} turn={() => setHow({ ...how, wholeWords: !how.wholeWords })}>
          Whole words only
        </Tick>
        <Tick on={how.matchCase} turn={() => setHow({ ...how, matchCase: !how.matchCase })}>
          Capitals as written
        </Tick>
        <Tick on={how.ignoreAccents} turn={() => setHow({ ...how, ignoreAccents: !how.ignoreAccents })}>
          Accents make no difference
        </Tick>
        <Tick on={how.addresses} turn={() => setHow({ ...how, addresses: !how.addresses })}>
          In addresses of links too
        </Tick>
      </div>
      <div className="flex items-center justify-between gap-2">
        <p role="status" className="text-sm text-soft" data-testid="hits">
          {words === '' || !hits ? '' : said(hits.length, at)}
        </p>
        <span className="flex">
          <button
            type="button"
            className="button"
            data-look="quiet"
            data-size="small"
            title="The one before"
            onClick={() => step(-1)}
          >
            <ArrowUp size={15} aria-hidden="true" />
            <span className="sr-only">The one before</span>
          </button>
          <button
            type="button"
            className="button"
            data-look="quiet"
            data-size="small"
            title="The next one"
            onClick={() => step(1)}
          >
            <ArrowDown size={15} aria-hidden="true" />
            <span className="sr-only">The next one</span>
          </button>
        </span>
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="button"
          data-size="small"
          disabled={!hits?.length || isSame}
          onClick={replaceOne}
        >
          Replace this one
        </button>
        <button
          type="button"
          className="button"
          data-size="small"
          disabled={!hits?.length || isSame || replaceEvery.isUnderWay}
          onClick={() => replaceEvery.run()}
        >
          Replace all
        </button>
      </div>
      {isSame && words !== '' && (
        <p className="text-sm text-soft">Both are the same: nothing would change.</p>
      )}
      <HitList book={book} hits={hits ?? []} current={current} look={look} />
    </section>
  );
}

const STAYS = 'It stays: a link or a bookmark would have no words, or an address would be none.';
const keyOf = ({ chapter, from, link }: Hit): string =>
  `${chapter}:${from}:${link ? `${link.id}:${link.at}` : ''}`;

/** The first hit at the caret or after it, in this chapter or a later one. */
const firstFrom = (hits: readonly Hit[], chapter: string): number => {
  const { view } = useEditor.getState();
  const caret = view?.state.selection.from ?? 0;
  const order = useBook.getState().book?.chapters.map(({ id }) => id) ?? [];
  const at = order.indexOf(chapter);
  const next = hits.findIndex(
    (hit) => order.indexOf(hit.chapter) > at || (hit.chapter === chapter && hit.from >= caret),
  );
  return Math.max(0, next);
};

const said = (count: number, at: number): string =>
  at < 0
    ? message('{count, plural, =0 {Nothing is found} one {Found once} other {Found # times}}', { count })
    : `${at + 1} of ${count}`;

/** Every hit in its sentence, under its chapter. */
function HitList({
  book,
  hits,
  current,
  look,
}: {
  book: Manuscript;
  hits: readonly Hit[];
  current: string | null;
  look(hit: Hit): void;
}) {
  const shown = hits.slice(0, LISTED);
  const chapters = book.chapters.filter(({ id }) => shown.some(({ chapter }) => chapter === id));
  return (
    <>
      {chapters.map(({ id, title }) => (
        <section key={id}>
          <h3 className="mt-2 text-xs font-semibold text-soft">{title}</h3>
          <ul>
            {shown
              .filter(({ chapter }) => chapter === id)
              .map((hit) => (
                <li key={keyOf(hit)}>
                  <button
                    type="button"
                    aria-current={keyOf(hit) === current ? 'true' : undefined}
                    className="w-full cursor-pointer rounded px-1.5 py-1 text-left text-sm leading-snug break-words hover:bg-raised aria-[current=true]:bg-wash"
                    onClick={() => look(hit)}
                  >
                    {hit.link && <span className="text-xs text-soft">Address: </span>}
                    {tail(hit.before)}
                    <mark className="bg-transparent font-semibold text-ink underline decoration-amber decoration-2">
                      {hit.text}
                    </mark>
                    {head(hit.after)}
                  </button>
                </li>
              ))}
          </ul>
        </section>
      ))}
      {hits.length > LISTED && (
        <p className="text-sm text-soft">
          {message(
            '{more, plural, one {One more is} other {# more are}} not listed; “Replace all” takes them too.',
            {
              more: hits.length - LISTED,
            },
          )}
        </p>
      )}
    </>
  );
}

const BESIDE = 28;
const tail = (words: string): string => (words.length > BESIDE ? `…${words.slice(-BESIDE)}` : words);
const head = (words: string): string => (words.length > BESIDE ? `${words.slice(0, BESIDE)}…` : words);

/** Shows the hits of the open chapter in its text, and brings the current one into view. */
function useShownHits(hits: readonly Hit[] | null, chapter: string, current: string | null): void {
  const view = useEditor((store) => (store.chapter === chapter ? store.view : null));
  useEffect(() => {
    if (!view || view.isDestroyed) return;
    const own = (hits ?? []).filter((hit) => hit.chapter === chapter);
    const found = own.map((hit) => ({ from: hit.from, to: hit.to, isCurrent: keyOf(hit) === current }));
    view.dispatch(showFound(view.state.tr, found));
    view.dom.querySelector('.found-current')?.scrollIntoView({ block: 'center' });
  }, [view, hits, chapter, current]);
  useEffect(
    () => () => {
      if (view && !view.isDestroyed) view.dispatch(showFound(view.state.tr, []));
    },
    [view],
  );
}

import { counted, message } from '@vennet/core/language';
import type { VersionChanges, VersionChapter, VersionLink } from '@vennet/core/reports';
import type { Snapshot } from '@vennet/core/wire';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { openBook } from '../book/open-book.js';
import { tellFault } from '../parts/notices.js';
import { useOnce } from '../parts/use-once.js';
import { when } from '../parts/when.js';
import { ChapterThen } from './ChapterThen.js';

/** How many links are listed of a kind. */
const LISTED = 100;

/** One version: what is otherwise since then, its chapters to read, and the ways back to it. */
export function VersionSeen({ book, version }: { book: string; version: Snapshot }) {
  const client = useQueryClient();
  const [reading, setReading] = useState<VersionChapter | null>(null);
  const { data: seen } = useQuery({ ...queries.version(book, version.id), staleTime: 0 });
  const bringBack = useOnce(async (chapter: VersionChapter | null) => {
    if (await openBook().bulk.restore(version.id, chapter))
      await client.invalidateQueries(queries.versions(book));
  });
  const since = seen?.since;
  return (
    <section
      aria-label={`Version of ${when(version.createdAt, 'moment')}`}
      className="min-w-72 grow basis-96"
    >
      <Name key={version.id} book={book} version={version} />
      <p className="mt-1 text-soft">
        {version.reason}, {when(version.createdAt, 'moment')}
      </p>
      {!since ? (
        <p className="mt-4 text-soft" role="status">
          Comparing it with the book …
        </p>
      ) : (
        <>
          <h2 className="mt-5 mb-1 text-lg font-semibold">Since then</h2>
          <p>{wordsDiffer(since.words.before, since.words.after)}.</p>
          <LinkChanges links={since.links} />
          {since.added.length > 0 && (
            <p className="mt-2">
              {message('{count, plural, one {One chapter} other {# chapters}} came: {titles}.', {
                count: since.added.length,
                titles: since.added.map((title) => `“${title || 'Without a title'}”`).join(', '),
              })}
            </p>
          )}
          <div className="mt-5 mb-1 flex flex-wrap items-center justify-between gap-2">
            <h2 className="text-lg font-semibold">Its chapters</h2>
            <button
              type="button"
              className="button"
              data-size="small"
              disabled={bringBack.isUnderWay || isSame(since)}
              onClick={() => bringBack.run(null)}
            >
              Bring all of it back
            </button>
          </div>
          <ul className="border-t border-strong-line">
            {since.chapters.map((chapter) => (
              <li key={chapter.id} className="border-b border-line py-1.5">
                <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  <span className="min-w-40 grow">{chapter.title || 'Without a title'}</span>
                  <span className="text-sm text-soft">{FATES[chapter.fate]}</span>
                  <button
                    type="button"
                    className="button"
                    data-look="quiet"
                    data-size="small"
                    aria-expanded={reading?.id === chapter.id}
                    onClick={() => setReading(reading?.id === chapter.id ? null : chapter)}
                  >
                    {reading?.id === chapter.id ? 'Close' : 'Read'}
                    <span className="sr-only"> “{chapter.title}”</span>
                  </button>
                  <button
                    type="button"
                    className="button"
                    data-look="quiet"
                    data-size="small"
                    disabled={bringBack.isUnderWay || chapter.fate === 'same'}
                    onClick={() => bringBack.run(chapter)}
                  >
                    Bring back<span className="sr-only"> “{chapter.title}”</span>
                  </button>
                </div>
                {reading?.id === chapter.id && (
                  <ChapterThen book={book} version={version.id} chapter={chapter.id} />
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

const FATES: Record<VersionChapter['fate'], string> = {
  same: 'as it is now',
  changed: 'changed since',
  gone: 'not in the book any more',
};

const isSame = ({ chapters, added }: VersionChanges): boolean =>
  added.length === 0 && chapters.every(({ fate }) => fate === 'same');

function LinkChanges({ links: { added, gone, changed } }: { links: VersionChanges['links'] }) {
  if (added.length + gone.length + changed.length === 0) return <p className="mt-1">The same links.</p>;
  const addressOf = ({ href }: VersionLink) => <span className="break-all text-soft">{href}</span>;
  return (
    <div className="mt-1 space-y-1">
      <Some words="added" links={added}>
        {(link) => (
          <>
            “{link.text}” {addressOf(link)}
          </>
        )}
      </Some>
      <Some words="gone" links={gone}>
        {(link) => (
          <>
            “{link.text}” {addressOf(link)}
          </>
        )}
      </Some>
      <Some words="changed" links={changed}>
        {({ before, after }) => (
          <>
            “{before.text}” {addressOf(before)} <span aria-label="is now">→</span> “{after.text}”{' '}
            {addressOf(after)}
          </>
        )}
      </Some>
    </div>
  );
}

function Some<Changed extends { id: string }>({
  words,
  links,
  children,
}: {
  words: string;
  links: readonly Changed[];
  children(link: Changed): ReactNode;
}) {
  if (links.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer">
        {message('{count, plural, one {One link} other {# links}} {words}', { count: links.length, words })}
      </summary>
      <ul className="ml-4 list-disc pl-2 text-sm">
        {links.slice(0, LISTED).map((link) => (
          <li key={link.id}>{children(link)}</li>
        ))}
        {links.length > LISTED && <li>and {links.length - LISTED} more</li>}
      </ul>
    </details>
  );
}

/** The name of a version, by which it stays. */
function Name({ book, version }: { book: string; version: Snapshot }) {
  const client = useQueryClient();
  const [name, setName] = useState(version.name);
  const keep = async () => {
    if (name.trim() === version.name) return;
    try {
      await api.nameVersion(book, version.id, name.trim());
      await client.invalidateQueries(queries.versions(book));
    } catch (error) {
      tellFault(error);
    }
  };
  return (
    <label className="block">
      <span className="label">Its name, by which it stays</span>
      <input
        className="field !w-80 max-w-full"
        value={name}
        maxLength={200}
        autoComplete="off"
        placeholder="None: it may go with time"
        onChange={(event) => setName(event.target.value)}
        onBlur={() => void keep()}
        onKeyDown={(event) => event.key === 'Enter' && void keep()}
      />
    </label>
  );
}

const wordsDiffer = (before: number, after: number): string =>
  before === after
    ? `${counted(after, 'word', 'words')}, as many as then`
    : message('{after, plural, one {# word} other {# words}}, {count, number} {way} than then', {
        after,
        count: Math.abs(after - before),
        way: after > before ? 'more' : 'fewer',
      });

import { message } from '@vennet/core/language';
import type { Snapshot } from '@vennet/core/wire';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Bookmark } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { useOnce } from '../parts/use-once.js';
import { when } from '../parts/when.js';
import { VersionSeen } from './VersionSeen.js';

/** The room of versions: the book as it was at some time, to look at, to keep, and to bring back. */
export function Versions() {
  const book = useBook((store) => store.book?.id) ?? '';
  const client = useQueryClient();
  const [open, setOpen] = useState<string | null>(null);
  useEffect(() => {
    // What is compared with is what is written.
    void openBook()
      .texts.saveAll()
      .then(() => client.invalidateQueries(queries.versions(book)));
  }, [book, client]);
  const { data: versions } = useQuery(queries.versions(book));
  if (book === '') return null;
  const shown = versions?.find(({ id }) => id === open) ?? versions?.[0];
  return (
    <main className="grow overflow-auto">
      <div className="mx-auto max-w-6xl px-6 py-7">
        <div className="mb-5 flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
          <div>
            <h1 className="font-text text-3xl">Versions</h1>
            <p className="mt-1 max-w-2xl text-soft">
              The book as it was: once an hour while you write, and before each change all over it. Of the
              last day one an hour stays, of the last month one a day, before that one a week; those with a
              name stay for good.
            </p>
          </div>
          <KeepNow book={book} />
        </div>
        {versions?.length === 0 ? (
          <p className="mt-4 rounded-md border border-dashed border-strong-line p-10 text-center text-lg">
            There is no version yet. The first is kept after an hour of writing, or before a change all over
            the book; keep one now by giving it a name.
          </p>
        ) : (
          <div className="flex flex-wrap items-start gap-x-8 gap-y-6">
            <ul aria-label="Versions" className="w-80 shrink-0 border-t border-strong-line">
              {versions?.map((version) => (
                <li key={version.id} className="border-b border-line">
                  <Entry version={version} open={version.id === shown?.id} show={() => setOpen(version.id)} />
                </li>
              ))}
            </ul>
            {shown && <VersionSeen key={shown.id} book={book} version={shown} />}
          </div>
        )}
      </div>
    </main>
  );
}

function Entry({ version, open, show }: { version: Snapshot; open: boolean; show(): void }) {
  const { name, reason, createdAt } = version;
  return (
    <button
      type="button"
      aria-current={open ? 'true' : undefined}
      className="w-full cursor-pointer px-2 py-2 text-left hover:bg-raised aria-[current=true]:bg-wash"
      onClick={show}
    >
      {name && (
        <span className="flex items-center gap-1.5 font-semibold">
          <Bookmark size={14} aria-hidden="true" /> {name}
        </span>
      )}
      <span className={name ? 'block text-sm text-soft' : 'block'}>{reason}</span>
      <time dateTime={createdAt} className="block text-sm text-soft">
        {when(createdAt, 'moment')}
      </time>
    </button>
  );
}

/** Keeps the book as it is now, by a name. */
function KeepNow({ book }: { book: string }) {
  const client = useQueryClient();
  const [name, setName] = useState('');
  const keep = useOnce(async () => {
    try {
      await openBook().texts.saveAll();
      await api.keepVersion(book, name);
      setName('');
      useNotices.getState().tell(message('“{name}” is kept.', { name: name.trim() }));
      await client.invalidateQueries(queries.versions(book));
    } catch (error) {
      tellFault(error);
    }
  });
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') keep.run();
      }}
    >
      <label>
        <span className="label">Name of this version</span>
        <input
          className="field !w-56"
          value={name}
          maxLength={200}
          autoComplete="off"
          placeholder="As sent to the editor"
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button className="button" data-look="main" disabled={name.trim() === '' || keep.isUnderWay}>
        Keep the book as it is
      </button>
    </form>
  );
}

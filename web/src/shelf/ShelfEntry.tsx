import { type ShelfFile } from '@vennet/core/shelf';
import { sizeWords, typeWords } from '@vennet/core/language';
import type { Manuscript } from '@vennet/core/wire';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { SeverityMark } from '../parts/SeverityMark.js';
import { openBook } from '../book/open-book.js';
import { FileActions } from './FileActions.js';
import { FileRights, OPENS_FOR_WORDS, TRAVELS_WORDS } from '../choices/FileRights.js';
import type { FileUse } from './uses.js';

interface EntryProps {
  file: ShelfFile;
  book: Manuscript;
  uses: FileUse[];
  open: boolean;
  toggle(): void;
}

/** One file: what it is, who can open it, how it travels; opened, its name, words, checksum and uses. */
export function ShelfEntry({ file, book, uses, open, toggle }: EntryProps) {
  const stopped = file.opensFor !== 'everyone' && uses.some(({ link }) => link !== null);
  const nowhere = file.travels === 'public' && !file.address;
  return (
    <div className="border-b border-line" style={open ? { background: 'var(--sheet)' } : undefined}>
      <div
        role="row"
        className="grid grid-cols-[minmax(0,1fr)_10rem_11rem_10rem_4rem] items-center gap-3 px-2 py-1.5 hover:bg-raised max-md:grid-cols-1"
      >
        <span role="cell" className="min-w-0">
          <button
            type="button"
            aria-expanded={open}
            className="flex w-full cursor-pointer items-center gap-2 text-left"
            onClick={toggle}
          >
            <ChevronRight
              size={15}
              aria-hidden="true"
              className={`shrink-0 text-soft transition-transform ${open ? 'rotate-90' : ''}`}
            />
            <span className={open ? 'font-semibold break-all' : 'truncate'}>{file.name}</span>
          </button>
        </span>
        <span role="cell">
          {typeWords(file.type, file.name)}{' '}
          <span className="text-soft tabular-nums">{sizeWords(file.size)}</span>
        </span>
        <span role="cell">
          <span className="flex items-center gap-1.5">
            {stopped && <SeverityMark severity="must-fix" />}
            {OPENS_FOR_WORDS[file.opensFor]}
          </span>
          {stopped && (
            <span className="block text-xs text-soft">Links lead here, and readers can’t open it.</span>
          )}
        </span>
        <span role="cell">
          <span className="flex items-center gap-1.5">
            {nowhere && <SeverityMark severity="must-fix" />}
            {TRAVELS_WORDS[file.travels]}
          </span>
          {nowhere && <span className="block text-xs text-soft">No address is said yet.</span>}
        </span>
        <span role="cell" className="tabular-nums">
          {uses.length}
        </span>
      </div>
      {open && (
        <div role="row">
          <div role="cell" className="grid gap-x-10 gap-y-4 px-4 pt-1 pb-6 pl-9 md:grid-cols-2">
            <Details file={file} />
            <div>
              <Uses uses={uses} book={book} />
              <FileActions file={file} uses={uses} />
            </div>
          </div>
        </div>
      )}
    </div>
  );
}

function Details({ file }: { file: ShelfFile }) {
  return (
    <div className="space-y-2.5">
      {file.claims && (
        <p className="border-l-4 py-1 pl-3" style={{ borderColor: 'var(--broken)' }}>
          Its name says that it is a {file.claims}, but by its content it is a {typeWords(file.type, '')}.
          Give it its true ending, or readers’ programs may refuse it.
        </p>
      )}
      <Text words="Name" value={file.name} keep={(name) => openBook().files.change(file.id, { name })} />
      <Text
        words="Description"
        value={file.description}
        keep={(description) => openBook().files.change(file.id, { description })}
      />
      <div className="flex flex-wrap gap-3">
        <FileRights file={file} />
      </div>
      {file.travels === 'public' && (
        <Text
          words="Public address"
          value={file.address ?? ''}
          keep={(address) => openBook().files.change(file.id, { address })}
        />
      )}
      <dl className="text-sm">
        <dt className="label">Checksum (SHA-256)</dt>
        <dd className="font-mono text-xs break-all">{file.sha256}</dd>
      </dl>
    </div>
  );
}

/** A field that is kept when it is left or accepted, and goes back to what it was when that is refused. */
function Text({
  words,
  value,
  keep,
}: {
  words: string;
  value: string;
  keep(value: string): Promise<boolean>;
}) {
  const [typed, setTyped] = useState(value);
  const [known, setKnown] = useState(value);
  if (known !== value) {
    setKnown(value);
    setTyped(value);
  }
  const accept = async () => {
    if (typed.trim() !== value && !(await keep(typed.trim()))) setTyped(value);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void accept();
      }}
    >
      <label className="block">
        <span className="label">{words}</span>
        <input
          className="field"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => void accept()}
        />
      </label>
    </form>
  );
}

function Uses({ uses, book }: { uses: FileUse[]; book: Manuscript }) {
  if (uses.length === 0) return <p className="mb-3 text-soft">Nothing leads to it or shows it yet.</p>;
  return (
    <ul aria-label="Uses" className="mb-3 space-y-2.5">
      {uses.map(({ key, chapter, link, before, text, after }) => (
        <li key={key} className="border-l-2 border-line pl-3">
          <p className="font-text">
            {before}
            <mark className="rounded-sm bg-wash px-0.5 text-ink">{text}</mark>
            {after}
          </p>
          <p className="text-sm text-soft">
            {book.chapters.find(({ id }) => id === chapter)?.title}{' '}
            <Link
              className="text-ink underline"
              to={`/books/${book.id}/write/${chapter}${link ? `?link=${link}` : ''}`}
            >
              Show it in the text
            </Link>
          </p>
        </li>
      ))}
    </ul>
  );
}

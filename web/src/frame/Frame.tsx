import { ArrowLeft, History, Moon, Sun } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, NavLink } from 'react-router';
import { useSaveState } from '../book/open-book.js';
import type { SaveState } from '../book/texts.js';
import { useTheme } from './theme.js';
import { goBack, useVisited } from '../editor/going/visited.js';
import { KeySheet } from './KeySheet.js';

const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'Saved',
  unsaved: 'Not saved yet',
  saving: 'Saving',
  unreachable: 'Kept in this browser',
  conflict: 'Two texts to choose from',
  refused: 'Kept in this browser',
};

const ROOMS = [
  ['write', 'Write'],
  ['register', 'Register'],
  ['shelf', 'Shelf'],
  ['publish', 'Publish'],
] as const;

/** Past the line on top, into what the room is about. */
function toTheText(): void {
  const text = document.querySelector<HTMLElement>('.ProseMirror') ?? document.querySelector('main');
  if (text?.tagName === 'MAIN') text.tabIndex = -1;
  text?.focus();
}

/** The one thin line on top of every room, and the room below it. */
export function Frame({ book, children }: { book?: { id: string; title: string }; children: ReactNode }) {
  return (
    <div className="flex h-full flex-col">
      <button type="button" className="skip-link button" onClick={toTheText}>
        To the text
      </button>
      <header className="z-20 flex min-h-11 shrink-0 flex-wrap items-center gap-x-5 gap-y-1 border-b border-line bg-ground px-4">
        <Link
          to="/"
          className="flex items-center gap-2 font-semibold no-underline"
          aria-label="Vennet, to the Library"
        >
          <img src="/vennet.svg" alt="" width="22" height="22" />
          <span className="max-sm:sr-only">Vennet</span>
        </Link>
        {book && (
          <>
            <WayBack book={book.id} />
            <NavLink
              to={`/books/${book.id}/about`}
              className="max-w-[22rem] truncate border-b-2 border-transparent py-2 font-text italic no-underline hover:border-strong-line aria-[current=page]:border-amber"
              title={`“${book.title}”: what is said of this book`}
              aria-label={`${book.title}: what is said of this book`}
            >
              {book.title}
            </NavLink>
            <nav aria-label="Rooms of this book" className="flex gap-1">
              {ROOMS.map(([path, words]) => (
                <NavLink
                  key={path}
                  to={`/books/${book.id}/${path}`}
                  className="border-b-2 border-transparent px-2.5 py-2 no-underline hover:border-strong-line aria-[current=page]:border-amber aria-[current=page]:font-semibold"
                >
                  {words}
                </NavLink>
              ))}
            </nav>
          </>
        )}
        <div className="ml-auto flex items-center gap-2">
          {book && <SaveWord book={book.id} />}
          <ThemeButton />
          <KeySheet />
        </div>
      </header>
      {children}
    </div>
  );
}

/** The way back to the book whose link led here. */
function WayBack({ book }: { book: string }) {
  const last = useVisited(({ past }) => past.at(-1));
  if (!last || last.book === book) return null;
  return (
    <button type="button" className="button" data-size="small" onClick={goBack}>
      <ArrowLeft size={15} aria-hidden="true" /> Back to “{last.title}”
    </button>
  );
}

/** How the text stands with the server; pressed, it leads to the versions that are kept. */
function SaveWord({ book }: { book: string }) {
  const state = useSaveState();
  const calm = state === 'saved' || state === 'saving' || state === 'unsaved';
  return (
    <NavLink
      to={`/books/${book}/versions`}
      title="Versions of this book"
      className="flex items-center gap-1.5 border-b-2 border-transparent px-1 py-2 text-sm text-soft no-underline hover:border-strong-line aria-[current=page]:border-amber"
    >
      <History size={15} aria-hidden="true" />
      <span
        data-testid="save-state"
        className={calm ? undefined : 'font-semibold'}
        style={calm ? undefined : { color: 'var(--broken)' }}
      >
        {SAVE_WORDS[state]}
      </span>
      <span className="sr-only">, versions of this book</span>
    </NavLink>
  );
}

function ThemeButton() {
  const { theme, turn } = useTheme();
  const Icon = theme === 'light' ? Moon : Sun;
  const words = theme === 'light' ? 'Dark page' : 'Light page';
  return (
    <button type="button" className="button" data-look="quiet" data-size="small" onClick={turn} title={words}>
      <Icon size={16} aria-hidden="true" />
      <span className="sr-only">{words}</span>
    </button>
  );
}

import { hrefOf, type Recognition } from '@vennet/core/destination';
import { useId, useMemo, useState, type KeyboardEvent, type RefObject } from 'react';
import { KIND_WORDS } from '../marks/KindMark.js';
import { useBook } from '../store/book.js';

interface LeadsToProps {
  field: RefObject<HTMLInputElement | null>;
  typed: string;
  recognition: Recognition | null;
  untracked: boolean;
  change(typed: string): void;
  setUntracked(untracked: boolean): void;
}

/** Most suggestions that are shown at one time. */
const SUGGESTIONS = 5;

/** The one field for a destination: it says what it took the words for, and suggests what was used before. */
export function LeadsTo({ field, typed, recognition, untracked, change, setUntracked }: LeadsToProps) {
  const id = useId();
  const [listing, setListing] = useState(false);
  const [marked, setMarked] = useState(-1);
  const suggestions = useSuggestions(typed);
  const open = listing && suggestions.length > 0;
  const take = (href: string) => {
    change(href);
    setListing(false);
    setMarked(-1);
  };
  const pressed = (event: KeyboardEvent) => {
    if (!open) return;
    const last = suggestions.length - 1;
    if (event.key === 'ArrowDown') setMarked(marked === last ? 0 : marked + 1);
    else if (event.key === 'ArrowUp') setMarked(marked <= 0 ? last : marked - 1);
    else if (event.key === 'Enter' && marked >= 0) take(suggestions[marked]);
    else if (event.key === 'Escape') setListing(false);
    else return;
    event.preventDefault();
  };
  const refused = recognition && !recognition.ok && typed.trim() !== '';
  return (
    <div className="relative">
      <label className="label" htmlFor={id}>
        Leads to
      </label>
      <input
        ref={field}
        id={id}
        className="field"
        role="combobox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open && marked >= 0 ? `${id}-${marked}` : undefined}
        aria-invalid={refused ? true : undefined}
        aria-describedby={`${id}-taken`}
        autoComplete="off"
        spellCheck={false}
        placeholder="lamp.example/tides"
        value={typed}
        onChange={(event) => {
          change(event.target.value);
          setListing(event.target.value.trim() !== '');
          setMarked(-1);
        }}
        onKeyDown={pressed}
        onBlur={() => setListing(false)}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label="Used before"
        className={open ? 'menu absolute inset-x-0 top-full mt-1' : 'hidden'}
      >
        {suggestions.map((href, index) => (
          <li
            key={href}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === marked}
            data-highlighted={index === marked ? '' : undefined}
            className="menu-item truncate text-sm"
            onMouseDown={(event) => {
              event.preventDefault();
              take(href);
            }}
          >
            {href}
          </li>
        ))}
      </ul>
      <div id={`${id}-taken`} className="mt-1 text-sm" data-testid="taken-for" aria-live="polite">
        {recognition?.ok && <TakenFor recognition={recognition} untracked={untracked} />}
        {refused && <p style={{ color: 'var(--broken)' }}>{recognition.reason}</p>}
      </div>
      {recognition?.ok && recognition.tracking.length > 0 && (
        <label className="mt-1 flex gap-2 text-sm">
          <input
            type="checkbox"
            className="accent-amber"
            checked={untracked}
            onChange={(event) => setUntracked(event.target.checked)}
          />
          <span>
            Leave out <strong>{recognition.tracking.join(', ')}</strong>, which only tells the site where
            readers come from
          </span>
        </label>
      )}
    </div>
  );
}

function TakenFor({
  recognition,
  untracked,
}: {
  recognition: Extract<Recognition, { ok: true }>;
  untracked: boolean;
}) {
  const destination = untracked ? recognition.untracked : recognition.destination;
  return (
    <p>
      {KIND_WORDS[destination.kind]}: <span className="font-semibold break-all">{hrefOf(destination)}</span>
    </p>
  );
}

/** Addresses that the book leads to already and that hold what is typed, those used most first. */
function useSuggestions(typed: string): string[] {
  const links = useBook((store) => store.links);
  return useMemo(() => {
    const wanted = typed.trim().toLowerCase();
    if (wanted.length < 2) return [];
    const uses = new Map<string, number>();
    for (const { kind, href } of links)
      if ((kind === 'web' || kind === 'mail') && href.toLowerCase().includes(wanted))
        uses.set(href, (uses.get(href) ?? 0) + 1);
    return [...uses]
      .filter(([href]) => href !== typed.trim())
      .sort((one, other) => other[1] - one[1])
      .slice(0, SUGGESTIONS)
      .map(([href]) => href);
  }, [links, typed]);
}

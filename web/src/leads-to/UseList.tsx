import type { Link } from '@vennet/core/manuscript';
import { useMemo } from 'react';
import { useBook } from '../book/store.js';
import { goToUse } from '../editor/going/visited.js';
import { message } from '@vennet/core/language';

/** The links of the book that lead to a place. */
export function useUses(place: string) {
  const links = useBook((store) => store.links);
  return useMemo(
    () => links.filter(({ destination }) => destination.kind === 'place' && destination.place === place),
    [links, place],
  );
}

/** What leads to a place: each link in its sentence, to be gone to. */
export function UseList({ place }: { place: string }) {
  const uses = useUses(place);
  if (uses.length === 0) return <p className="mt-2 text-sm text-soft">Nothing leads here yet.</p>;
  return <LinkList links={uses} />;
}

/** Links that lead somewhere, each to be gone to. */
export function LinkList({ links }: { links: readonly Link[] }) {
  const chapters = useBook((store) => store.book?.chapters);
  return (
    <div className="mt-2.5">
      <p className="label">
        {message('{count, plural, one {One link leads here} other {# links lead here}}', {
          count: links.length,
        })}
      </p>
      <ul className="max-h-40 space-y-1 overflow-y-auto text-sm">
        {links.map((link) => (
          <li key={link.id}>
            <button
              type="button"
              className="w-full cursor-pointer rounded px-1 py-0.5 text-left hover:bg-ground"
              onClick={() => goToUse(link)}
            >
              <span className="font-text">{link.text || '(no words)'}</span>{' '}
              <span className="text-soft">in “{chapters?.find(({ id }) => id === link.chapter)?.title}”</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

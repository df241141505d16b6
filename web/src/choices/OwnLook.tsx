import type { LinkLook } from '@vennet/core/manuscript';
import { useBook } from '../book/store.js';
import { LookFields } from './LookFields.js';

/** Whether a link looks like the book's others, and how it looks where it does not. */
export function OwnLook({ look, change }: { look: LinkLook | null; change(look: LinkLook | null): void }) {
  const ofBook = useBook((store) => store.book?.look);
  if (!ofBook) return null;
  return (
    <div className="mt-2.5">
      <label className="flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="accent-amber"
          checked={look !== null}
          onChange={(event) => {
            const { light, dark, underline, weight } = ofBook;
            change(event.target.checked ? { light, dark, underline, weight } : null);
          }}
        />
        A look of its own
      </label>
      {look && (
        <div className="mt-2 border-l-2 border-line pl-3">
          <LookFields look={look} change={change} />
        </div>
      )}
    </div>
  );
}

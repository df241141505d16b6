import { Plus, Trash2 } from 'lucide-react';
import { useId, useState } from 'react';
import type { OpenPdfSets } from './use-pdf-sets.js';

/** Which set of choices holds for the book, and how one is added, renamed or removed. */
export function PdfSetBar({ sets: { sets, own, pick, add, rename, remove } }: { sets: OpenPdfSets }) {
  const id = useId();
  const [naming, setNaming] = useState<'new' | 'own' | null>(null);
  const [name, setName] = useState('');
  if (!own) return null;
  const begin = (what: 'new' | 'own') => {
    setName(what === 'own' ? own.name : '');
    setNaming(what);
  };
  if (naming)
    return (
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (name.trim() === '') return;
          (naming === 'new' ? add : rename)(name.trim());
          setNaming(null);
        }}
      >
        <div>
          <label className="label" htmlFor={id}>
            {naming === 'new' ? 'Name of the new set' : 'Name of this set'}
          </label>
          <input
            id={id}
            className="field"
            maxLength={80}
            // eslint-disable-next-line jsx-a11y/no-autofocus -- it was asked for just now
            autoFocus
            value={name}
            onChange={({ target }) => setName(target.value)}
            onKeyDown={({ key }) => key === 'Escape' && setNaming(null)}
          />
        </div>
        <button type="submit" className="button" disabled={name.trim() === ''}>
          {naming === 'new' ? 'Add the set' : 'Rename it'}
        </button>
        <button type="button" className="button" data-look="quiet" onClick={() => setNaming(null)}>
          Not now
        </button>
      </form>
    );
  return (
    <div className="flex flex-wrap items-end gap-2">
      <div>
        <label className="label" htmlFor={id}>
          Set of choices
        </label>
        <select
          id={id}
          className="field !w-auto"
          value={own.id}
          onChange={({ target }) => pick(target.value)}
        >
          {sets.map((set) => (
            <option key={set.id} value={set.id}>
              {set.name}
            </option>
          ))}
        </select>
      </div>
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        onClick={() => begin('own')}
      >
        Rename
      </button>
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        onClick={() => begin('new')}
      >
        <Plus size={16} aria-hidden="true" /> New set
      </button>
      {sets.length > 1 && (
        <button
          type="button"
          className="button"
          data-look="quiet"
          aria-label={`Remove the set ${own.name}`}
          title="Remove this set"
          onClick={remove}
        >
          <Trash2 size={16} aria-hidden="true" />
        </button>
      )}
    </div>
  );
}

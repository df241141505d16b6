import type { Contributor } from '@vennet/core/manuscript';
import type { Manuscript } from '@vennet/core/wire';
import { ArrowUp, UserPlus, X } from 'lucide-react';
import { useId, useState } from 'react';
import type { DetailChanges } from '../book/details.js';
import { useNotices } from '../parts/notices.js';
import { peopleOf, withPeople } from './people.js';
import { ROLES } from './roles.js';

/** Names and roles of everybody who took part; a line without a name is not kept. */
export function People({ book, change }: { book: Manuscript; change(changes: DetailChanges): void }) {
  const heading = useId();
  const told = peopleOf(book);
  const [people, setPeople] = useState<Contributor[]>(told.length > 0 ? told : [{ name: '', role: 'aut' }]);
  const set = (next: Contributor[]) => {
    const { author } = withPeople(next);
    setPeople(next);
    if ((author?.length ?? 0) <= MOST_SIGNS) change(withPeople(next));
  };
  const put = (index: number, person: Contributor) =>
    set(people.map((one, at) => (at === index ? person : one)));
  const remove = (index: number) => {
    const before = people;
    const { name } = people[index]!;
    set(people.filter((_, at) => at !== index));
    if (name.trim() !== '')
      useNotices.getState().tell(`“${name}” was removed.`, {
        action: { label: 'Put back', run: () => set(before) },
      });
  };
  const isTooLong = (withPeople(people).author?.length ?? 0) > MOST_SIGNS;
  return (
    <div role="group" aria-labelledby={heading}>
      <p id={heading} className="label">
        Authors and others who took part
      </p>
      <ul className="space-y-1.5">
        {people.map(({ name, role }, index) => (
          <li key={index} className="flex gap-2">
            <input
              className="field"
              aria-label={`Name ${index + 1}`}
              placeholder="Name"
              value={name}
              maxLength={300}
              autoComplete="off"
              onChange={(event) => put(index, { name: event.target.value, role })}
            />
            <select
              className="field !w-52 shrink-0"
              aria-label={`Role of ${name || 'this line'}`}
              value={role}
              onChange={(event) => put(index, { name, role: event.target.value })}
            >
              {ROLES.map(([code, words]) => (
                <option key={code} value={code}>
                  {words}
                </option>
              ))}
              {!ROLES.some(([code]) => code === role) && (
                <option value={role}>{role === '' ? 'Took part' : role}</option>
              )}
            </select>
            <button
              type="button"
              className="button"
              data-look="quiet"
              data-size="small"
              title="Before the one above"
              disabled={index === 0}
              onClick={() =>
                set([
                  ...people.slice(0, index - 1),
                  people[index]!,
                  people[index - 1]!,
                  ...people.slice(index + 1),
                ])
              }
            >
              <ArrowUp size={15} aria-hidden="true" />
              <span className="sr-only">Move {name || 'this name'} before the one above</span>
            </button>
            <button
              type="button"
              className="button"
              data-look="quiet"
              data-size="small"
              title="Remove"
              onClick={() => remove(index)}
            >
              <X size={15} aria-hidden="true" />
              <span className="sr-only">Remove {name || 'this line'}</span>
            </button>
          </li>
        ))}
      </ul>
      {isTooLong && (
        <p className="text-sm text-broken">
          The names of all authors may have {MOST_SIGNS} signs together. Give some of them another role.
        </p>
      )}
      <button
        type="button"
        className="button mt-1.5"
        data-look="quiet"
        data-size="small"
        disabled={people.length >= MOST_PEOPLE}
        onClick={() => setPeople([...people, { name: '', role: people.length === 0 ? 'aut' : 'edt' }])}
      >
        <UserPlus size={15} aria-hidden="true" /> Add a name
      </button>
    </div>
  );
}

const MOST_PEOPLE = 50;
const MOST_SIGNS = 300;

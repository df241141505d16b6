import type { Destination } from '@vennet/core/destination';
import { useId, useState, type KeyboardEvent } from 'react';
import { destinationWords } from '../book/destination-words.js';
import { useBook } from '../book/store.js';
import { SuggestionList } from './SuggestionList.js';
import { useSuggestions } from './use-suggestions.js';

/** Picks one place of the book: by its words, its number or its chapter. */
export function PlaceField({
  label,
  except,
  picked,
  pick,
}: {
  label: string;
  /** A place that can't be picked. */
  except: string;
  picked: Destination | null;
  pick(destination: Destination | null): void;
}) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const [marked, setMarked] = useState(0);
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const all = useSuggestions(picked ? '' : typed, true, { onlyPlaces: true });
  const offered = all.flatMap((one) =>
    'destination' in one && !(one.destination.kind === 'place' && one.destination.place === except)
      ? [one]
      : [],
  );
  const open = !picked && offered.length > 0;
  const pressed = (event: KeyboardEvent) => {
    if (!open) return;
    if (event.key === 'ArrowDown') setMarked((marked + 1) % offered.length);
    else if (event.key === 'ArrowUp') setMarked((marked + offered.length - 1) % offered.length);
    else if (event.key === 'Enter') pick(offered[marked]?.destination ?? null);
    else return;
    event.preventDefault();
  };
  return (
    <div className="mt-4">
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <input
        id={id}
        className="field"
        role="combobox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-autocomplete="list"
        aria-activedescendant={open ? `${id}-${marked}` : undefined}
        autoComplete="off"
        placeholder="A heading, a bookmark, a number"
        value={picked ? destinationWords(picked, { places, surroundings }) : typed}
        onChange={(event) => {
          pick(null);
          setTyped(event.target.value);
          setMarked(0);
        }}
        onKeyDown={pressed}
      />
      <SuggestionList
        id={id}
        label={label}
        open={open}
        marked={marked}
        suggestions={offered}
        take={({ destination }) => pick(destination)}
      />
    </div>
  );
}

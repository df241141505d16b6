import { PlacePreview, Preview } from './PlacePreview.js';
import type { DestinationKind } from '@vennet/core/destination';
import { KindMark } from '../parts/KindMark.js';
import type { Suggestion } from './suggestions.js';

/** What a field offers. The field keeps the focus and meets the keys: it names the list and its options by `id`. */
export function SuggestionList<Offered extends Suggestion>({
  id,
  label,
  open,
  suggestions,
  marked,
  take,
}: {
  id: string;
  label: string;
  open: boolean;
  suggestions: readonly Offered[];
  /** The index of the one that Enter takes; it shows the text of its place. */
  marked: number;
  take(suggestion: Offered): void;
}) {
  return (
    <ul
      id={`${id}-list`}
      role="listbox"
      aria-label={label}
      className={open ? 'menu mt-1 max-h-72 overflow-y-auto !shadow-none' : 'hidden'}
    >
      {suggestions.map((suggestion, index) => (
        <li
          key={suggestion.key}
          id={`${id}-${index}`}
          role="option"
          aria-selected={index === marked}
          data-highlighted={index === marked ? '' : undefined}
          className="menu-item !items-start text-sm"
          onMouseDown={(event) => {
            event.preventDefault();
            take(suggestion);
          }}
        >
          <span className="mt-0.5">
            <KindMark kind={kindOf(suggestion)} />
          </span>
          <span className="min-w-0 grow">
            <span className="flex items-baseline gap-3">
              <span className="min-w-0 grow truncate" title={suggestion.words}>
                {suggestion.words}
              </span>
              {suggestion.about !== '' && (
                <span className="max-w-[45%] shrink-0 truncate text-xs text-soft" title={suggestion.about}>
                  {suggestion.about}
                </span>
              )}
            </span>
            {index === marked && 'destination' in suggestion && suggestion.destination.kind === 'place' && (
              <PlacePreview place={suggestion.destination.place} />
            )}
            {index === marked && 'spot' in suggestion && suggestion.spot.sentence !== suggestion.words && (
              <Preview text={suggestion.spot.sentence} />
            )}
          </span>
        </li>
      ))}
    </ul>
  );
}

function kindOf(suggestion: Suggestion): DestinationKind {
  if ('destination' in suggestion) return suggestion.destination.kind;
  return 'companion' in suggestion ? 'book' : 'place';
}

import { hrefOf, parseDeviceAddress, type Destination } from '@vennet/core/destination';
import { Paperclip } from 'lucide-react';
import { useId, useRef, useState, type DragEvent, type KeyboardEvent, type RefObject } from 'react';
import { KIND_WORDS } from '../parts/KindMark.js';
import { PlacePreview, Preview } from './PlacePreview.js';
import { useBook } from '../book/store.js';
import { openBook } from '../book/open-book.js';
import { BookPlace } from './BookPlace.js';
import {
  entryOf,
  entryOfSpot,
  readEntry,
  spotIn,
  spreadMailto,
  type DestinationEntry,
} from './destination-entry.js';
import { spotToName } from '../editor/changes/name-spot.js';
import type { SpotToName } from '../editor/state/pointing.js';
import { FileFields } from './FileFields.js';
import { MailFields } from './MailFields.js';
import { PointAt, PointingHint } from './PointAt.js';
import { startChapter, startCompanion } from './start.js';
import { SuggestionList } from './SuggestionList.js';
import type { Suggestion } from './suggestions.js';
import { useSpots } from './use-spots.js';
import { useSuggestions } from './use-suggestions.js';

export interface LeadsToProps {
  field: RefObject<HTMLInputElement | null>;
  entry: DestinationEntry;
  change(entry: DestinationEntry): void;
  /** Takes a suggestion, or what was started for the link, and accepts in one step. */
  accept(entry: DestinationEntry): void;
  /** Spots that have no name yet can be led to: there is one link that they are named for. `elsewhere` takes one of another chapter. */
  spots?: { elsewhere?: (entry: DestinationEntry) => void };
  /** The words that are to become a link. */
  words?: string;
}

/** The one field for a destination: it says what it took the words for, suggests from every kind, and takes files. */
export function LeadsTo({ field, entry, change, accept, words, spots }: LeadsToProps) {
  const id = useId();
  const chooser = useRef<HTMLInputElement>(null);
  const [listing, setListing] = useState(false);
  const [marked, setMarked] = useState(-1);
  const [focused, setFocused] = useState(false);
  const { recognition, destination, dropped } = readEntry(entry);
  const isWords = recognition !== null && !recognition.ok && recognition.refusal === 'words';
  const typed = focused ? (entry.picked ? '' : entry.typed) : null;
  const unnamed = useSpots(spots && isWords ? typed : null);
  const suggestions = useSuggestions(typed, isWords, { words, spots: unnamed });
  const open = listing && suggestions.length > 0;
  // Words that are no address can only mean what they are called: Enter takes the first.
  const [first] = suggestions;
  const likely = isWords && open && first && isNamed(first) && entryOfSuggestion(first) ? 0 : -1;
  const shown = marked >= 0 ? marked : likely;
  const take = (suggestion: Suggestion) => {
    setListing(false);
    setMarked(-1);
    const taken = entryOfSuggestion(suggestion);
    if (taken) change(taken);
    else startFor(suggestion, (to) => accept(entryOf(to, useBook.getState())));
  };
  const pressed = (event: KeyboardEvent) => {
    if (!open && event.key === 'ArrowDown' && suggestions.length > 0 && !entry.picked) {
      event.preventDefault();
      return setListing(true);
    }
    const taken = likely >= 0 && first ? entryOfSuggestion(first) : null;
    if (event.key === 'Enter' && marked < 0 && taken) {
      event.preventDefault();
      setListing(false);
      return accept(taken);
    }
    // Enter without a mark is for the form; the list is in nobody's way afterwards.
    if (open && event.key === 'Enter' && marked < 0) return setListing(false);
    if (!open) return;
    const last = suggestions.length - 1;
    if (event.key === 'ArrowDown') setMarked(marked === last ? 0 : marked + 1);
    else if (event.key === 'ArrowUp') setMarked(marked <= 0 ? last : marked - 1);
    else if (event.key === 'Enter' && suggestions[marked]) take(suggestions[marked]);
    else return;
    event.preventDefault();
  };
  const refused = recognition && !recognition.ok && entry.typed.trim() !== '' && likely < 0;
  return (
    <div className="relative">
      <label className="label" htmlFor={id}>
        Leads to
      </label>
      <div className="flex gap-1">
        <input
          ref={field}
          id={id}
          className="field"
          role="combobox"
          aria-expanded={open}
          aria-controls={`${id}-list`}
          aria-autocomplete="list"
          aria-activedescendant={open && shown >= 0 ? `${id}-${shown}` : undefined}
          aria-invalid={refused ? true : undefined}
          aria-describedby={`${id}-taken`}
          autoComplete="off"
          spellCheck={false}
          placeholder="An address, a file, a place, a book"
          value={entry.typed}
          onChange={(event) => {
            change({ ...entry, typed: event.target.value, picked: null, untracked: true });
            setListing(event.target.value.trim() !== '');
            setMarked(-1);
          }}
          onKeyDown={pressed}
          onFocus={() => setFocused(true)}
          onBlur={() => {
            setFocused(false);
            setListing(false);
            const spread = spreadMailto(entry);
            if (spread !== entry) change(spread);
          }}
        />
        <button
          type="button"
          className="button shrink-0 !px-2"
          title="Choose a file"
          onClick={() => chooser.current?.click()}
        >
          <Paperclip size={16} aria-hidden="true" />
          <span className="sr-only">Choose a file</span>
        </button>
        {spots && <PointAt change={change} elsewhere={spots.elsewhere} />}
        <input
          ref={chooser}
          type="file"
          hidden
          aria-label="File from this computer"
          onChange={(event) => {
            void leadToFile(event.target.files?.[0], change);
            event.target.value = '';
          }}
        />
      </div>
      <SuggestionList
        id={id}
        label="Where it can lead"
        open={open}
        suggestions={suggestions}
        marked={shown}
        take={take}
      />
      {spots && <PointingHint />}
      <div id={`${id}-taken`} className="mt-1 text-sm" data-testid="taken-for" aria-live="polite">
        {destination && <TakenFor destination={destination} spot={spotIn(entry)} />}
        {refused && <p style={{ color: 'var(--broken)' }}>{recognition.reason}</p>}
        {dropped.length > 0 && (
          <p>Left out: {dropped.join(', ')}. Mail programs must not take these from a link.</p>
        )}
      </div>
      {recognition?.ok && recognition.tracking.length > 0 && (
        <label className="mt-1 flex gap-2 text-sm">
          <input
            type="checkbox"
            className="accent-amber"
            checked={entry.untracked}
            onChange={(event) => change({ ...entry, untracked: event.target.checked })}
          />
          <span>
            Leave out <strong>{recognition.tracking.join(', ')}</strong>, which only tells the site where
            readers come from
          </span>
        </label>
      )}
      {recognition?.ok && recognition.destination.kind === 'mail' && (
        <MailFields entry={entry} change={change} />
      )}
      {destination?.kind === 'file' && (
        <FileFields
          destination={destination}
          change={(picked) => change(entryOf(picked, useBook.getState()))}
        />
      )}
      {destination?.kind === 'book' && (
        <BookPlace
          destination={destination}
          change={(picked) => change(entryOf(picked, useBook.getState()))}
        />
      )}
    </div>
  );
}

/** Starts what a link is to lead to. */
function startFor(suggestion: Suggestion, lead: (to: Destination) => void): void {
  if ('newChapter' in suggestion) void startChapter(suggestion.newChapter, lead);
  else if ('companion' in suggestion)
    void startCompanion(suggestion.companion.title, suggestion.companion.goThere, lead);
}

/** Something that is called as it is typed. A sentence only has the words: it is picked on purpose. */
const isNamed = (suggestion: Suggestion): boolean => !('spot' in suggestion && suggestion.spot.item === '');

/** What a suggestion leads to; `null` for one that has to be started first. */
function entryOfSuggestion(suggestion: Suggestion): DestinationEntry | null {
  if ('spot' in suggestion) return entryOfSpot(spotToName(suggestion.spot));
  return 'destination' in suggestion ? entryOf(suggestion.destination, useBook.getState()) : null;
}

/** Sends a file to the Shelf and leads to it. */
async function leadToFile(file: File | undefined, change: (entry: DestinationEntry) => void): Promise<void> {
  if (!file) return;
  const taken = await openBook().uploads.toShelf(file);
  if (taken) change(entryOf({ kind: 'file', enclosure: taken.file.id }, useBook.getState()));
}

/** What a slip needs to take a file that is dropped on it. */
export const takesFiles = (change: (entry: DestinationEntry) => void) => ({
  onDragOver: (event: DragEvent) => event.preventDefault(),
  onDrop(event: DragEvent) {
    const [file] = event.dataTransfer.files;
    if (!file) return;
    event.preventDefault();
    void leadToFile(file, change);
  },
});

const DEVICE_WORDS = { tel: 'Telephone number', geo: 'Spot on the earth', none: KIND_WORDS.web };

/** What the words were taken for; of an email, what a reader's mail program will be handed. */
function TakenFor({ destination, spot }: { destination: Destination; spot: SpotToName | null }) {
  const places = useBook((store) => store.places);
  const chapters = useBook((store) => store.book?.chapters);
  if (destination.kind === 'web')
    return (
      <p>
        {DEVICE_WORDS[parseDeviceAddress(destination.href)?.scheme ?? 'none']}:{' '}
        <span className="font-semibold break-all">{hrefOf(destination)}</span>
      </p>
    );
  if (destination.kind === 'mail')
    return (
      <p>
        {KIND_WORDS.mail}: <span className="text-soft break-all">{hrefOf(destination)}</span>
      </p>
    );
  if (spot)
    return (
      <>
        <p>
          {spot.item === '' ? 'A spot of the text' : `Item ${spot.item}`}, in “
          {chapters?.find(({ id }) => id === spot.chapter)?.title}”. It becomes a place when the link is made.
        </p>
        <Preview text={spot.sentence} />
      </>
    );
  const place = destination.kind === 'place' ? places.get(destination.place) : undefined;
  const chapter = chapters?.find(({ id }) => id === place?.chapter);
  return (
    <p>
      {KIND_WORDS[destination.kind]}
      {chapter && place?.kind !== 'chapter' && `, in “${chapter.title}”`}
      {destination.kind === 'place' && <PlacePreview place={destination.place} />}
    </p>
  );
}

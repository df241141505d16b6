import { hrefOf, type Destination } from '@vennet/core/destination';
import { fileWords, message } from '@vennet/core/language';
import type { UnnamedSpot } from '@vennet/core/repair';
import type { Place } from '@vennet/core/manuscript';
import { destinationWords } from '../book/destination-words.js';
import type { BookStore } from '../book/store.js';
import { fitting, fold } from './fits.js';
import { aboutPlace, fittingPlaces, type PlaceSearch } from './place-suggestions.js';

/** Something that the field “Leads to” offers: a destination, a spot without a name yet, or a book or chapter that is to be started. */
export type Suggestion =
  | { key: string; words: string; about: string; destination: Destination }
  | { key: string; words: string; about: string; spot: UnnamedSpot }
  | { key: string; words: string; about: string; newChapter: string }
  | { key: string; words: string; about: string; companion: { title: string; goThere: boolean } };

/** Most suggestions of one kind that are shown at one time. */
const OF_A_KIND = 4;

/** What is asked: the words, whether they can only be words, and whether a place alone is wanted. */
export interface Asked {
  typed: string;
  isWords: boolean;
  onlyPlaces: boolean;
  /** The words that are to become a link: what a book that is started for them would be called. */
  words?: string;
}

/** What suggestions are made of. */
export interface Known {
  search: PlaceSearch;
  links: BookStore['links'];
  surroundings: BookStore['surroundings'];
  /** Destinations of links that were made lately, the newest first. */
  lately?: readonly Destination[];
  /** Spots without a name that fit what is typed. */
  spots?: readonly UnnamedSpot[];
}

/**
 * What fits the words: places of this book, files, other books, and addresses that the book leads to already; those used
 * most first. Words that are no address can become a companion book. Without words: the last destinations, the places near, and a
 * book that is called as the words of the link.
 */
export function suggestionsFor(
  { typed, isWords, onlyPlaces, words = '' }: Asked,
  { search, links, surroundings, lately = [], spots = [] }: Known,
): Suggestion[] {
  const wanted = typed.trim();
  if (onlyPlaces) return inPlaces(wanted, search);
  if (wanted === '') {
    const before = usedLately(lately, search, surroundings);
    const known = new Set(before.map(({ key }) => key));
    const near = inPlaces('', search).filter(({ key }) => !known.has(key));
    return [...before, ...near, ...(words.trim() === '' ? [] : begun(words.trim()).slice(0, 2))];
  }
  const found = [
    ...inPlaces(wanted, search),
    ...(wanted.length < 2
      ? []
      : [...onShelf(wanted, surroundings), ...inLibrary(wanted, surroundings), ...usedBefore(wanted, links)]),
    ...spots.map((spot) => ofSpot(spot, search)),
  ];
  const exact = found.some(({ words }) => fold(words) === fold(wanted));
  return isWords && !exact && wanted.length > 1 ? [...found, ...begun(wanted)] : found;
}

function best<Item>(items: Iterable<Item>, wanted: string, words: (item: Item) => string): Item[] {
  const fits = fitting(wanted);
  return [...items]
    .map((item) => ({ item, fit: fits(words(item)) }))
    .filter(({ fit }) => fit > 0)
    .sort((one, other) => other.fit - one.fit)
    .slice(0, OF_A_KIND)
    .map(({ item }) => item);
}

/** How many of the last destinations are offered. */
const LAST = 5;

function usedLately(
  lately: readonly Destination[],
  search: PlaceSearch,
  surroundings: BookStore['surroundings'],
): Suggestion[] {
  return lately.slice(0, LAST).flatMap((destination): Suggestion[] => {
    if (destination.kind === 'place') {
      const place = search.places.get(destination.place);
      return place ? [ofPlace(place, search)] : [];
    }
    const words = destinationWords(destination, { places: search.places, surroundings });
    return [{ key: `lately ${hrefOf(destination)}`, words, about: 'Used lately', destination }];
  });
}

function inPlaces(wanted: string, search: PlaceSearch): Suggestion[] {
  return fittingPlaces(wanted, search).map((place) => ofPlace(place, search));
}

const ofPlace = (place: Place, { titles, pages }: PlaceSearch): Suggestion => ({
  key: `place ${place.id}`,
  words: place.kind === 'heading' || place.kind === 'chapter' ? numbered(place) : place.words,
  about: aboutPlace(place, { titles, pages }),
  destination: { kind: 'place', place: place.id },
});

const numbered = ({ label, words }: Place): string => (label ? `${label} ${words}` : words);

function onShelf(wanted: string, { files }: BookStore['surroundings']): Suggestion[] {
  return best(files.values(), wanted, ({ name, description }) => `${name} ${description}`).map((file) => ({
    key: `file ${file.id}`,
    words: file.name,
    about: fileWords(file),
    destination: { kind: 'file', enclosure: file.id },
  }));
}

function inLibrary(wanted: string, { books }: BookStore['surroundings']): Suggestion[] {
  return best(books.values(), wanted, ({ title }) => title).map(({ id, title, author }) => ({
    key: `book ${id}`,
    words: title,
    about: author ? `Another book, by ${author}` : 'Another book',
    destination: { kind: 'book', book: id },
  }));
}

function usedBefore(wanted: string, links: BookStore['links']): Suggestion[] {
  const uses = new Map<string, { destination: Destination; count: number }>();
  for (const { kind, href, destination } of links) {
    if (kind !== 'web' && kind !== 'mail') continue;
    if (!href.toLowerCase().includes(wanted.toLowerCase()) || href === wanted) continue;
    uses.set(href, { destination, count: (uses.get(href)?.count ?? 0) + 1 });
  }
  return [...uses]
    .sort(([, one], [, other]) => other.count - one.count)
    .slice(0, OF_A_KIND)
    .map(([href, { destination, count }]) => ({
      key: href,
      words: destination.kind === 'mail' ? destination.to.join(', ') : hrefOf(destination),
      about: message('Used {count, plural, one {once} other {# times}}', { count }),
      destination,
    }));
}

const ofSpot = (spot: UnnamedSpot, { titles }: PlaceSearch): Suggestion => {
  const chapter = titles.get(spot.chapter) ?? '';
  return {
    key: `spot ${spot.chapter} ${spot.from}`,
    words: spot.item === '' ? fromShortlyBefore(spot) : `${spot.item}. ${spot.words}`,
    about: spot.item === '' ? `In “${chapter}”` : `Item ${spot.item} in “${chapter}”`,
    spot,
  };
};

/** How many signs of a sentence stand before the words that were found in it, so that these are seen. */
const BEFORE = 16;

function fromShortlyBefore({ sentence, words }: UnnamedSpot): string {
  const from = sentence.lastIndexOf(' ', sentence.indexOf(words) - BEFORE);
  return from < 0 ? sentence : `…${sentence.slice(from)}`;
}

/** What can be started under a name: a chapter of this book, or a book of its own. */
function begun(title: string): Suggestion[] {
  return [
    { key: 'chapter', words: `Start a chapter called “${title}”`, about: 'to be written', newChapter: title },
    {
      key: 'companion',
      words: `Start a book called “${title}”`,
      about: 'and stay here',
      companion: { title, goThere: false },
    },
    {
      key: 'companion-go',
      words: `Start “${title}” and go there`,
      about: '',
      companion: { title, goThere: true },
    },
  ];
}

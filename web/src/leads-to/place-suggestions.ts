import type { Place, PlaceKind } from '@vennet/core/manuscript';
import { fitting } from './fits.js';

/** How many places are offered at one time. */
const MOST = 7;

/** What the ranking of places depends on. */
export interface PlaceSearch {
  places: ReadonlyMap<string, Place>;
  /** Titles of chapters by their ids. */
  titles: ReadonlyMap<string, string>;
  /** The page labels of places, once the pages have been set. */
  pages?: ReadonlyMap<string, string>;
  /** Headings down to this level are offered. */
  offered: number;
  /** Places that were linked to lately, the newest first. */
  recent: readonly string[];
  /** Where the author is in reading order. */
  order: number;
}

/** Spots without a name and marks of notes are led to, but not picked. */
const UNNAMED = new Set<PlaceKind>(['spot', 'mark']);

/**
 * Places that fit what is typed: by their words, their number or their chapter. The best fits come first; among equals
 * those that were used lately, then those that are near. Without words: those used lately and those near.
 */
export function fittingPlaces(
  typed: string,
  { places, titles, offered, recent, order }: PlaceSearch,
): Place[] {
  const wanted = typed.trim();
  const candidates = [...places.values()].filter(
    ({ kind, words, level, chapter }) =>
      !UNNAMED.has(kind) &&
      words !== '' &&
      (level ?? 0) <= offered &&
      // A chapter and its first heading are one place to a reader.
      (kind !== 'heading' || words !== titles.get(chapter)),
  );
  const fits = fitting(wanted);
  const ranked = candidates.map((place) => ({ place, fit: fitOf(place, wanted, fits, titles) }));
  return ranked
    .filter(({ fit, place }) => (wanted === '' ? place.kind !== 'top' && place.kind !== 'contents' : fit > 0))
    .sort(
      (one, other) =>
        other.fit - one.fit ||
        rankOf(one.place) - rankOf(other.place) ||
        used(one.place, recent) - used(other.place, recent) ||
        Math.abs(one.place.order - order) - Math.abs(other.place.order - order),
    )
    .slice(0, MOST)
    .map(({ place }) => place);
}

/** Headings and bookmarks are led to more often than pictures and notes. */
const rankOf = ({ kind }: Place): number =>
  kind === 'chapter' || kind === 'heading' || kind === 'bookmark' ? 0 : 1;

const used = ({ id }: Place, recent: readonly string[]): number => {
  const at = recent.indexOf(id);
  return at < 0 ? recent.length : at;
};

function fitOf(
  { words, label, number, chapter }: Place,
  wanted: string,
  fits: (words: string) => number,
  titles: ReadonlyMap<string, string>,
): number {
  if (wanted === '') return 0;
  if (number !== '' && (number === wanted || label.toLowerCase() === wanted.toLowerCase())) return 4;
  const own = fits(`${label} ${words}`);
  if (fits(words) === 2) return 3;
  if (own > 0 || (number !== '' && number.startsWith(wanted))) return 2;
  return fits(`${words} ${titles.get(chapter) ?? ''}`) > 0 ? 1 : 0;
}

const KIND_WORDS: Record<PlaceKind, string> = {
  top: 'Title page',
  contents: 'List',
  page: 'Page',
  chapter: 'Chapter',
  heading: 'Heading',
  figure: 'Picture',
  table: 'Table',
  bookmark: 'Bookmark',
  item: 'Item',
  note: 'Note',
  mark: 'Mark of a note',
  spot: 'Spot',
};

/** Where a place is, in one line; with its page, once pages are known. */
export function aboutPlace(
  { id, kind, chapter, number }: Place,
  { titles, pages }: Pick<PlaceSearch, 'titles' | 'pages'>,
): string {
  const page = pages?.get(id);
  return `${whereIs({ kind, chapter, number }, titles)}${page ? `, page ${page}` : ''}`;
}

function whereIs(
  { kind, chapter, number }: Pick<Place, 'kind' | 'chapter' | 'number'>,
  titles: ReadonlyMap<string, string>,
): string {
  const what =
    (kind === 'note' || kind === 'item') && number ? `${KIND_WORDS[kind]} ${number}` : KIND_WORDS[kind];
  return kind === 'chapter' || kind === 'top' ? what : `${what} in “${titles.get(chapter) ?? ''}”`;
}

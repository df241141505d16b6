import type { Node } from 'prosemirror-model';
import { phrases } from '../../language/index.js';
import { saidOfPicture, type LinkArea, type Matter, type Place } from '../../manuscript/index.js';
import type { Edition } from './edition.js';

/** A line of a list of contents. */
export interface ContentsLine {
  place: string;
  /** With the number before them. */
  words: string;
  /** From 1. */
  depth: number;
}

/** Words with their number before them. */
export const numbered = ({ label, words }: Pick<Place, 'label' | 'words'>): string =>
  [label, words].filter(Boolean).join(' ');

/** The number of a place as it is called; empty where it has none. */
export const labelOf = ({ places }: Edition, id: string | null): string =>
  (id !== null && places.get(id)?.label) || '';

/** The number of a figure or a table, and what stands before it: `Figure `, `4`. */
export function labelParts(edition: Edition, id: string | null): { said: string; number: string } {
  const label = labelOf(edition, id);
  const { number = '' } = edition.places.get(id ?? '') ?? {};
  return { said: label.endsWith(number) ? label.slice(0, -number.length) : `${label} `, number };
}

/** A heading of that label is counted by the program that opens the manuscript, as it is here. */
export const isCountedThere = ({ book }: Edition, matter: Matter | undefined, label: string): boolean =>
  book.structure.numbering === 'decimal' && matter === 'main' && label !== '';

/** The words of a part of a picture that leads somewhere. */
export const areaWords = ({ book }: Edition, picture: Node, area: LinkArea): string =>
  area.name || saidOfPicture(picture) || phrases(book.language).picture;

/** The lines of a list of contents of the text. */
export const contentsLines = ({ map }: Edition, list: string): ContentsLine[] =>
  (map.contents.get(list)?.lines ?? []).map((line) => ({
    place: line.place,
    words: numbered(line),
    depth: line.depth,
  }));

/** How many levels of headings contents have that no page bounds, where the author chose no other. */
const LISTED = 3;

/** How deep the contents of the whole book go, in levels of headings. */
export const listedIn = ({ book }: Edition): number => book.structure.listed ?? LISTED;

/** The lines of the contents of the whole book. */
export const bookLines = ({ places }: Edition, listed: number): ContentsLine[] =>
  [...places.values()]
    .filter(({ kind, level }) => kind === 'heading' && (level ?? 9) <= listed)
    .map((place) => ({ place: place.id, words: numbered(place), depth: place.level ?? 1 }));

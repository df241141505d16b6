import type { Node } from 'prosemirror-model';
import { phrases } from '../language/index.js';
import type { Matter, ReadBook, ReadChapter } from './book.js';
import { groupedBy } from './grouped.js';
import { numbersOf } from './numbering.js';
import { spotsOf, type PlaceKind, type Spot } from './spots.js';
import type { Numbering } from './structure.js';

/** A spot in the book that a link can lead to. */
export interface Place {
  id: string;
  kind: PlaceKind;
  /** Words that tell which spot it is: the heading, the bookmark's name, or how the text there begins. */
  words: string;
  /** What stands there: the words that a bookmark is on, the caption of a figure. */
  text: string;
  chapter: string;
  /** The number alone, `3.2`; empty where it has none. */
  number: string;
  /** The number as it is called: `3.2`, `Part I`, `Figure 4`. */
  label: string;
  /** Of a heading, 1 to 6. */
  level: number | null;
  /** The heading of the section in which it stands, or the chapter where it stands before any heading. */
  section: string;
  /** Of a chapter: nothing stands in it but its heading. */
  unwritten: boolean;
  /** Places in reading order have rising numbers; so have `orderOf` their positions. */
  order: number;
}

/** The place at the very top of the book, and the book's contents: every made file has both. */
export const TOP = 'book-top';
export const CONTENTS = 'book-contents';

const CHAPTER = 2 ** 24;

/** Where a position of a chapter comes in the reading order of the book. */
export const orderOf = (chapterIndex: number, at: number): number => chapterIndex * CHAPTER + at;

/** The chapter, by its index, in which a spot stands that comes there in reading order. */
export const chapterIndexOf = (order: number): number => Math.max(0, Math.floor((order + 0.5) / CHAPTER));

/** The position in its chapter's doc of a spot that comes there in reading order. */
export const positionOf = (order: number): number =>
  Math.max(0, Math.ceil(order - chapterIndexOf(order) * CHAPTER));

/** Every place of a book by its id, in reading order. A chapter's id is the place at its top. */
export function placesOf(book: Pick<ReadBook, 'chapters' | 'language' | 'structure'>): Map<string, Place> {
  const said = phrases(book.language);
  const places = new Map<string, Place>();
  const add = (place: Place) => {
    if (!places.has(place.id)) places.set(place.id, place);
  };
  const [first] = book.chapters;
  if (!first) return places;
  const edge = {
    text: '',
    number: '',
    label: '',
    level: null,
    unwritten: false,
    chapter: first.id,
    section: first.id,
  };
  add({ id: TOP, kind: 'top', words: said.toTop, ...edge, order: -2 });
  add({ id: CONTENTS, kind: 'contents', words: said.contents, ...edge, text: said.contents, order: -1 });
  const read = book.chapters.map((chapter) => ({ chapter, ...spotsOf(chapter.doc, chapter.id) }));
  const numbers = numbersOf(
    read.map(({ chapter: { matter }, spots }) => ({ matter, spots })),
    book.structure.numbering,
  );
  const labelled = (spot: Spot, matter: Matter): Pick<Place, 'number' | 'label'> => {
    const { number = spot.number, depth = 0 } = numbers.get(spot.id) ?? {};
    return { number, label: labelOf(spot.kind, number, depth, matter, book) };
  };
  read.forEach(({ chapter, spots }, index) => {
    add(chapterPlace(chapter, spots, index, labelled));
    let section = chapter.id;
    for (const spot of spots) {
      if (spot.kind === 'heading') section = spot.id;
      const words =
        spot.kind === 'contents'
          ? said.contents
          : spot.kind === 'page'
            ? `${capital(said.page)} ${spot.number}`
            : spot.words;
      const { id, kind, text, level, at } = spot;
      const order = orderOf(index, at);
      add({
        id,
        kind,
        words,
        text,
        level,
        section,
        order,
        unwritten: false,
        chapter: chapter.id,
        ...labelled(spot, chapter.matter),
      });
    }
  });
  return places;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** The headings of each chapter in reading order, by the id of the chapter. */
export function headingsByChapter(places: ReadonlyMap<string, Place>): Map<string, Place[]> {
  const headings = [...places.values()].filter(({ kind }) => kind === 'heading');
  return groupedBy(headings, ({ chapter }) => chapter);
}

/** A chapter and its first heading are one place to a reader, so it has its number. */
function chapterPlace(
  { id, title, matter, doc }: ReadChapter,
  spots: readonly Spot[],
  index: number,
  labelled: (spot: Spot, matter: Matter) => Pick<Place, 'number' | 'label'>,
): Place {
  const heading =
    doc.firstChild?.type.name === 'heading' ? spots.find(({ kind }) => kind === 'heading') : null;
  return {
    id,
    kind: 'chapter',
    words: title,
    text: title,
    chapter: id,
    level: null,
    section: heading?.id ?? id,
    ...(heading ? labelled(heading, matter) : { number: '', label: '' }),
    unwritten: isUnwritten(doc),
    order: orderOf(index, 0) - 0.5,
  };
}

/** Nothing stands in the text but a heading, and lines without words. */
const isUnwritten = (doc: Node): boolean =>
  doc.children.every(
    ({ type, content }, index) =>
      (index === 0 && type.name === 'heading') || (type.name === 'paragraph' && content.size === 0),
  );

function labelOf(
  kind: PlaceKind,
  number: string,
  depth: number,
  matter: Matter,
  { language, structure }: { language: string; structure: { numbering: Numbering } },
): string {
  if (number === '') return '';
  const said = phrases(language);
  if (kind === 'figure') return `${said.figure} ${number}`;
  if (kind === 'table') return `${said.table} ${number}`;
  if (kind === 'item') return `${said.item} ${number}`;
  const isPart = structure.numbering === 'parts' && depth === 1 && matter === 'main';
  return isPart ? `${said.part} ${number}` : number;
}

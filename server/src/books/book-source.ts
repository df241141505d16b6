import { placesOf, readChapter, type Structure } from '@vennet/core/manuscript';
import type { Manuscript, VersionedChapter } from '@vennet/core/wire';

/** A chapter as it is stored: its text is JSON that was not read yet. */
export interface ChapterSource extends Omit<VersionedChapter, 'doc'> {
  doc: string;
}

/** Another book of the Library; its text is there only where the book leads to it. */
export interface OtherSource {
  id: string;
  title: string;
  author: string;
  address: string | null;
  text: { language: string; structure: Structure; chapters: ChapterSource[] } | null;
}

/** All that a book is computed from, as it is stored: reading it is the work of whoever computes. */
export interface BookSource extends Omit<Manuscript, 'chapters' | 'books'> {
  chapters: ChapterSource[];
  others: OtherSource[];
}

/** How much of text a source holds, in signs. */
export const sizeOf = ({ chapters, others }: BookSource): number =>
  [...chapters, ...others.flatMap(({ text }) => text?.chapters ?? [])].reduce(
    (sum, { doc }) => sum + doc.length,
    0,
  );

/** A chapter with its text read. */
export const readSource = (chapter: ChapterSource): VersionedChapter => ({
  ...chapter,
  doc: JSON.parse(chapter.doc) as object,
});

/** The book as it travels and is computed from. */
export function manuscriptFrom({ chapters, others, ...book }: BookSource): Manuscript {
  return {
    ...book,
    chapters: chapters.map(readSource),
    books: others.map(({ text, ...other }) => ({ ...other, places: text && placesIn(text) })),
  };
}

/** Every place of a book with its words, in the order of the text. */
export function placesIn({
  language,
  structure,
  chapters,
}: NonNullable<OtherSource['text']>): [string, string][] {
  const read = chapters.map((chapter) => readChapter(readSource(chapter)));
  return [...placesOf({ language, structure, chapters: read }).values()].map(({ id, words }) => [id, words]);
}

import { phrases } from '../../language/index.js';
import { idsIn, type Note } from '../../manuscript/index.js';
import type { Edition } from './edition.js';

/** One way back from a note to one of its marks. */
export interface NoteBack {
  id: string;
  /** The place of the mark. */
  to: string;
  words: string;
}

/** Notes are real footnotes: they stand at the foot of the page of their first mark. */
export const atFoot = ({ format, book }: Edition): boolean =>
  format === 'pdf' && book.structure.notes.stand === 'page';

/** Notes stand in a list after the text of the whole book, not after each chapter. */
export const afterBook = ({ book }: Edition): boolean => book.structure.notes.stand === 'book';

/**
 * The ways back of a note, one for each of its marks, in the author's words. At the foot of a page the number itself leads
 * back to the first mark; the words stand there when the author has some, or when there are more marks.
 */
export function noteBacks(note: Note, edition: Edition): NoteBack[] {
  const { language, structure } = edition.book;
  const own = note.back || structure.notes.back;
  const words = own || phrases(language).back;
  const { marks } = note;
  const backs = marks.map(({ id, back }, index) => ({
    id: `${note.id}-back-${index + 1}`,
    to: id,
    words: back || (marks.length > 1 ? `${words} ${index + 1}` : words),
  }));
  return atFoot(edition) && own === '' && marks.length === 1 ? [] : backs;
}

/** The notes that are listed after a chapter, or after the book. */
export const notesOfChapter = ({ map }: Edition, chapter: string): Note[] =>
  map.notes.filter((note) => note.chapter === chapter);

/** The ids of notes, and of everything in them. */
export const idsInNotes = ({ map }: Edition): string[] =>
  map.notes.flatMap(({ id, node }) => [id, ...idsIn(node)]);

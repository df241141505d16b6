import type { BookDetails } from '../../manuscript/index.js';
import { languageTold, plainWords } from '../../language/index.js';

/** What a file says of the book that it holds. */
export type FileDetails = Omit<BookDetails, 'id' | 'look' | 'structure'>;

/** The longest title and author, and the longest description, in signs. */
const LONGEST = { title: 300, description: 5_000 };

/** What a file says of its book, within the bounds of what can be kept. */
export const detailsFrom = (
  said: Record<'title' | 'author' | 'language' | 'description', string>,
): FileDetails => ({
  title: plainWords(said.title, LONGEST.title),
  subtitle: '',
  author: plainWords(said.author, LONGEST.title),
  // English where the file tells no tag that is well-formed.
  language: languageTold(said.language) ?? 'en',
  description: plainWords(said.description, LONGEST.description),
});

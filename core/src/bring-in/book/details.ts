import type { BookDetails } from '../../manuscript/index.js';
import { plainWords } from '../../language/index.js';

/** What a file says of the book that it holds. */
export type FileDetails = Omit<BookDetails, 'id' | 'look' | 'structure'>;

/** The longest title and author, the longest description, and the longest language tag (BCP 47, 4.4.1), in signs. */
const LONGEST = { title: 300, description: 5_000, language: 35 };

/** What a file says of its book, within the bounds of what can be kept. */
export const detailsFrom = (
  said: Record<'title' | 'author' | 'language' | 'description', string>,
): FileDetails => ({
  title: plainWords(said.title, LONGEST.title),
  subtitle: '',
  author: plainWords(said.author, LONGEST.title),
  language: languageFrom(said.language),
  description: plainWords(said.description, LONGEST.description),
});

/** A language tag as BCP 47 writes it; English where the file tells none that is well-formed. */
function languageFrom(told: string): string {
  try {
    const [tag = ''] = Intl.getCanonicalLocales(told.trim());
    return tag !== '' && tag.length <= LONGEST.language && /^[a-z]{2,3}(?:-|$)/.test(tag) ? tag : 'en';
  } catch {
    return 'en';
  }
}

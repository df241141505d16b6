import type { BookDetails } from '../../manuscript/index.js';
import { AUTHOR_LANGUAGE, languageName, languageTold, plainWords } from '../../language/index.js';
import type { Tally } from './report.js';

/** What a file says of the book that it holds. */
export type FileDetails = Omit<BookDetails, 'id' | 'look' | 'structure'>;

/** The longest title and author, and the longest description, in signs. */
const LONGEST = { title: 300, description: 5_000 };

/** What a file says of its book, within the bounds of what can be kept. `guess` gives the language of its words. */
export const detailsFrom = (
  said: Record<'title' | 'author' | 'language' | 'description', string> & { subtitle?: string },
  tally: Tally,
  guess: () => string | null,
): FileDetails => ({
  title: plainWords(said.title, LONGEST.title),
  subtitle: plainWords(said.subtitle ?? '', LONGEST.title),
  author: plainWords(said.author, LONGEST.title),
  language: languageFrom(said.language.trim(), tally, guess),
  description: plainWords(said.description, LONGEST.description),
});

/** The language that a file says it is in, else that of its words, else English. What is not as it was said is told. */
function languageFrom(said: string, tally: Tally, guess: () => string | null): string {
  const told = languageTold(said);
  const shown = `“${said.slice(0, 40)}”`;
  if (told !== null) {
    if (told.toLowerCase() !== said.toLowerCase())
      tally.add('changed', 'languages of the book', `${shown} is written ${told}`);
    return told;
  }
  const guessed = guess();
  const language = guessed ?? 'en';
  const why = said === '' ? 'the file doesn’t say it' : `${shown} names none`;
  const by = guessed ? 'by its words it is' : 'it is taken for';
  tally.add(
    'changed',
    'languages of the book',
    `${why}; ${by} ${languageName(language, AUTHOR_LANGUAGE) ?? language}`,
  );
  return language;
}

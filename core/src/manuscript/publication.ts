import { isbnIn } from './isbn.js';

/** Somebody who took part in a book; `role` is a code of the MARC relator terms such as `ill`, or empty. */
export interface Contributor {
  name: string;
  role: string;
}

/**
 * What is said of a published book beside its title, author, language and description (Dublin Core, as EPUB 3.3 has it in 5.5.3), each as
 * it was written; empty where nothing is.
 */
export interface Publication {
  /** Each author by name, where there are several; see `authorsOf`. */
  authors: string[];
  publisher: string;
  /** When it was published, as W3CDTF: 2026, 2026-11 or 2026-11-28. */
  published: string;
  rights: string;
  source: string;
  /** Names of the book that others know it by, such as its ISBN. */
  identifiers: string[];
  subjects: string[];
  contributors: Contributor[];
  /** The enclosure that its cover shows; `null`: the cover is drawn of title and author. */
  cover: string | null;
}

/** The id in a cover that was drawn of title and author, by which it is known when it comes in again. */
export const DRAWN_COVER = 'drawn-of-the-title';

export const NO_PUBLICATION: Publication = {
  authors: [],
  publisher: '',
  published: '',
  rights: '',
  source: '',
  identifiers: [],
  subjects: [],
  contributors: [],
  cover: null,
};

/** The line that the names of authors make, as it stands on a title page and in lists. */
export const authorLine = (names: readonly string[]): string => names.join(', ');

/** What is kept of authors beside their line: nothing where that says it already. */
export const authorList = (names: readonly string[]): string[] => (names.length > 1 ? [...names] : []);

/** The authors of a book, one by one. Where its line of authors was changed by itself, that line is one author. */
export function authorsOf({ author, publication }: { author: string; publication?: Publication }): string[] {
  const names = publication?.authors ?? [];
  if (authorLine(names) === author) return names;
  return author === '' ? [] : [author];
}

/** The lines of an imprint, as they stand on a title page: publisher and date, rights, ISBN. */
export const imprintOf = ({
  publisher,
  published,
  rights,
  identifiers,
}: Publication = NO_PUBLICATION): string[] =>
  [
    [publisher, published].filter(Boolean).join(', '),
    rights,
    ...identifiers
      .filter((one) => isbnIn(one) !== null)
      .map((one) => one.replace(/^(?:urn:isbn:|isbn[:\s]*)?/i, 'ISBN ')),
  ].filter(Boolean);

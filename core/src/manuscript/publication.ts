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
  publisher: '',
  published: '',
  rights: '',
  source: '',
  identifiers: [],
  subjects: [],
  contributors: [],
  cover: null,
};

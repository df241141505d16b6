/** Who can open an enclosure: everyone who has the book, those who review it, or the author alone. */
export const OPENS_FOR = ['everyone', 'reviewers', 'author'] as const;
export type OpensFor = (typeof OPENS_FOR)[number];

/** How an enclosure reaches readers: in the made file, in a folder next to it, or from a public web address. */
export const TRAVELS = ['inside', 'beside', 'public'] as const;
export type Travels = (typeof TRAVELS)[number];

/** A file of the book as the Shelf keeps it. */
export interface ShelfFile {
  id: string;
  name: string;
  /** Media type, told by the content. */
  type: string;
  /** What its name says that it is, when its content is something else: a ZIP archive called `.pdf`. */
  claims: string | null;
  /** In bytes. */
  size: number;
  sha256: string;
  /** The size of a picture, in its own pixels; left out where it has none. */
  pixels?: { width: number; height: number } | null;
  description: string;
  opensFor: OpensFor;
  travels: Travels;
  /** Where readers get it, when it is at a public address. */
  address: string | null;
  /** How many versions before this one can be gone back to. */
  earlier?: number;
}

/** Another book of the Library, as far as links to it need it. */
export interface OtherBook {
  id: string;
  title: string;
  author: string;
  /** Where readers get it; `null` while it is nowhere to be had. */
  address: string | null;
  /** Its places by id; `null` where they are not known here. */
  places: ReadonlyMap<string, string> | null;
}

/** What the links of a book can lead to beside its text and the network. */
export interface Surroundings {
  files: ReadonlyMap<string, ShelfFile>;
  books: ReadonlyMap<string, OtherBook>;
}

export const NO_SURROUNDINGS: Surroundings = { files: new Map(), books: new Map() };

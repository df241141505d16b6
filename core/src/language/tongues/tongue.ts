/** The words that Vennet itself puts into a book, in one language. Each language is a file beside this one. */
export interface Phrases {
  contents: string;
  /** The list of addresses at the end of a printed book. */
  addresses: string;
  /** The list of pages of the web at the end of a book; `seenOn` follows the site of one. */
  sources: { title: string; seenOn(day: string): string };
  notes: string;
  note: string;
  figure: string;
  table: string;
  /** An item of a numbered list, before its number, in a sentence. */
  item: string;
  part: string;
  /** What a chapter without a heading is called, before its number. */
  chapter: string;
  page: string;
  above: string;
  below: string;
  /** The way back from a note. */
  back: string;
  backTo: string;
  toTop: string;
  toContents: string;
  /** Past what stands before the text of a web page. */
  toText: string;
  /** To the chapter before, and to the one after. */
  previous: string;
  next: string;
  toList: string;
  /** A copy in an archive, before the day on which it was made. */
  archivedCopy: string;
  /** Said of a link that writes an email, and of one that opens a window. */
  email: string;
  newWindow: string;
  titlePage: string;
  startOfText: string;
  /** Stands for the words of a picture that has none. */
  picture: string;
  withBook: WithBookPhrases;
  accessibility: AccessibilityPhrases;
  file: FilePhrases;
}

/** The list of files and books that go with a book. Full sentences. */
export interface WithBookPhrases {
  title: string;
  /** Of another book; `author` may be empty. */
  otherBook(author: string): string;
  /** How readers come by a file. */
  apart: string;
  beside(path: string): string;
  attached: string;
  inside(path: string): string;
}

/** What an e-book says of itself (`schema:accessibilitySummary`). Full sentences. */
export interface AccessibilityPhrases {
  allDescribed: string;
  someNotDescribed: string;
}

/** The kinds of files that have a word of their own. */
export type FileKind =
  | 'archive'
  | 'calendar'
  | 'data'
  | 'eBook'
  | 'file'
  | 'film'
  | 'font'
  | 'picture'
  | 'route'
  | 'sound'
  | 'table'
  | 'text'
  | 'textFile'
  | 'webPage';

/** What readers are told of a file. */
export interface FilePhrases {
  kinds: Record<FileKind, string>;
  /** A kind with the sign of its format: "PNG picture". */
  named(sign: string, kind: string): string;
  /** Of 2 to 999 bytes: the unit alone. */
  byte: string;
  bytes: string;
  kilobytes: string;
  megabytes: string;
}

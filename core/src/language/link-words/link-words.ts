/**
 * The words of one language by which the words of a link are judged. All are in small letters; words of one list are divided
 * by spaces. Common practice of native writers of web pages; the examples of F63 and F84 stand in the English list.
 */
export interface LinkWords {
  /** Words that say nothing of where a link leads. A link of nothing but these and `filling` is vague. */
  vague: string;
  /** Words that may stand with them and add nothing. */
  filling: string;
  /** Whole link texts that are vague, though their words are not. */
  phrases: readonly string[];
  /** What stands for a picture and says nothing of it. */
  picture: string;
  /** How words begin that describe a picture. */
  pictureOf: readonly string[];
  /** Words that say that a link writes an email. */
  mail: string;
  /** Words that say that a link opens a window. */
  newWindow: readonly string[];
  /** Headings of lists of sources. */
  sources: readonly string[];
  /** A page by its number, as a pattern: `#` stands for the number. */
  page: readonly string[];
}

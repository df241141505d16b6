import type { BroughtIn } from '@vennet/core/bring-in';
import type { BookDetails } from '@vennet/core/manuscript';
import type { NewChapter } from '../books/chapter-text.js';

/** What was brought in, ready to be stored. */
export interface Brought extends Omit<BroughtIn, 'book'> {
  book: BookDetails;
  chapters: NewChapter[];
  /** Where the words of the pages of a finished file lie, a line of JSON each. */
  pages: string | null;
}

/** How far the reading of a long file is. */
export interface Reading {
  stage: string;
  done: number;
  total: number;
}

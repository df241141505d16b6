import { bookmarkNameTwice, unusedBookmark } from './bookmarks.js';
import { contentsEmpty, contentsLeaveOut, contentsLook } from './contents.js';
import { doubledId } from './doubled-id.js';
import type { InsideBook, InsideFinding, InsideRule } from './inside-finding.js';
import { markWithoutNote, noteWithoutMark, noteWithoutWords } from './notes.js';
import { bookLook } from './book-look.js';
import { pagesUntagged } from './pages-untagged.js';
import { returnNowhere } from './return-nowhere.js';

/** Every rule over the places of a book, the gravest first. */
export const insideRules: readonly InsideRule[] = [
  bookLook,
  pagesUntagged,
  contentsLook,
  doubledId,
  markWithoutNote,
  noteWithoutWords,
  contentsEmpty,
  noteWithoutMark,
  bookmarkNameTwice,
  returnNowhere,
  contentsLeaveOut,
  unusedBookmark,
];

/** What is found of a book's places, notes, lists of contents and return links. */
export function auditInside(inside: InsideBook): InsideFinding[] {
  return insideRules.flatMap(({ id: rule, severity, criterion, find }) =>
    find(inside).map((found) => ({ rule, severity, criterion, ...found })),
  );
}

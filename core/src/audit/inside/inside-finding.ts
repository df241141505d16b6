import type { HandMadeNote } from '../../edits/index.js';
import type { BookMap, Link, ReadBook } from '../../manuscript/index.js';
import type { InsideRepair } from '../../repair/index.js';
import type { RuleHead, Severity } from '../finding.js';

/** What a check of the book's own places can be about. */
export const SUBJECT_KINDS = [
  'bookmark',
  'place',
  'note',
  'mark',
  'remark',
  'contents',
  'return',
  'look',
  'pages',
] as const;
export type SubjectKind = (typeof SUBJECT_KINDS)[number];

/** Something of the book that is no link but that links depend on. `at` is its position in its chapter's doc. */
export interface InsideSubject {
  id: string;
  kind: SubjectKind;
  chapter: string;
  at: number;
  /** What it is called. */
  words: string;
}

/** What a check says of a place, a note or a list of contents. */
export interface InsideFinding {
  subject: InsideSubject;
  rule: string;
  severity: Severity;
  message: string;
  criterion: string;
  repairs: { label: string; repair: InsideRepair }[];
}

/** What rules over the whole book may know of it. */
export interface InsideBook {
  book: ReadBook;
  map: BookMap;
  links: readonly Link[];
  handMade: readonly HandMadeNote[];
}

/** One rule over the places of a book: pure, one file each, listed in `inside/index.ts`. */
export interface InsideRule extends RuleHead {
  find(inside: InsideBook): Omit<InsideFinding, 'rule' | 'severity' | 'criterion'>[];
}

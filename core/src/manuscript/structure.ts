/** How headings, figures and tables are counted: not at all, `1.2.3`, or in parts (Part I, chapters counted through). */
export const NUMBERINGS = ['none', 'decimal', 'parts'] as const;
export type Numbering = (typeof NUMBERINGS)[number];

/** Notes are counted anew in each chapter, or through the book. */
export const NOTE_COUNTS = ['chapter', 'book'] as const;

/** Where notes are shown: at the foot of the page (where a form has pages), after their chapter, after the text. */
export const NOTE_STANDS = ['page', 'chapter', 'book'] as const;
export type NoteStand = (typeof NOTE_STANDS)[number];

/** Where a return link can lead: the top of the book, its contents, or the links that led to this section. */
export const RETURNS = ['top', 'contents', 'origin'] as const;
export type ReturnTo = (typeof RETURNS)[number];

/** Whom a book is for. */
export const READERS = ['everyone', 'reviewers', 'author'] as const;
export type Readers = (typeof READERS)[number];

/** What is chosen once for the whole book of how it counts, shows notes and leads back. */
export interface Structure {
  numbering: Numbering;
  notes: {
    count: (typeof NOTE_COUNTS)[number];
    stand: NoteStand;
    /** The author's words for the way back from a note; empty: those of the book's language. */
    back: string;
  };
  returns: {
    /** Return links stand after each section down to this level of headings; 0: only where they are put by hand. */
    after: number;
    to: ReturnTo[];
  };
  /** Headings down to this level are offered as places that a link can lead to. */
  offered: number;
  /** Headings down to this level stand in the contents of a made file; those that its form is used to without. */
  listed?: number;
  /** Whom it is for; everyone without. */
  readers?: Readers;
}

export const DEFAULT_STRUCTURE: Structure = {
  numbering: 'none',
  notes: { count: 'chapter', stand: 'page', back: '' },
  returns: { after: 0, to: ['contents'] },
  offered: 6,
};

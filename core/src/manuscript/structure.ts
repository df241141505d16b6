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
}

export const DEFAULT_STRUCTURE: Structure = {
  numbering: 'none',
  notes: { count: 'chapter', stand: 'page', back: '' },
  returns: { after: 0, to: ['contents'] },
  offered: 6,
};

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null;
const isLevel = (value: unknown, least: number): boolean =>
  Number.isInteger(value) && Number(value) >= least && Number(value) <= 6;
const among = (list: readonly string[], value: unknown): boolean => list.includes(String(value));

/** Says what is wrong with a value that should be the structure of a book, or `null` when it is one. */
export function faultInStructure(value: unknown): string | null {
  if (!isObject(value)) return 'a structure must be an object';
  const { numbering, notes, returns, offered } = value;
  if (!among(NUMBERINGS, numbering)) return `numbering is ${NUMBERINGS.join(', ')}`;
  if (!isObject(notes) || !among(NOTE_COUNTS, notes.count)) return `notes.count is ${NOTE_COUNTS.join(', ')}`;
  if (!among(NOTE_STANDS, notes.stand)) return `notes.stand is ${NOTE_STANDS.join(', ')}`;
  if (typeof notes.back !== 'string' || notes.back.length > 100) return 'notes.back is at most 100 signs';
  if (!isObject(returns) || !isLevel(returns.after, 0)) return 'returns.after is a level from 0 to 6';
  if (!Array.isArray(returns.to) || !returns.to.every((one) => among(RETURNS, one)))
    return `returns.to lists ${RETURNS.join(', ')}`;
  return isLevel(offered, 1) ? null : 'offered is a level from 1 to 6';
}

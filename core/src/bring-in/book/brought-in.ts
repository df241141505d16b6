import type { Book } from '../../manuscript/index.js';
import type { BringInReport } from './report.js';

/** A file that came with a book: a picture, whose `bytes` are safe to show, or anything else that links lead to. */
export interface BroughtEnclosure {
  id: string;
  name: string;
  /** Media type, told by the content; of a file that is no picture it is not known yet. */
  type: string;
  bytes: Uint8Array;
  picture: boolean;
}

/** A book made from a file, the files that came with it, and what became of everything in it. */
export interface BroughtIn {
  book: Book;
  enclosures: BroughtEnclosure[];
  report: BringInReport;
}

import type { Book } from '../../manuscript/index.js';
import type { BroughtEnclosure } from './picture.js';
import type { BringInReport } from './report.js';

/** A book made from a file, the files that came with it, and what became of everything in it. */
export interface BroughtIn {
  book: Book;
  enclosures: BroughtEnclosure[];
  report: BringInReport;
}

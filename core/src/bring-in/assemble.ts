import type { Node } from 'prosemirror-model';
import { countWords, DEFAULT_LOOK, titleOf, type Book, type Matter } from '../manuscript/index.js';
import type { BroughtIn } from './bring-in.js';
import type { Enclosures } from './enclosures.js';
import type { Tally } from './report.js';
import { separateLinks } from './separate-links.js';

export interface ChapterDraft {
  id: string;
  matter: Matter;
  doc: Node;
  /** What to call the chapter when it has no heading. */
  title?: string;
}

/** Puts the chapters that were read together into a book, with its report. */
export function assemble(
  details: Omit<Book, 'id' | 'chapters' | 'look'>,
  drafts: ChapterDraft[],
  enclosures: Enclosures,
  tally: Tally,
  mint: () => string,
): BroughtIn {
  tally.add('kept', drafts.length === 1 ? 'chapter' : 'chapters', undefined, drafts.length);
  const chapters = drafts.map(({ id, matter, doc, title }, index) => {
    const separate = separateLinks(doc, mint);
    separate.check();
    return {
      id,
      matter,
      title: titleOf(separate, title || `Chapter ${index + 1}`).slice(0, 300),
      doc: separate.toJSON() as unknown,
    };
  });
  const words = drafts.reduce((sum, draft) => sum + countWords(draft.doc), 0);
  tally.add('kept', 'words', undefined, words);
  return {
    book: { id: mint(), ...details, look: DEFAULT_LOOK, chapters },
    enclosures: enclosures.kept,
    report: tally.report(),
  };
}

import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { bringIn, BringInError, type BroughtEnclosure, type BroughtIn } from '@vennet/core/bring-in';
import type { BookDetails } from '@vennet/core/manuscript';
import { newChapter, type NewChapter } from '../books/chapter-text.js';
import { work } from '../jobs/work.js';
import { mint } from '../platform/mint.js';
import type { Upload } from '../platform/upload.js';
import { shownEverywhere } from '../shelf/picture-check.js';

/** What was brought in, ready to be stored. */
export interface Brought extends Omit<BroughtIn, 'book'> {
  book: BookDetails;
  chapters: NewChapter[];
}

work<Upload, never, Brought>(
  (error) => (error instanceof BringInError ? `${error.message} Your Library is as it was.` : null),
  async ({ path, name }) => {
    const source = { name, bytes: new Uint8Array(readFileSync(path)) };
    const read = bringIn(source, mint);
    const broken = new Set<string>();
    const known = new Map<string, BroughtEnclosure>();
    for (const enclosure of read.enclosures.filter(({ picture }) => picture)) {
      const shown = await shownEverywhere(enclosure);
      if (shown) known.set(hashOf(enclosure.bytes), { ...enclosure, ...shown });
      else broken.add(hashOf(enclosure.bytes));
    }
    // Whether a picture can be read to its end is known only now; the text is read again without those that can't.
    const made = broken.size > 0 ? bringIn(source, mint, (bytes) => !broken.has(hashOf(bytes))) : read;
    const { book: whole, ...rest } = withShown(made, known);
    const { chapters, ...details } = whole;
    return { ...rest, book: details, chapters: chapters.map(newChapter) };
  },
);

const hashOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

/** The book with its pictures as every reading program shows them. */
function withShown(made: BroughtIn, known: ReadonlyMap<string, BroughtEnclosure>): BroughtIn {
  const why = 'they became PNG, which every reading program shows';
  let changed = 0;
  const enclosures = made.enclosures.map((enclosure) => {
    const shown = enclosure.picture ? known.get(hashOf(enclosure.bytes)) : undefined;
    if (!shown || shown.type === enclosure.type) return enclosure;
    changed++;
    const { type, bytes } = shown;
    return { ...enclosure, name: enclosure.name.replace(/\.\w+$/, '.png'), type, bytes };
  });
  const more = changed > 0 ? [{ what: 'pictures', count: changed, why }] : [];
  return { ...made, enclosures, report: { ...made.report, changed: [...made.report.changed, ...more] } };
}

import { readFileSync } from 'node:fs';
import { bringIn, BringInError, type BroughtIn } from '@vennet/core/bring-in';
import { GroundError } from '@vennet/core/ground/file';
import { newChapter } from '../books/chapter-text.js';
import { guessedLanguage } from '../platform/guessed-language.js';
import { work } from '../jobs/work.js';
import { mint } from '../platform/mint.js';
import { sha256 } from '../platform/sha256.js';
import { isPdf } from '../platform/is-pdf.js';
import { bringInPages } from './bring-in-pages.js';
import type { Brought, Reading } from './brought.js';
import type { Upload } from '../platform/upload.js';
import { shownEverywhere, type Shown } from '../shelf/picture-check.js';

work<Upload, Reading, Brought>(
  (error) => {
    if (error instanceof BringInError) return `${error.message} Your Library is as it was.`;
    if (!(error instanceof GroundError)) return null;
    return error.fault === 'password' || error.fault === 'wrong-password'
      ? { message: error.message, wants: 'password' }
      : `${error.message} Your Library is as it was.`;
  },
  async ({ path, name, password }, tell) => {
    const source = { name, bytes: new Uint8Array(readFileSync(path)) };
    if (isPdf(source.bytes)) return bringInPages(source, path, password ?? null, tell);
    const read = bringIn(source, mint, { guessLanguage: guessedLanguage });
    // By the hashes of their bytes; `null` for those that can't be read to their end.
    const known = new Map<string, Shown | null>();
    for (const { picture, type, bytes } of read.enclosures) {
      const hash = picture ? sha256(bytes) : '';
      if (picture && !known.has(hash)) known.set(hash, await shownEverywhere({ type, bytes }));
    }
    // That is known only now; the text is read again without them.
    const made = [...known.values()].includes(null)
      ? bringIn(source, mint, {
          guessLanguage: guessedLanguage,
          isWhole: (bytes) => known.get(sha256(bytes)) !== null,
        })
      : read;
    const { book: whole, ...rest } = withShown(made, known);
    const { chapters, ...details } = whole;
    return { ...rest, book: details, chapters: chapters.map(newChapter), pages: null };
  },
);

/** The book with its pictures as every reading program shows them. */
function withShown(made: BroughtIn, known: ReadonlyMap<string, Shown | null>): BroughtIn {
  const why = 'they became PNG, which every reading program shows';
  let changed = 0;
  const enclosures = made.enclosures.map((enclosure) => {
    const shown = enclosure.picture ? known.get(sha256(enclosure.bytes)) : undefined;
    if (!shown || shown.type === enclosure.type) return enclosure;
    changed++;
    return { ...enclosure, ...shown, name: enclosure.name.replace(/\.\w+$/, '.png') };
  });
  const more = changed > 0 ? [{ what: 'pictures', count: changed, why }] : [];
  return { ...made, enclosures, report: { ...made.report, changed: [...made.report.changed, ...more] } };
}

import type { ReadBook } from '@vennet/core/manuscript';
import {
  blocksOverPages,
  breaksIn,
  editionOf,
  withBreaks,
  withMarks,
  type EnclosureFile,
  type PdfChoices,
} from '@vennet/core/publish';
import type { Surroundings } from '@vennet/core/shelf';
import { setPages, TypesettingError } from '../typesetting/typeset.js';

/** A book with an anchor where each page of its PDF begins, and what the pages are called. */
export function withListedPages(
  book: ReadBook,
  files: readonly EnclosureFile[],
  surroundings: Surroundings,
  pdf: PdfChoices,
): ReturnType<typeof withBreaks> {
  const placesOf = (wanted?: Parameters<typeof withMarks>[1]) =>
    setPages(editionOf(withMarks(book, wanted), files, 'pdf', surroundings, { pdf })).places;
  try {
    // Which blocks go over an end of a page is seen first; only their words are looked at one by one.
    return withBreaks(book, breaksIn(book, placesOf(blocksOverPages(placesOf()))));
  } catch (error) {
    if (!(error instanceof TypesettingError)) throw error;
    return withBreaks(book, []);
  }
}

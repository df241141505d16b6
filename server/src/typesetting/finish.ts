import { PDF } from '@libpdf/core';
import type { Edition } from '@vennet/core/publish';
import { annotate } from './annotate.js';
import { namePlaces } from './named-places.js';
import type { SetPlace } from './typeset.js';

/** Writes into a set PDF what the typesetter can't: what is said of each link, and the names of places. */
export async function finishPdf(
  bytes: Uint8Array,
  edition: Edition,
  places: readonly SetPlace[],
): Promise<Uint8Array> {
  const document = await PDF.load(bytes);
  annotate(document, edition);
  namePlaces(document, places);
  return document.save();
}

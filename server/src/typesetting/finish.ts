import { PDF } from '@libpdf/core';
import { groundFile } from '@vennet/core/ground/file';
import { phrases } from '@vennet/core/language';
import { CONTENTS } from '@vennet/core/manuscript';
import type { Edition } from '@vennet/core/publish';
import { annotate } from './annotate.js';
import { namePlaces } from './named-places.js';
import { compacted } from './compact.js';
import { layOutSections } from './sections.js';
import type { SetBack, SetPlace } from './typeset.js';
import { layWaysBack } from './ways-back.js';

/** Writes into a set PDF what the typesetter can't: what is said of each link, the sections of its structure, the names of places, and the ways back at the feet of pages. */
export async function finishPdf(
  bytes: Uint8Array,
  edition: Edition,
  places: readonly SetPlace[],
  backs: readonly SetBack[] = [],
): Promise<Uint8Array> {
  const document = await PDF.load(bytes);
  annotate(document, edition, namePlaces(document, places));
  layOutSections(document);
  const { toContents } = phrases(edition.book.language);
  if (backs.length > 0) layWaysBack(groundFile(document, bytes), backs, edition.nameOf(CONTENTS), toContents);
  return compacted(await document.save({ incremental: true }));
}

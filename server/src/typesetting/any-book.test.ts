import { describe, expect, test } from '@jest/globals';
import { faultInChapter, type ReadBook } from '@vennet/core/manuscript';
import {
  computedLinks,
  editionOf,
  expectedLinks,
  makeEpub,
  makeWebPage,
  withPages,
  type Edition,
} from '@vennet/core/publish';
import { linksInEpub, linksInPdf, linksInWebPage, prove, type FoundLink } from '@vennet/core/readback';
import { anyBook } from '@vennet/core/testing/any-book';
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

const picture = {
  id: 'e1',
  name: 'lamp.png',
  type: 'image/png',
  bytes: new Uint8Array(
    readFileSync(new URL('../../../demo/small-lights/files/key-to-the-charts.png', import.meta.url)),
  ),
};

/** What the proof finds amiss in a made form of a book: each link must be there, with its words, and land at its words. */
function amiss(edition: Edition, found: FoundLink[]): unknown[] {
  const { computed, lost, changed, added } = prove(expectedLinks(edition), found, computedLinks(edition));
  return [...lost, ...changed, ...computed.lost, ...computed.changed, ...added];
}

async function inPdf(book: ReadBook): Promise<unknown[]> {
  const edition = editionOf(book, [picture], 'pdf');
  const set = setPages(edition);
  const withNumbers = withPages(edition, set.labels);
  const bytes = await finishPdf(set.write().bytes, withNumbers, set.places);
  return amiss(withNumbers, (await linksInPdf(bytes)).links);
}

describe('any book', () => {
  test('has every link in every form, and each lands at its words', async () => {
    await fc.assert(
      fc.asyncProperty(anyBook(), async (book) => {
        for (const { doc } of book.chapters) expect(faultInChapter(doc.toJSON())).toBeNull();
        const epub = editionOf(book, [picture], 'epub');
        expect(amiss(epub, linksInEpub(makeEpub(epub, { modified: new Date(0) })))).toEqual([]);
        const web = editionOf(book, [picture], 'web');
        expect(amiss(web, linksInWebPage(makeWebPage(web)))).toEqual([]);
        expect(await inPdf(book)).toEqual([]);
      }),
      { numRuns: 40, seed: 7, endOnFailure: true },
    );
  }, 240_000);
});

import { writeFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { computedLinks, editionOf, expectedLinks, withPages } from '@vennet/core/publish';
import { linksInPdf, prove } from '@vennet/core/readback';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '@vennet/core/testing';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

test('a book with everything in it becomes a PDF in which only what leads nowhere is lost', async () => {
  const edition = editionOf(wholeBook(), wholeBookPictures, 'pdf', wholeBookSurroundings);
  const set = setPages(edition);
  const numbered = withPages(edition, set.labels);
  const { bytes: plain, notes } = set.write();
  const bytes = await finishPdf(plain, numbered, set.places);
  if (process.env.VENNET_RENEW === '1')
    writeFileSync(new URL('../../../core/example/pdf/book.pdf', import.meta.url), bytes);
  const { links } = await linksInPdf(bytes.slice());
  const { lost, changed, added, computed } = prove(expectedLinks(numbered), links, computedLinks(numbered));
  expect(lost.map(({ id }) => id)).toEqual(['f-gone', 'p-gone', 'r7', 'a-gone']);
  expect([changed, added, computed.lost, computed.changed, notes]).toEqual([[], [], [], [], []]);
});

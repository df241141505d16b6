import { beforeAll, expect, test } from '@jest/globals';
import { editionOf, withPages } from '@vennet/core/publish';
import { linksInPdf } from '@vennet/core/readback';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '@vennet/core/testing';
import { finishPdf } from '../typesetting/finish.js';
import { setPages } from '../typesetting/typeset.js';
import { linksReadBack } from './read-back.js';

let bytes: Uint8Array;
beforeAll(async () => {
  const edition = editionOf(wholeBook(), wholeBookPictures, 'pdf', wholeBookSurroundings);
  const set = setPages(edition).write();
  bytes = await finishPdf(set.bytes, withPages(edition, set.labels), set.places);
});

test('two readers side by side find what one finds, in its order', async () => {
  const told: number[] = [];
  const two = await linksReadBack(bytes.slice(), (done) => told.push(done), 2);
  expect(two).toEqual(await linksInPdf(bytes.slice()));
  expect(two.links.length).toBeGreaterThan(60);
  expect(told.at(-1)).toBe(two.pages);
});

test('a file that is none is told by either', async () => {
  const none = new TextEncoder().encode('Only words.');
  await expect(linksReadBack(none, undefined, 0)).rejects.toThrow(/can’t open/);
});

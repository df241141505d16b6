import { beforeAll, expect, test } from '@jest/globals';
import { editionOf, withPages } from '@vennet/core/publish';
import { linksInPdf } from '@vennet/core/readback';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '@vennet/core/testing';
import { finishPdf } from '../typesetting/finish.js';
import { setPages } from '../typesetting/typeset.js';
import { ReadingThread } from './second-reader.js';

let bytes: Uint8Array;
beforeAll(async () => {
  const edition = editionOf(wholeBook(), wholeBookPictures, 'pdf', wholeBookSurroundings);
  const set = setPages(edition).write();
  bytes = await finishPdf(set.bytes, withPages(edition, set.labels), set.places);
});

test('two readers side by side find what one finds, in its order', async () => {
  const told: number[] = [];
  const two = await ReadingThread.beside(Infinity, (thread) =>
    linksInPdf(bytes.slice(), (done) => told.push(done), thread?.read(bytes)),
  );
  expect(two).toEqual(await linksInPdf(bytes.slice()));
  expect(two.links.length).toBeGreaterThan(60);
  expect(told).toEqual([...told].sort((one, other) => one - other));
});

test('what the second takes and can’t read, the first reads', async () => {
  const alone = await linksInPdf(bytes.slice());
  const broken = new TextEncoder().encode('Only words.');
  const one = await ReadingThread.beside(Infinity, (thread) =>
    linksInPdf(bytes.slice(), undefined, thread?.read(broken)),
  );
  const turns = [1, 3, 5, Infinity];
  const gone = { turn: () => turns.shift()!, pages: Promise.resolve([]) };
  expect([one, await linksInPdf(bytes.slice(), undefined, gone)]).toEqual([alone, alone]);
});

test('a book of few pages has one reader', async () => {
  await ReadingThread.beside(3, (thread) => Promise.resolve(expect(thread).toBeNull()));
});

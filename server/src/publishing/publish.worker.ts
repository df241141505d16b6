import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { readBook, type Book } from '@vennet/core/manuscript';
import { editionOf, expectedLinks, makeEpub, type Edition, type Format } from '@vennet/core/publish';
import { linksInEpub, linksInPdf, prove, type Proof } from '@vennet/core/readback';
import type { WorkerSays } from '../jobs/in-worker.js';
import { TypesettingError, typesetPdf } from '../typesetting/typeset.js';

export interface PublishInput {
  format: Format;
  book: Book;
  enclosures: { id: string; name: string; type: string; path: string }[];
  modified: Date;
}

export interface PublishProgress {
  stage: string;
  done: number;
  total: number;
}

export interface Published {
  bytes: Uint8Array;
  proof: Proof;
  notes: string[];
}

const input = workerData as PublishInput;
const say = (message: WorkerSays<PublishProgress, Published>) => parentPort?.postMessage(message);
const progress = (stage: string, done = 0, total = 0) =>
  say({ says: 'progress', progress: { stage, done, total } });

try {
  progress('Reading the book');
  const files = input.enclosures.map(({ path, ...file }) => ({
    ...file,
    bytes: new Uint8Array(readFileSync(path)),
  }));
  const edition = editionOf(readBook(input.book), files);
  say({ says: 'done', result: input.format === 'epub' ? epub(edition) : await pdf(edition) });
} catch (error) {
  if (!(error instanceof TypesettingError)) throw error;
  const where = error.chapter ? `The chapter “${error.chapter}” can’t be set` : 'The book can’t be set';
  say({ says: 'refused', reason: { message: `${where}: ${error.why}.` } });
}

function epub(edition: Edition): Published {
  progress('Writing the chapters');
  const bytes = makeEpub(edition, { modified: input.modified });
  progress('Reading the file back');
  return { bytes, proof: prove(expectedLinks(edition, 'epub'), linksInEpub(bytes)), notes: [] };
}

async function pdf(edition: Edition): Promise<Published> {
  progress('Setting the pages');
  const { bytes, places, notes } = typesetPdf(edition);
  const back = await linksInPdf(bytes.slice(), places, (done, total) =>
    progress('Reading the file back', done, total),
  );
  const expected = expectedLinks(edition, 'pdf').map((link) => {
    const same = back.samePlace.get(link.href.slice(1));
    return link.href.startsWith('#') && same ? { ...link, href: `#${same}` } : link;
  });
  return { bytes, proof: prove(expected, back.links), notes };
}

import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import type { WorkerSays } from '../jobs/in-worker.js';
import { setPages, TypesettingError } from '../typesetting/typeset.js';
import type { PublishInput } from './publish.worker.js';

const { book, enclosures } = workerData as Pick<PublishInput, 'book' | 'enclosures'>;
const say = (message: WorkerSays<never, [string, string][]>) => parentPort?.postMessage(message);

try {
  const files = enclosures.map(({ path, ...file }) => ({
    ...file,
    bytes: new Uint8Array(PICTURE_EXTENSIONS[file.type] ? readFileSync(path) : []),
  }));
  const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book));
  say({ says: 'done', result: [...setPages(edition).labels] });
} catch (error) {
  if (!(error instanceof TypesettingError)) throw error;
  say({ says: 'refused', reason: { message: error.why } });
}

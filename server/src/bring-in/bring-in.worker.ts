import { readFileSync } from 'node:fs';
import { parentPort, workerData } from 'node:worker_threads';
import { bringIn, BringInError, type BroughtIn } from '@vennet/core/bring-in';
import type { WorkerSays } from '../jobs/in-worker.js';
import { mint } from '../platform/mint.js';
import type { Upload } from '../platform/upload.js';

const { path, name } = workerData as Upload;
const say = (message: WorkerSays<never, BroughtIn>) => parentPort?.postMessage(message);

try {
  say({ says: 'done', result: bringIn({ name, bytes: new Uint8Array(readFileSync(path)) }, mint) });
} catch (error) {
  if (!(error instanceof BringInError)) throw error;
  say({ says: 'refused', reason: { message: `${error.message} Your Library is as it was.` } });
}

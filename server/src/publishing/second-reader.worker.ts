import { parentPort } from 'node:worker_threads';
import { pagesInTurn, sharedTurns } from '@vennet/core/pdfium';
import type { ToRead } from './second-reader.js';

parentPort?.once('message', ({ bytes, counter }: ToRead) => {
  void pagesInTurn(bytes, sharedTurns(counter)).then((pages) => parentPort?.postMessage(pages));
});

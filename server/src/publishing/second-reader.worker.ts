import { parentPort } from 'node:worker_threads';
import { Pdfium, pagesInTurn, sharedTurns } from '@vennet/core/pdfium';
import type { ToRead } from './second-reader.js';

parentPort?.once('message', ({ bytes, counter }: ToRead) => {
  // The thread ends with its work: nothing has to be closed.
  void Pdfium.open(bytes).then((pdf) => parentPort?.postMessage(pagesInTurn(pdf, sharedTurns(counter))));
});

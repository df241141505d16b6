import { parentPort, workerData } from 'node:worker_threads';
import { pagesOfPdf } from '@vennet/core/readback';

/** Reads the later pages of a PDF while another reader has the first ones. */
const { bytes, from, to } = workerData as { bytes: Uint8Array; from: number; to: number };
parentPort?.postMessage(await pagesOfPdf(bytes, from, to));

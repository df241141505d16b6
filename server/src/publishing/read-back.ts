import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { linksInPdf, pageCountOf, type ReadAhead } from '@vennet/core/readback';

/** From so many pages on a second reader is worth its start. */
const MANY = 300;

/** The links of a PDF; those of a long one by two readers side by side. @throws {Error} a PDF that can't be opened */
export async function linksReadBack(
  bytes: Uint8Array,
  progress: (done: number, total: number) => void = () => {},
  many = MANY,
): ReturnType<typeof linksInPdf> {
  const total = await pageCountOf(bytes);
  if (total < many || availableParallelism() < 2) return linksInPdf(bytes, progress);
  // The first reader has the links to match besides.
  const from = Math.ceil(total / 2) + 1;
  const worker = new Worker(new URL('./read-back.worker.js', import.meta.url), {
    workerData: { bytes, from, to: total },
  });
  const pages = new Promise<Awaited<ReadAhead['pages']>>((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
  });
  // Whoever waits for it is told; until then nobody is.
  pages.catch(() => {});
  try {
    return await linksInPdf(bytes, progress, { from, pages });
  } finally {
    await worker.terminate();
  }
}

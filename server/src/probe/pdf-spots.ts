import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { inProcess } from '../jobs/in-process.js';
import type { PdfFound } from './body.js';
import type { PdfAsked } from './pdf-spots.process.js';

/** One PDF is opened at a time: each may take much memory. */
let before: Promise<unknown> = Promise.resolve();

/** Looks for fragments in a PDF on the disk, in a process of its own; `null` where it can't be read. */
export function spotsInPdf(path: string, fragments: readonly string[]): Promise<PdfFound | null> {
  const input: PdfAsked = { path, fragments };
  const process = new URL('./pdf-spots.process.js', import.meta.url);
  const found = before.then(() =>
    inProcess<never, PdfFound>(process, input, { limits: { time: 60_000 } }).catch(() => null),
  );
  before = found;
  return found;
}

/** Looks for fragments in a PDF that comes over the network. */
export async function openPdf(
  bytes: AsyncIterable<Uint8Array>,
  fragments: readonly string[],
): Promise<PdfFound | null> {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-pdf-'));
  try {
    const path = join(directory, 'read.pdf');
    await pipeline(Readable.from(bytes), createWriteStream(path));
    return await spotsInPdf(path, fragments);
  } finally {
    await rm(directory, { recursive: true, force: true });
  }
}

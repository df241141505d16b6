import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { sharedTurns } from '@vennet/core/pdfium';
import type { SecondReader } from '@vennet/core/readback';

/** From so many pages on a second reader is worth its start. */
const MANY = 60;

/** What the thread is given: the file, and the counter of the turns of both readers. */
export interface ToRead {
  bytes: Uint8Array;
  counter: Int32Array<SharedArrayBuffer>;
}

/** A thread that reads a made PDF together with this one. It gets ready while the file is still being written. */
export class ReadingThread {
  readonly #worker = new Worker(new URL('./second-reader.worker.js', import.meta.url));
  readonly #pages = new Promise<Awaited<SecondReader['pages']>>((resolve) => {
    this.#worker.once('message', resolve);
    this.#worker.once('error', () => resolve([]));
  });

  /** Does work on a PDF of so many pages with such a thread at hand; `null` where it wouldn't help. */
  static async beside<Result>(
    pages: number,
    work: (thread: ReadingThread | null) => Promise<Result>,
  ): Promise<Result> {
    const thread = pages >= MANY && availableParallelism() > 1 ? new ReadingThread() : null;
    try {
      return await work(thread);
    } finally {
      await thread?.end();
    }
  }

  read(bytes: Uint8Array): SecondReader {
    const counter = new Int32Array(new SharedArrayBuffer(Int32Array.BYTES_PER_ELEMENT));
    this.#worker.postMessage({ bytes, counter } satisfies ToRead);
    return { turn: sharedTurns(counter), pages: this.#pages };
  }

  end(): Promise<unknown> {
    return this.#worker.terminate();
  }
}

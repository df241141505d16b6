import { Worker, type Transferable } from 'node:worker_threads';

/** Something that a job in a worker says while it works. */
export type WorkerSays<Progress, Result> =
  | { says: 'progress'; progress: Progress }
  | { says: 'done'; result: Result }
  | { says: 'refused'; reason: Record<string, unknown> & { message: string } };

/** The job refused its input: an expected fault, with words for the author. */
export class WorkerRefusal extends Error {
  constructor(readonly reason: Record<string, unknown> & { message: string }) {
    super(reason.message);
  }
}

/**
 * Runs a worker file to its end. The signal ends it wherever it is.
 *
 * @throws WorkerRefusal when the job refuses; any other error when the worker breaks
 */
export function inWorker<Progress, Result>(
  file: URL,
  input: unknown,
  options: {
    signal?: AbortSignal;
    progress?: (progress: Progress) => void;
    transfer?: Transferable[];
  } = {},
): Promise<Result> {
  const { signal, progress, transfer } = options;
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return reject(signal.reason as Error);
    const worker = new Worker(file, {
      workerData: input,
      transferList: transfer,
      resourceLimits: { maxOldGenerationSizeMb: 4096 },
    });
    const stop = () => {
      reject(signal?.reason as Error);
      void worker.terminate();
    };
    signal?.addEventListener('abort', stop, { once: true });
    worker.on('message', (message: WorkerSays<Progress, Result>) => {
      if (message.says === 'progress') return progress?.(message.progress);
      if (message.says === 'done') resolve(message.result);
      else reject(new WorkerRefusal(message.reason));
      void worker.terminate();
    });
    worker.once('error', reject);
    worker.once('exit', (code) => {
      signal?.removeEventListener('abort', stop);
      reject(new Error(`the worker ended with ${code} before its work was done`));
    });
  });
}

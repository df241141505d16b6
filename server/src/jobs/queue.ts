import { Injectable, Logger, type OnApplicationShutdown } from '@nestjs/common';

export interface Job {
  id: string;
  /** Does the work; the signal says stop. Its outcome is the job's own business to store. */
  run(signal: AbortSignal): Promise<void>;
}

interface Running {
  controller: AbortController;
  ended: Promise<void>;
}

/** Jobs wait here and run a few at a time, in the order in which they came. What they have to remember is in the database. */
@Injectable()
export class JobQueue implements OnApplicationShutdown {
  readonly #log = new Logger('Jobs');
  readonly #waiting: Job[] = [];
  readonly #running = new Map<string, Running>();
  readonly #atOnce = 2;
  #closing = false;

  add(job: Job): void {
    this.#waiting.push(job);
    this.#start();
  }

  /** Stops a job; one that still waits is taken out. True when there was such a job. */
  stop(id: string): boolean {
    const at = this.#waiting.findIndex((job) => job.id === id);
    if (at >= 0) return this.#waiting.splice(at, 1).length > 0;
    const running = this.#running.get(id);
    running?.controller.abort(new DOMException('stopped', 'AbortError'));
    return running !== undefined;
  }

  /** At shutdown jobs are let go as they are: the next start goes on with what is stored. */
  async onApplicationShutdown(): Promise<void> {
    this.#closing = true;
    this.#waiting.length = 0;
    for (const { controller } of this.#running.values()) controller.abort(new ShutdownError());
    await Promise.all([...this.#running.values()].map(({ ended }) => ended));
  }

  #start(): void {
    while (!this.#closing && this.#running.size < this.#atOnce) {
      const job = this.#waiting.shift();
      if (!job) return;
      const controller = new AbortController();
      const ended = job
        .run(controller.signal)
        .catch((error: unknown) => this.#log.error(error))
        .finally(() => {
          this.#running.delete(job.id);
          this.#start();
        });
      this.#running.set(job.id, { controller, ended });
    }
  }
}

/** Why jobs are let go when the server ends: not stopped by the author, and to be gone on with. */
export class ShutdownError extends Error {}

import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';
import type { BookMade } from '@vennet/core/wire';
import { BooksService } from '../books/books.service.js';
import { Grounds } from '../ground/grounds.service.js';
import { inProcess, ProcessDeath, WorkRefusal } from '../jobs/in-process.js';
import type { JobRun } from '../jobs/job.js';
import { Jobs } from '../jobs/jobs.js';
import type { Brought, Reading } from './brought.js';
import { ProblemError } from '../platform/problem.js';
import type { Upload } from '../platform/upload.js';

/** What bringing one file in may take. */
const LIMITS = { memory: 1.5 * 2 ** 30, time: 3 * 60_000 };
const DIVIDE = 'Divide the book into smaller files and bring them in one by one. Your Library is as it was.';
/** What is said of a file over which its process ended. */
const TOO_MUCH = {
  broke: `Vennet broke down over this file. ${DIVIDE}`,
  memory: `This file takes more than 1.5 GB of memory to read. ${DIVIDE}`,
  time: `This file takes longer than three minutes to read. ${DIVIDE}`,
};

/** Makes a book of an uploaded file. The file is read in a worker; the book is stored whole or not at all. */
@Injectable()
export class BringInService {
  /** Files that were sent and whose job has not ended. */
  readonly #uploads = new Map<string, Upload>();

  constructor(
    private readonly books: BooksService,
    private readonly grounds: Grounds,
    private readonly jobs: Jobs,
  ) {
    jobs.handle('bring-in', {
      atOnce: 2,
      faultWords: 'The file could not be brought in, by a fault of Vennet’s own.',
      run: (id, job) => this.#run(id, job),
      made: (book) => book,
      unfinished: (id) => this.#forget(id),
    });
  }

  /** Starts to bring a file in, and gives the id of the job. */
  start(upload: Upload): string {
    const id = randomUUID();
    this.#uploads.set(id, upload);
    this.jobs.add('bring-in', id);
    return id;
  }

  /** Brings a file in and gives the book. @throws ProblemError when it can't be read */
  async bringIn(upload: Upload, signal?: AbortSignal): Promise<BookMade> {
    const id = randomUUID();
    this.#uploads.set(id, upload);
    try {
      return await this.jobs.run<BookMade>('bring-in', id, signal);
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      throw new ProblemError(
        422,
        'The file can’t be brought in',
        error.message,
        error.wants ? { wants: error.wants } : {},
      );
    }
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<BookMade> {
    const upload = this.#uploads.get(id);
    if (!upload) throw new Error(`there is no upload of the id ${id}`);
    tell({ stage: 'Reading the file' });
    const { book, chapters, enclosures, report, pages } = await inProcess<Reading, Brought>(
      new URL('./bring-in.process.js', import.meta.url),
      upload,
      { signal, limits: LIMITS, progress: tell },
    ).catch((error: unknown) => {
      throw error instanceof ProcessDeath ? new WorkRefusal(TOO_MUCH[error.why]) : error;
    });
    signal.throwIfAborted();
    tell({ stage: 'Storing the book', done: 0, total: 0 });
    if (book.ground && pages) await this.grounds.keep(book.ground.sha256, upload.path, pages);
    const made = await this.books.add(book, chapters, enclosures, report);
    await this.#forget(id);
    return { id: made, report };
  }

  async #forget(id: string): Promise<void> {
    const upload = this.#uploads.get(id);
    this.#uploads.delete(id);
    if (!upload) return;
    await rm(upload.path, { force: true });
    await rm(`${upload.path}.pages`, { force: true });
  }
}

import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { Injectable } from '@nestjs/common';
import type { BringInReport, BroughtEnclosure, BroughtIn } from '@vennet/core/bring-in';
import { PICTURE_EXTENSIONS } from '@vennet/core/publish';
import type { BookMade } from '@vennet/core/wire';
import sharp from 'sharp';
import { BooksService } from '../books/books.service.js';
import { inWorker, WorkerRefusal } from '../jobs/in-worker.js';
import type { JobRun } from '../jobs/job.js';
import { Jobs } from '../jobs/jobs.js';
import { ProblemError } from '../platform/problem.js';
import type { Upload } from '../platform/upload.js';

/** Makes a book of an uploaded file. The file is read in a worker; the book is stored whole or not at all. */
@Injectable()
export class BringInService {
  /** Files that were sent and whose job has not ended. */
  readonly #uploads = new Map<string, Upload>();

  constructor(
    private readonly books: BooksService,
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
      if (!(error instanceof WorkerRefusal)) throw error;
      throw new ProblemError(422, 'The file can’t be brought in', error.message);
    }
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<BookMade> {
    const upload = this.#uploads.get(id);
    if (!upload) throw new Error(`there is no upload of the id ${id}`);
    tell({ stage: 'Reading the file' });
    const { book, enclosures, report } = await inWorker<never, BroughtIn>(
      new URL('./bring-in.worker.js', import.meta.url),
      upload,
      { signal },
    );
    tell({ stage: 'Keeping its pictures and files' });
    const pictures = await Promise.all(enclosures.map((one) => shownEverywhere(one, report)));
    signal.throwIfAborted();
    tell({ stage: 'Storing the book' });
    const made = await this.books.add(book, pictures, report);
    await this.#forget(id);
    return { id: made, report };
  }

  async #forget(id: string): Promise<void> {
    const upload = this.#uploads.get(id);
    this.#uploads.delete(id);
    if (upload) await rm(upload.path, { force: true });
  }
}

async function shownEverywhere(
  enclosure: BroughtEnclosure,
  report: BringInReport,
): Promise<BroughtEnclosure> {
  const why = 'they became PNG, which every reading program shows';
  if (!enclosure.picture || PICTURE_EXTENSIONS[enclosure.type]) return enclosure;
  const bytes = await sharp(enclosure.bytes).png().toBuffer();
  const line = report.changed.find((one) => one.why === why);
  if (line) line.count += 1;
  else report.changed.push({ what: 'pictures', count: 1, why });
  return { ...enclosure, name: enclosure.name.replace(/\.\w+$/, '.png'), type: 'image/png', bytes };
}

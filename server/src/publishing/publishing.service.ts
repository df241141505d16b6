import { createHash, randomUUID } from 'node:crypto';
import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { FORMATS, readBook, type Format } from '@vennet/core/manuscript';
import { editionOf, lossesIn } from '@vennet/core/publish';
import { surroundingsOf, type ExportJob, type FormPreview } from '@vennet/core/wire';
import { DataSource, In, type Repository } from 'typeorm';
import { BooksService } from '../books/books.service.js';
import { SnapshotsService } from '../books/snapshots.service.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import { inWorker, WorkerRefusal } from '../jobs/in-worker.js';
import { JobQueue, ShutdownError } from '../jobs/queue.js';
import { ExportEntity, type BesideFile } from '../database/entities/export.entity.js';
import type { Published, PublishInput, PublishProgress } from './publish.worker.js';

/** Made files are written here. */
export abstract class ExportDirectory {
  abstract readonly path: string;
}

const TYPES: Record<Format, string> = {
  epub: 'application/epub+zip',
  pdf: 'application/pdf',
  web: 'text/html; charset=utf-8',
};
const ENDINGS: Record<Format, string> = { epub: 'epub', pdf: 'pdf', web: 'html' };
const WORDS: Record<Format, string> = { epub: 'an e-book', pdf: 'a PDF', web: 'a web page' };

/** Makes files of books in a worker, reads them back, and keeps the file with its proof. */
@Injectable()
export class PublishingService implements OnApplicationBootstrap {
  readonly #exports: Repository<ExportEntity>;
  /** What is being done, for exports that run now. */
  readonly #progress = new Map<string, PublishProgress>();
  /** The pages of books as they were last set, with the version of the book that they are of. */
  readonly #pages = new Map<string, { version: string; pages: Promise<[string, string][]> }>();

  constructor(
    database: DataSource,
    private readonly books: BooksService,
    private readonly snapshots: SnapshotsService,
    private readonly store: EnclosureStore,
    private readonly queue: JobQueue,
    private readonly directory: ExportDirectory,
  ) {
    this.#exports = database.getRepository(ExportEntity);
  }

  /** Exports that were under way when the server ended are made from the start. */
  async onApplicationBootstrap(): Promise<void> {
    for (const { id } of await this.#exports.findBy({ state: In(['waiting', 'running']) })) this.#enqueue(id);
  }

  async start(bookId: string, format: Format): Promise<string> {
    const { title } = await this.books.book(bookId);
    const open = await this.#exports.findOneBy({ bookId, format, state: In(['waiting', 'running']) });
    if (open)
      throw new ProblemError(
        409,
        'Already being made',
        'This file is being made. Wait for it, or stop it first.',
      );
    const id = randomUUID();
    await this.snapshots.keepNow(bookId, `Published as ${WORDS[format]}`);
    await this.#exports.insert({
      id,
      bookId,
      format,
      state: 'waiting',
      message: '',
      notes: [],
      proof: null,
      size: null,
      beside: [],
      fileName: fileName(title, format),
      createdBy: LOCAL_AUTHOR,
      createdAt: new Date(),
      finishedAt: null,
    });
    this.#enqueue(id);
    return id;
  }

  #enqueue(id: string): void {
    this.queue.add({ id, run: (signal) => this.#run(id, signal) });
  }

  async #run(id: string, signal: AbortSignal): Promise<void> {
    const job = await this.#exports.findOneByOrFail({ id });
    await this.#exports.update({ id }, { state: 'running' });
    try {
      const { bytes, proof, notes, beside } = await this.#make(job, signal);
      const path = this.#pathOf(job);
      await mkdir(this.directory.path, { recursive: true });
      await writeFile(`${path}.unfinished`, bytes);
      await rename(`${path}.unfinished`, path);
      await this.#exports.update(
        { id },
        {
          state: 'done',
          proof,
          notes,
          size: String(bytes.length),
          finishedAt: new Date(),
          beside: await this.#kept(job.bookId, beside),
        },
      );
    } catch (error) {
      await rm(`${this.#pathOf(job)}.unfinished`, { force: true });
      if (signal.reason instanceof ShutdownError) return;
      const expected = error instanceof WorkerRefusal || signal.aborted;
      const message =
        error instanceof WorkerRefusal
          ? error.message
          : signal.aborted
            ? ''
            : 'The file could not be made, by a fault of Vennet’s own.';
      await this.#exports.update(
        { id },
        { state: signal.aborted ? 'stopped' : 'failed', message, finishedAt: new Date() },
      );
      if (!expected) throw error;
    } finally {
      this.#progress.delete(id);
    }
  }

  async #make({ id, bookId, format }: ExportEntity, signal: AbortSignal): Promise<Published> {
    const input: PublishInput = { format, ...(await this.#inputOf(bookId)), modified: new Date() };
    return inWorker<PublishProgress, Published>(new URL('./publish.worker.js', import.meta.url), input, {
      signal,
      progress: (progress) => this.#progress.set(id, progress),
    });
  }

  async #inputOf(bookId: string): Promise<Pick<PublishInput, 'book' | 'enclosures'>> {
    const book = await this.books.manuscript(bookId);
    const enclosures = (await this.books.enclosuresOf(bookId)).map(({ id, name, type, sha256 }) => ({
      id,
      name,
      type,
      path: this.store.pathOf(sha256),
    }));
    return { book, enclosures };
  }

  /**
   * The number of the page on which each place of a book would stand in a PDF, as pairs of place and number. Pages are set
   * once for each version of the book. None while the book can't be set.
   */
  async pages(bookId: string): Promise<[string, string][]> {
    const input = await this.#inputOf(bookId);
    const version = createHash('sha256').update(JSON.stringify(input)).digest('hex');
    const known = this.#pages.get(bookId);
    if (known?.version === version) return known.pages;
    const pages = inWorker<never, [string, string][]>(
      new URL('./pages.worker.js', import.meta.url),
      input,
    ).catch((error: unknown) => {
      if (error instanceof WorkerRefusal) return [];
      this.#pages.delete(bookId);
      throw error;
    });
    this.#pages.set(bookId, { version, pages });
    return pages;
  }

  /** Files are named by their hash, so that a bundle holds what was there when the file was made. */
  async #kept(bookId: string, beside: [string, string][]): Promise<BesideFile[]> {
    const rows = new Map((await this.books.enclosuresOf(bookId)).map((row) => [row.id, row.sha256]));
    return beside.flatMap(([id, path]) => {
      const sha256 = rows.get(id);
      return sha256 ? [{ path, sha256 }] : [];
    });
  }

  async stop(id: string): Promise<ExportJob> {
    const job = await this.one(id);
    const waited = job.state === 'waiting';
    if (this.queue.stop(id) && waited)
      await this.#exports.update({ id }, { state: 'stopped', finishedAt: new Date() });
    return this.one(id);
  }

  async one(id: string): Promise<ExportJob> {
    return this.#asSent(await this.#entity(id));
  }

  async ofBook(bookId: string): Promise<ExportJob[]> {
    const rows = await this.#exports.find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 20 });
    return rows.map((row) => this.#asSent(row));
  }

  /** The made file and those that belong next to it, by their paths in an archive. */
  async bundle(id: string): Promise<{ name: string; files: { path: string; from: string }[] }> {
    const { path, name } = await this.file(id);
    const { beside } = await this.#entity(id);
    return {
      name: name.replace(/\.\w+$/, '.zip'),
      files: [
        { path: name, from: path },
        ...beside.map((file) => ({ path: file.path, from: this.store.pathOf(file.sha256) })),
      ],
    };
  }

  async file(id: string): Promise<{ path: string; name: string; type: string }> {
    const job = await this.#entity(id);
    if (job.state !== 'done')
      throw new ProblemError(409, 'No file yet', 'This file is not made yet, or could not be made.');
    return { path: this.#pathOf(job), name: job.fileName, type: TYPES[job.format] };
  }

  async previews(bookId: string): Promise<FormPreview[]> {
    const manuscript = await this.books.manuscript(bookId);
    const book = readBook(manuscript);
    const surroundings = surroundingsOf(manuscript);
    const files = (await this.books.enclosuresOf(bookId)).map(({ id, name, type }) => ({
      id,
      name,
      type,
      bytes: new Uint8Array(),
    }));
    return FORMATS.map((format) => {
      const edition = editionOf(book, files, format, surroundings);
      return { format, links: edition.links.length, losses: lossesIn(edition) };
    });
  }

  async #entity(id: string): Promise<ExportEntity> {
    const job = await this.#exports.findOneBy({ id });
    if (!job) throw notFound('export');
    return job;
  }

  #pathOf({ id, format }: Pick<ExportEntity, 'id' | 'format'>): string {
    return join(this.directory.path, `${id}.${format}`);
  }

  #asSent(job: ExportEntity): ExportJob {
    const { id, format, state, message, notes, proof, fileName: name } = job;
    const { stage = '', done = 0, total = 0 } = this.#progress.get(id) ?? {};
    return {
      id,
      format,
      state,
      stage,
      done,
      total,
      message,
      notes,
      proof,
      fileName: name,
      beside: job.beside.length,
      size: job.size === null ? null : Number(job.size),
      createdAt: job.createdAt.toISOString(),
      finishedAt: job.finishedAt?.toISOString() ?? null,
    };
  }
}

/** The title as a file name that every system takes. */
function fileName(title: string, format: Format): string {
  const words = title
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 80);
  return `${words || 'book'}.${ENDINGS[format]}`;
}

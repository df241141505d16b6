import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import type { Format } from '@vennet/core/manuscript';
import { DEFAULT_FORMS, DEFAULT_PDF, madeFileName, type PdfChoices } from '@vennet/core/publish';
import type { ProofRow } from '@vennet/core/readback';
import type { ExportChoices, ExportJob, JobStatus, Reading } from '@vennet/core/wire';
import { DataSource, In, type EntityManager, type Repository } from 'typeorm';
import { BooksService } from '../books/books.service.js';
import { SnapshotsService } from '../books/snapshots.service.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { lostFile } from '../platform/send-stored.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import { inProcess, ProcessDeath, WorkRefusal } from '../jobs/in-process.js';
import type { JobRun, Unfinished } from '../jobs/job.js';
import { Jobs } from '../jobs/jobs.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { ExportEntity, type BesideFile } from '../database/entities/export.entity.js';
import { ShelfService } from '../shelf/shelf.service.js';
import type { AppSettings } from '../platform/settings.js';
import { FormChoicesService } from './form-choices.service.js';
import { PdfSetsService } from './pdf-sets.service.js';
import { epubPages, pageReading, sitePages, webPages, webReading } from './reading.js';
import { SourcesService } from './sources.service.js';
import type { Published, PublishInput, PublishProgress } from './publish-work.js';

const TYPES: Record<Format, string> = {
  epub: 'application/epub+zip',
  pdf: 'application/pdf',
  web: 'text/html; charset=utf-8',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  markdown: 'text/markdown; charset=utf-8',
};
const WORDS: Record<Format, string> = {
  epub: 'an e-book',
  pdf: 'a PDF',
  web: 'a web page',
  docx: 'a DOCX document',
  odt: 'an ODT document',
  markdown: 'a text in Markdown',
};

/** Makes files of books in a worker, reads them back, and keeps the file with its proof. */
@Injectable()
export class PublishingService implements OnApplicationBootstrap {
  readonly #exports: Repository<ExportEntity>;
  readonly #directory: string;

  constructor(
    private readonly database: DataSource,
    settings: ConfigService<AppSettings, true>,
    private readonly books: BooksService,
    private readonly snapshots: SnapshotsService,
    private readonly shelf: ShelfService,
    private readonly store: EnclosureStore,
    private readonly sources: SourcesService,
    private readonly pdfSets: PdfSetsService,
    private readonly formChoices: FormChoicesService,
    private readonly jobs: Jobs,
  ) {
    this.#exports = database.getRepository(ExportEntity);
    this.#directory = join(settings.get('dataDirectory', { infer: true }), 'exports');
    jobs.handle('export', {
      atOnce: 2,
      faultWords: 'The file could not be made, by a fault of Vennet’s own.',
      run: (id, job) => this.#run(id, job),
      unfinished: (id, end) => this.#unfinished(id, end),
      stored: (id) => this.#stored(id),
    });
  }

  /** Exports that were under way when the server ended are made from the start. */
  async onApplicationBootstrap(): Promise<void> {
    for (const { id } of await this.#exports.findBy({ state: In(['waiting', 'running']) }))
      this.jobs.add('export', id);
  }

  async start(bookId: string, format: Format, choices: ExportChoices = {}): Promise<string> {
    const { title, ground } = await this.books.book(bookId);
    if (ground && format !== 'pdf')
      throw new ProblemError(
        422,
        'Only as a PDF',
        'This is a book of pages: they stay as they are, so it is published as a PDF. For other forms, bring in the manuscript.',
      );
    if (ground?.cannotAdd && choices.write !== 'anew')
      throw new ProblemError(
        422,
        'Nothing can be added',
        `Nothing can be added behind the old bytes of this file, since ${ground.cannotAdd}. Let it be written anew.`,
      );
    const { write, set, ...more } = choices;
    // What a file was made with stays with it, whatever the book's own choices become.
    const kept: ExportChoices = ground
      ? write
        ? { write }
        : {}
      : format === 'pdf'
        ? { ...(await this.pdfSets.choicesOf(bookId, more, set)), ...(set ? { set } : {}) }
        : await this.formChoices.choicesOf(bookId, format, more);
    return this.#add(bookId, { format, choices: kept, fileName: madeFileName(title, format), of: null });
  }

  /** Makes a file again of the book as it was then, with the same choices. @throws ProblemError */
  async again(id: string): Promise<string> {
    const { bookId, format, choices, fileName, snapshot, asOf } = await this.#entity(id);
    if (!snapshot || !asOf || !(await this.snapshots.has(bookId, snapshot)))
      throw new ProblemError(
        409,
        'No text of then',
        'The text of that time is not kept any more. Make the file of the book as it is now.',
      );
    return this.#add(bookId, { format, choices: choices ?? {}, fileName, of: { snapshot, asOf } });
  }

  /** @param of the text of some time; `null` for that of now */
  async #add(
    bookId: string,
    {
      of,
      ...row
    }: Pick<ExportEntity, 'format' | 'choices' | 'fileName'> & {
      of: { snapshot: string; asOf: Date } | null;
    },
  ): Promise<string> {
    const { format } = row;
    const id = randomUUID();
    await this.database.transaction(async (manager) => {
      // Whoever else starts one at this moment waits here.
      await manager.findOne(BookEntity, { where: { id: bookId }, lock: { mode: 'pessimistic_write' } });
      if (await manager.existsBy(ExportEntity, { bookId, format, state: In(['waiting', 'running']) }))
        throw new ProblemError(
          409,
          'Already being made',
          'This file is being made. Wait for it, or stop it first.',
        );
      await manager.insert(ExportEntity, {
        ...{ id, bookId, ...row },
        ...{
          state: 'waiting',
          message: '',
          notes: [],
          proof: null,
          size: null,
          beside: [],
          tried: null,
          losses: null,
        },
        snapshot:
          of?.snapshot ?? (await this.snapshots.keepNow(manager, bookId, `Published as ${WORDS[format]}`)),
        asOf: of?.asOf ?? new Date(await this.#changedAt(bookId, manager)),
        createdBy: LOCAL_AUTHOR,
        createdAt: new Date(),
        finishedAt: null,
      });
    });
    this.jobs.add('export', id);
    return id;
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<void> {
    const row = await this.#exports.findOneByOrFail({ id });
    await this.#exports.update({ id }, { state: 'running' });
    const { bookId, format } = row;
    const path = this.#pathOf(row);
    await mkdir(this.#directory, { recursive: true });
    const { size, proof, losses, notes, isArchive, beside } = await published(
      {
        format,
        ...(await this.sources.of(bookId, row.snapshot)),
        // The same book gives the same file.
        modified: row.asOf ?? new Date(await this.#changedAt(bookId)),
        output: `${path}.unfinished`,
        table: tableOf(path),
        choices: row.choices ?? {},
        ...chosen(format, row.choices ?? {}),
        listed: await this.#listed(bookId, row.choices ?? {}),
        seen: row.choices?.sources ? await this.sources.seen(bookId) : [],
        careful: false,
      },
      { signal, tell },
    );
    await rename(`${path}.unfinished`, path);
    await this.#exports.update(
      { id },
      {
        state: 'done',
        proof,
        losses,
        notes,
        size: String(size),
        finishedAt: new Date(),
        ...(isArchive ? { fileName: row.fileName.replace(/\.\w+$/, '.zip') } : {}),
        beside: await this.#kept(bookId, beside),
      },
    );
  }

  /** How the pages are set that an e-book lists; `null` for none. */
  async #listed(bookId: string, { pageSet = '' }: ExportChoices): Promise<PdfChoices | null> {
    if (pageSet === '') return null;
    // A set may have been removed since.
    const { sets } = await this.pdfSets.of(bookId);
    return sets.find(({ id }) => id === pageSet)?.choices ?? null;
  }

  async #unfinished(id: string, { state, message }: Unfinished): Promise<void> {
    const row = await this.#exports.findOneByOrFail({ id });
    await rm(`${this.#pathOf(row)}.unfinished`, { force: true });
    await rm(tableOf(this.#pathOf(row)), { force: true });
    await this.#exports.update({ id }, { state, message, finishedAt: new Date() });
  }

  async #stored(id: string): Promise<JobStatus | null> {
    const row = await this.#exports.findOneBy({ id });
    if (!row) return null;
    const { state, message } = row;
    return { id, kind: 'export', state, stage: '', done: 0, total: 0, message, wants: null, made: null };
  }

  /** Files are named by their hash, so that a bundle holds what was there when the file was made. */
  async #kept(bookId: string, beside: [string, string][]): Promise<BesideFile[]> {
    const rows = new Map((await this.shelf.rows(bookId)).map((row) => [row.id, row.sha256]));
    return beside.flatMap(([id, path]) => {
      const sha256 = rows.get(id);
      return sha256 ? [{ path, sha256 }] : [];
    });
  }

  async stop(id: string): Promise<ExportJob> {
    await this.jobs.stop(id);
    return this.one(id);
  }

  async one(id: string): Promise<ExportJob> {
    const job = await this.#entity(id);
    return this.#asSent(job, await this.#changedAt(job.bookId));
  }

  async ofBook(bookId: string): Promise<ExportJob[]> {
    const rows = await this.#exports.find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 20 });
    const changed = await this.#changedAt(bookId);
    return rows.map((row) => this.#asSent(row, changed));
  }

  /** When the book was changed last: its text, its chapters, or what is said of it. */
  async #changedAt(bookId: string, manager: EntityManager = this.database.manager): Promise<Date> {
    const [row] = await manager.query<{ at: Date }[]>(
      `SELECT GREATEST(b.updated_at, COALESCE(MAX(GREATEST(c.updated_at, COALESCE(c.deleted_at, c.updated_at))), b.updated_at)) AS at
        FROM books b LEFT JOIN chapters c ON c.book_id = b.id WHERE b.id = ? GROUP BY b.id`,
      [bookId],
    );
    return row?.at ?? new Date(0);
  }

  /** The made file and those that belong next to it, by their paths in an archive. */
  async bundle(id: string): Promise<{ name: string; files: { path: string; from: string }[] }> {
    const { path, name } = await this.file(id);
    const { beside } = await this.#entity(id);
    const files = [
      { path: name, from: path },
      ...beside.map((file) => ({ path: file.path, from: this.store.pathOf(file.sha256) })),
    ];
    const lost = files.filter(({ from }) => !existsSync(from)).map((file) => file.path);
    if (lost.length > 0)
      throw lostFile(
        lost.join('”, “'),
        'Put it onto the Shelf again where it was there, and make the file anew.',
      );
    return { name: name.replace(/\.\w+$/, '.zip'), files };
  }

  async file(id: string): Promise<{ path: string; name: string; type: string }> {
    const job = await this.#entity(id);
    if (job.state !== 'done')
      throw new ProblemError(409, 'No file yet', 'This file is not made yet, or could not be made.');
    const type = job.fileName.endsWith('.zip') ? 'application/zip' : TYPES[job.format];
    return { path: this.#pathOf(job), name: job.fileName, type };
  }

  /** Removes a made file; one that is being made has to be stopped first. @throws ProblemError */
  async remove(id: string): Promise<void> {
    const job = await this.#entity(id);
    if (job.state === 'running' || job.state === 'waiting')
      throw new ProblemError(409, 'Being made', 'This file is being made. Stop it first.');
    await this.#exports.delete({ id });
    await rm(this.#pathOf(job), { force: true });
    await rm(tableOf(this.#pathOf(job)), { force: true });
  }

  /** A row for each link of the book with what was found of it in the made file. @throws ProblemError */
  async table(id: string): Promise<ProofRow[]> {
    const job = await this.#entity(id);
    const table = await readFile(tableOf(this.#pathOf(job)), 'utf8').catch(() => null);
    if (table === null)
      throw new ProblemError(
        409,
        'No table yet',
        'There is no table of this file: it is not made yet, or an earlier Vennet made it. Make it anew.',
      );
    return JSON.parse(table) as ProofRow[];
  }

  /** The made file as a reader goes through it. @throws ProblemError */
  async reading(id: string): Promise<Reading> {
    const { format, fileName, tried } = await this.#entity(id);
    const kind = READ_AS[format]?.(fileName);
    const pages = kind ? kind.pages(await this.#bytes(id)) : [];
    return { format, fileName, pages, tried: tried ?? [] };
  }

  async keepTally(id: string, tried: string[]): Promise<void> {
    await this.#entity(id);
    await this.#exports.update({ id }, { tried: [...new Set(tried)] });
  }

  /** A page of it, with the script by which it tells what is pressed. @throws ProblemError */
  async readingPage(id: string, path: string): Promise<{ type: string; page: string }> {
    const { format, fileName } = await this.#entity(id);
    const kind = READ_AS[format]?.(fileName);
    const page = kind ? kind.page(await this.#bytes(id), path) : null;
    if (page === null) throw notFound('page of this file');
    return { type: format === 'epub' ? 'application/xhtml+xml' : 'text/html', page };
  }

  async #bytes(id: string): Promise<Uint8Array> {
    const { path, name } = await this.file(id);
    if (!existsSync(path)) throw lostFile(name, 'Make it anew.');
    return new Uint8Array(await readFile(path));
  }

  async #entity(id: string): Promise<ExportEntity> {
    const job = await this.#exports.findOneBy({ id });
    if (!job) throw notFound('export');
    return job;
  }

  #pathOf({ id, format }: Pick<ExportEntity, 'id' | 'format'>): string {
    return join(this.#directory, `${id}.${format}`);
  }

  #asSent(job: ExportEntity, changedAt: Date): ExportJob {
    const { id, format, state, message, notes, proof, fileName: name } = job;
    const { stage = '', done = 0, total = 0 } = this.jobs.status(id) ?? {};
    return {
      id,
      format,
      state,
      stage,
      done,
      total,
      message,
      notes,
      // Proofs that were kept before lines were looked at have none.
      proof: proof && { ...proof, cutOff: proof.cutOff ?? [] },
      fileName: name,
      beside: job.beside.length,
      size: job.size === null ? null : Number(job.size),
      choices: job.choices ?? {},
      isOutdated: new Date(changedAt) > (job.asOf ?? job.createdAt),
      snapshot: job.snapshot,
      losses: job.losses ?? [],
      createdAt: job.createdAt.toISOString(),
      finishedAt: job.finishedAt?.toISOString() ?? null,
    };
  }
}

/** Where the rows of the proof of a made file are kept. */
const tableOf = (path: string): string => `${path}.proof.json`;

interface ReadAs {
  pages(bytes: Uint8Array): Reading['pages'];
  page(bytes: Uint8Array, path: string): string | null;
}

/** How made files are gone through page by page. */
const READ_AS: Partial<Record<Format, (fileName: string) => ReadAs>> = {
  epub: () => ({ pages: epubPages, page: pageReading }),
  web: (fileName) =>
    fileName.endsWith('.zip')
      ? { pages: sitePages, page: pageReading }
      : { pages: webPages, page: (bytes) => webReading(bytes) },
};

/** The choices that a row keeps, as an edition has them. */
const chosen = (format: Format, kept: ExportChoices): Pick<PublishInput, 'pdf' | 'flow'> => ({
  pdf: { ...DEFAULT_PDF, ...(format === 'pdf' ? (kept as Partial<PdfChoices>) : {}) },
  flow: { ...DEFAULT_FORMS[format === 'pdf' ? 'epub' : format], ...(format === 'pdf' ? {} : kept) },
});

/** Makes a file in a process of its own. Where the process dies it is tried once more, with care, to know over which chapter. */
async function published(input: PublishInput, { signal, tell }: JobRun): Promise<Published> {
  let chapter = '';
  const attempt = (careful: boolean) =>
    inProcess<PublishProgress, Published>(
      new URL('./publish.process.js', import.meta.url),
      { ...input, careful },
      {
        signal,
        progress({ chapter: set = '', ...progress }) {
          chapter = set;
          tell(progress);
        },
      },
    );
  try {
    return await attempt(false);
  } catch (error) {
    if (!(error instanceof ProcessDeath)) throw error;
  }
  try {
    return await attempt(true);
  } catch (error) {
    if (!(error instanceof ProcessDeath)) throw error;
    const what = chapter === '' ? 'The book' : `The chapter “${chapter}”`;
    throw new WorkRefusal(`${what} can’t be made: ${WHY[error.why]}`);
  }
}

const WHY: Record<ProcessDeath['why'], string> = {
  broke:
    'the work broke down over it, twice. Look there for words or signs that are repeated thousands of times.',
  memory: 'it takes more than 1.5 GB of memory. Make its pictures or its chapters smaller.',
  time: 'it takes longer than ten minutes. Divide it into smaller chapters.',
};

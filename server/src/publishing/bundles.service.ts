import { createHash } from 'node:crypto';
import { createReadStream, existsSync } from 'node:fs';
import { stat } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { Injectable } from '@nestjs/common';
import { isManuscript, type Format } from '@vennet/core/manuscript';
import { madeFileName } from '@vennet/core/publish';
import type { BundlePlan } from '@vennet/core/wire';
import { DataSource, type Repository } from 'typeorm';
import { ExportEntity } from '../database/entities/export.entity.js';
import { ProblemError } from '../platform/problem.js';
import { lostFile } from '../platform/send-stored.js';
import { sha256 } from '../platform/sha256.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import type { ArchivedFile } from './archive.js';
import { linksAsCsv, linksAsHtml, type ReportedFile } from './link-report.js';
import { PublishingService } from './publishing.service.js';
import { SourcesService } from './sources.service.js';

/** The files of several forms with all that belongs next to them. */
interface Gathered {
  title: string;
  titles: Map<string, string>;
  files: Map<string, string>;
  reported: ReportedFile[];
  missing: string[];
}

const CHECKSUMS = 'SHA256SUMS.txt';

/** One archive of the forms of a book: made files, what lies next to them, other books, a report of the links, and a list of checksums. */
@Injectable()
export class BundlesService {
  readonly #exports: Repository<ExportEntity>;

  constructor(
    database: DataSource,
    private readonly publishing: PublishingService,
    private readonly sources: SourcesService,
    private readonly store: EnclosureStore,
  ) {
    this.#exports = database.getRepository(ExportEntity);
  }

  /** What would be in it, and what is missing. @throws ProblemError */
  async plan(bookId: string, forms: readonly Format[]): Promise<BundlePlan> {
    const { files, missing } = await this.#gather(bookId, forms);
    const sized = await Promise.all(
      [...files].map(async ([path, from]) => ({ path, size: (await stat(from)).size })),
    );
    return { files: sized, missing };
  }

  /** What is in it; the report and the checksums are made now. @throws ProblemError */
  async files(bookId: string, forms: readonly Format[]): Promise<{ name: string; files: ArchivedFile[] }> {
    const { title, titles, files, reported, missing } = await this.#gather(bookId, forms);
    const entries: ArchivedFile[] = [
      ...[...files].map(([path, from]) => ({ path, from })),
      { path: 'links.csv', content: Buffer.from(linksAsCsv(reported, titles)) },
      { path: 'links.html', content: Buffer.from(linksAsHtml(title, reported, titles)) },
      ...(missing.length > 0
        ? [{ path: 'what-is-missing.txt', content: Buffer.from(`${missing.join('\n')}\n`) }]
        : []),
    ];
    // As common programs for it write them: two spaces between (common practice).
    const sums = await Promise.all(
      entries.map(
        async (file) => `${'content' in file ? sha256(file.content) : await hashOf(file.from)}  ${file.path}`,
      ),
    );
    entries.push({ path: CHECKSUMS, content: Buffer.from(`${sums.join('\n')}\n`) });
    return { name: madeFileName(title, 'web').replace(/\.html$/, '.zip'), files: entries };
  }

  async #gather(bookId: string, forms: readonly Format[]): Promise<Gathered> {
    const { source } = await this.sources.of(bookId);
    const gathered: Gathered = {
      title: source.title,
      titles: new Map(source.chapters.map(({ id, title }) => [id, title])),
      files: new Map(),
      reported: [],
      missing: [],
    };
    for (const format of forms) {
      const job = await this.#newest(bookId, format);
      if (!job) {
        gathered.missing.push(`This book was not made as ${format} yet. Make it first.`);
        continue;
      }
      await this.#put(gathered, job);
      gathered.reported.push({
        name: job.fileName,
        rows: await this.publishing.table(job.id).catch(() => []),
      });
      if (!isManuscript(format) && !job.choices?.companions) continue;
      for (const other of source.others.filter(({ address, text }) => text && !address)) {
        const companion = await this.#newest(other.id, format);
        if (companion?.fileName === madeFileName(other.title, format)) await this.#put(gathered, companion);
        else
          gathered.missing.push(
            `Links lead to the other book “${other.title}”, which was not made as ${format}. Make it there first.`,
          );
      }
    }
    if (gathered.files.size === 0)
      throw new ProblemError(
        409,
        'Nothing to put together',
        'None of these forms was made yet. Make one first.',
      );
    return gathered;
  }

  #newest(bookId: string, format: Format): Promise<ExportEntity | null> {
    return this.#exports.findOne({ where: { bookId, format, state: 'done' }, order: { createdAt: 'DESC' } });
  }

  async #put({ files, missing }: Gathered, job: ExportEntity): Promise<void> {
    const { path: from } = await this.publishing.file(job.id);
    const all = [
      [job.fileName, from],
      ...job.beside.map(({ path, sha256: hash }) => [path, this.store.pathOf(hash)] as const),
    ] as const;
    for (const [path, at] of all) {
      if (!existsSync(at))
        throw lostFile(path, 'Put it onto the Shelf again where it was there, and make the file anew.');
      if ((files.get(path) ?? at) !== at)
        missing.push(
          `“${path}” is not the same for all forms: it was replaced between. Make the forms anew.`,
        );
      else files.set(path, at);
    }
  }
}

async function hashOf(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}

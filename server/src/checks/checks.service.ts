import { createHash, randomUUID } from 'node:crypto';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { VERDICT_TABLE, verdictOf, type Answer, type VerdictName } from '@vennet/core/reach';
import {
  isUnderWay,
  type CheckRun,
  type DestinationVerdict,
  type JobState,
  type JobStatus,
} from '@vennet/core/wire';
import { concatMap, type Observable } from 'rxjs';
import { DataSource, In, IsNull, Not, type Repository } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import type { JobRun } from '../jobs/job.js';
import { Jobs } from '../jobs/jobs.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { CheckRowEntity } from '../database/entities/check-row.entity.js';
import { CheckRunEntity } from '../database/entities/check-run.entity.js';
import { Reports } from '../reports/reports.service.js';
import { Prober } from '../probe/prober.js';

/**
 * Check runs. Each is rows in the database, one a destination; a row with a verdict is never asked again, so a run that
 * was cut off goes on where it was.
 */
@Injectable()
export class ChecksService implements OnApplicationBootstrap {
  readonly #runs: Repository<CheckRunEntity>;
  readonly #rows: Repository<CheckRowEntity>;

  constructor(
    private readonly database: DataSource,
    private readonly reports: Reports,
    private readonly jobs: Jobs,
    private readonly prober: Prober,
  ) {
    this.#runs = database.getRepository(CheckRunEntity);
    this.#rows = database.getRepository(CheckRowEntity);
    jobs.handle('check', {
      atOnce: 2,
      faultWords: 'The check broke off, by a fault of Vennet’s own. What was answered is kept.',
      run: (id, job) => this.#run(id, job),
      unfinished: (id, { state }) => this.#set(id, state),
      stored: (id) => this.#stored(id),
    });
  }

  /** Verdicts by an older table are derived anew, and runs that were under way when the server ended go on. */
  async onApplicationBootstrap(): Promise<void> {
    await this.#deriveAnew();
    const open = await this.#runs.find({
      where: { state: In(['waiting', 'running']) },
      order: { createdAt: 'ASC' },
    });
    for (const { id } of open) this.jobs.add('check', id);
  }

  async #deriveAnew(): Promise<void> {
    for (;;) {
      const old = await this.#rows.find({
        where: { verdict: Not(IsNull()), verdictTable: Not(VERDICT_TABLE) },
        take: 1000,
      });
      if (old.length === 0) return;
      await this.#rows.upsert(
        old.map((row) => ({ ...row, ...judged(row.answer) })),
        ['runId', 'hrefHash'],
      );
    }
  }

  async start(bookId: string, hrefs?: string[]): Promise<string> {
    const wanted = hrefs && new Set(hrefs);
    const addresses = await this.reports.read<string[]>(bookId, 'addresses');
    const destinations = addresses.filter((href) => !wanted || wanted.has(href));
    const id = randomUUID();
    await this.database.transaction(async (manager) => {
      // Whoever else starts one at this moment waits here.
      await manager.findOne(BookEntity, { where: { id: bookId }, lock: { mode: 'pessimistic_write' } });
      if (await manager.existsBy(CheckRunEntity, { bookId, state: In(['waiting', 'running']) }))
        throw new ProblemError(
          409,
          'A check is running',
          'The links of this book are being checked. Wait for it, or stop it first.',
        );
      const run = {
        id,
        bookId,
        state: 'waiting' as const,
        createdBy: LOCAL_AUTHOR,
        createdAt: new Date(),
        finishedAt: null,
      };
      await manager.insert(CheckRunEntity, run);
      for (let at = 0; at < destinations.length; at += 1000)
        await manager.insert(
          CheckRowEntity,
          destinations.slice(at, at + 1000).map((href) => ({
            runId: id,
            bookId,
            href,
            hrefHash: hashOf(href),
            verdictTable: VERDICT_TABLE,
          })),
        );
    });
    this.jobs.add('check', id);
    return id;
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<void> {
    await this.#set(id, 'running');
    const rows = await this.#rows.findBy({ runId: id, verdict: IsNull() });
    const total = await this.#rows.countBy({ runId: id });
    const byHref = new Map(rows.map((row) => [row.href, row]));
    let done = total - rows.length;
    tell({ done, total });
    const storing = new AnswerStore(this.database, (count) => tell({ done: (done += count) }));
    try {
      await this.prober.probeAll(
        [...byHref.keys()],
        (href, answer) => {
          const row = byHref.get(href);
          if (row) storing.add(row, answer);
        },
        signal,
      );
    } finally {
      await storing.flush();
    }
    signal.throwIfAborted();
    await this.#set(id, 'done');
  }

  async #set(id: string, state: JobState): Promise<void> {
    await this.#runs.update({ id }, { state, finishedAt: isUnderWay({ state }) ? null : new Date() });
  }

  async #stored(id: string): Promise<JobStatus | null> {
    const run = await this.#runs.findOneBy({ id });
    if (!run) return null;
    const { state, done, total } = await this.one(id);
    return { id, kind: 'check', state, stage: '', done, total, message: '', made: null };
  }

  async stop(id: string): Promise<CheckRun> {
    await this.jobs.stop(id);
    return this.one(id);
  }

  async one(id: string): Promise<CheckRun> {
    const run = await this.#runs.findOneBy({ id });
    if (!run) throw notFound('check');
    const [counted] = await this.#withCounts([run]);
    return counted!;
  }

  /** The last runs of a book, the newest first. */
  async ofBook(bookId: string): Promise<CheckRun[]> {
    return this.#withCounts(
      await this.#runs.find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 20 }),
    );
  }

  async #withCounts(runs: CheckRunEntity[]): Promise<CheckRun[]> {
    if (runs.length === 0) return [];
    const counts = await this.#rows
      .createQueryBuilder('row')
      .select('row.run_id', 'run')
      .addSelect('row.verdict', 'verdict')
      .addSelect('COUNT(*)', 'count')
      .where('row.run_id IN (:...ids)', { ids: runs.map((run) => run.id) })
      .groupBy('row.run_id, row.verdict')
      .getRawMany<{ run: string; verdict: VerdictName | null; count: string }>();
    return runs.map(({ id, state, createdAt, finishedAt }) => {
      const own = counts.filter((one) => one.run === id);
      const total = own.reduce((sum, one) => sum + Number(one.count), 0);
      const verdicts: CheckRun['verdicts'] = {};
      for (const { verdict, count } of own) if (verdict) verdicts[verdict] = Number(count);
      const done = Object.values(verdicts).reduce((sum, count) => sum + count, 0);
      return {
        id,
        state,
        done,
        total,
        verdicts,
        createdAt: createdAt.toISOString(),
        finishedAt: finishedAt?.toISOString() ?? null,
      };
    });
  }

  /** The state of a run now and at each change, until it has ended. */
  events(id: string): Observable<CheckRun> {
    return this.jobs.events(id).pipe(concatMap(() => this.one(id)));
  }

  /** The latest verdict on each address of a book. */
  async verdicts(bookId: string): Promise<DestinationVerdict[]> {
    const rows = await this.#rows
      .createQueryBuilder('row')
      .where('row.book_id = :bookId AND row.verdict IS NOT NULL', { bookId })
      .andWhere(
        `row.id = (SELECT latest.id FROM check_rows latest WHERE latest.book_id = row.book_id AND latest.href_hash = row.href_hash
          AND latest.verdict IS NOT NULL ORDER BY latest.checked_at DESC, latest.id DESC LIMIT 1)`,
      )
      .getMany();
    return rows.flatMap(({ href, answer, checkedAt }) => {
      if (!answer || !checkedAt) return [];
      const { verdict, reason, movedTo = null } = verdictOf(answer);
      return { href, verdict, reason, movedTo, checkedAt: checkedAt.toISOString(), answer };
    });
  }
}

/** Stores each answer as soon as it comes; those that come while others are being stored go together in one statement. */
class AnswerStore {
  #waiting: { row: CheckRowEntity; answer: Answer; checkedAt: Date }[] = [];
  #storing: Promise<void> | null = null;

  constructor(
    readonly database: DataSource,
    readonly stored: (count: number) => void,
  ) {}

  add(row: CheckRowEntity, answer: Answer): void {
    this.#waiting.push({ row, answer, checkedAt: new Date() });
    // A failure to store is met by the flush at the end of the run.
    this.#storing ??= this.#store();
    this.#storing.catch(() => {});
  }

  async flush(): Promise<void> {
    await this.#storing;
    if (this.#waiting.length > 0) await this.#store();
  }

  async #store(): Promise<void> {
    while (this.#waiting.length > 0) {
      const group = this.#waiting.splice(0);
      await this.database.getRepository(CheckRowEntity).upsert(
        group.map(({ row, answer, checkedAt }) => ({ ...row, ...judged(answer), answer, checkedAt })),
        ['runId', 'hrefHash'],
      );
      this.stored(group.length);
    }
    this.#storing = null;
  }
}

/** What an answer means, and by which table. */
function judged(answer: Answer | null): Pick<CheckRowEntity, 'verdict' | 'verdictTable'> {
  return { verdict: answer && verdictOf(answer).verdict, verdictTable: VERDICT_TABLE };
}

function hashOf(href: string): string {
  return createHash('sha256').update(href).digest('hex');
}

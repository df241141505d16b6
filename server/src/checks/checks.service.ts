import { randomUUID } from 'node:crypto';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { VERDICT_TABLE, type Answer, type VerdictName } from '@vennet/core/reach';
import {
  isUnderWay,
  type CheckRun,
  type DestinationHistory,
  type DestinationVerdict,
  type JobState,
  type JobStatus,
  type NewCheck,
  type NewSaying,
  type VerdictChange,
} from '@vennet/core/wire';
import { concatMap, type Observable } from 'rxjs';
import { DataSource, In, LessThan, Not, type FindOptionsWhere, type Repository } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import type { JobRun } from '../jobs/job.js';
import { Jobs } from '../jobs/jobs.js';
import { patiently } from '../database/patiently.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { CheckRowEntity } from '../database/entities/check-row.entity.js';
import { CheckRunEntity } from '../database/entities/check-run.entity.js';
import type { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { Reports } from '../reports/reports.service.js';
import { Prober } from '../probe/prober.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { AnswerStore } from './answer-store.js';
import { asFound, Destinations } from './destinations.js';
import { CheckSettingsService } from './settings.service.js';
import { ShelfFiles } from './shelf-files.js';
import { BATCH, batches, hashOf, judged } from './told.js';

/** How long one run may take, in ms: it is stopped then, and can go on. */
const LONGEST_RUN = 6 * 3_600_000;
/** Earlier findings of a destination that are shown. */
const HISTORY = 30;
/** Verdicts that a check of failures asks for again. */
const FAILURES: readonly VerdictName[] = ['broken', 'unreachable', 'doubtful'];
/** Verdicts for which a copy is looked for. */
const LOST: readonly VerdictName[] = ['broken', 'doubtful'];

/**
 * Check runs. Each is rows in the database, one a destination; a row that was answered is never asked again, so a run that
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
    private readonly destinations: Destinations,
    private readonly settings: CheckSettingsService,
    private readonly shelf: ShelfService,
    private readonly files: ShelfFiles,
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
    await this.#deriveAnew({ verdictTable: Not(VERDICT_TABLE) });
    const open = await this.#runs.find({
      where: { state: In(['waiting', 'running']) },
      order: { createdAt: 'ASC' },
    });
    for (const { id } of open) this.jobs.add('check', id);
  }

  /** Derives the verdicts of some rows from their answers, by the table and the settings of now. */
  async #deriveAnew(which: FindOptionsWhere<CheckRowEntity>): Promise<void> {
    const now = new Date();
    for (;;) {
      const rows = await this.#rows.find({ where: { answered: true, ...which }, take: BATCH });
      if (rows.length === 0) return;
      await this.#rows.upsert(
        rows.map((row) => ({
          ...row,
          ...(row.answer
            ? judged(row.href, row.answer, this.settings.patience, now)
            : { verdict: null, told: null, answered: false, verdictTable: VERDICT_TABLE, saidUntil: null }),
        })),
        ['runId', 'hrefHash'],
      );
    }
  }

  /** What was said of destinations holds for a time: what is over is judged without it. */
  #withoutWhatIsOver(): Promise<void> {
    return this.#deriveAnew({ saidUntil: LessThan(new Date()) });
  }

  /** Judges every stored answer anew, after the settings have changed. */
  async judgeAnew(): Promise<void> {
    await this.database.query('UPDATE check_rows SET verdict_table = 0 WHERE answered');
    await this.#deriveAnew({ verdictTable: Not(VERDICT_TABLE) });
  }

  async start(bookId: string, wanted: NewCheck = {}, scheduled = false): Promise<string> {
    const { hrefs, scope } = wanted;
    const destinations = await this.#destinationsFor(bookId, wanted);
    if (scope && destinations.length === 0)
      throw new ProblemError(
        422,
        'Nothing to check',
        {
          changed: 'Every destination has been checked since it came into the book.',
          failures: 'Nothing was found broken, unreachable or doubtful.',
          older: 'Every destination has been looked at since then.',
        }[scope],
      );
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
      await manager.insert(CheckRunEntity, {
        id,
        bookId,
        state: 'waiting',
        createdBy: LOCAL_AUTHOR,
        createdAt: new Date(),
        finishedAt: null,
        scope: hrefs ? 'chosen' : (scope ?? 'all'),
        scheduled,
        changes: null,
      });
      for (const batch of batches(destinations))
        await manager.insert(
          CheckRowEntity,
          batch.map((href) => ({
            runId: id,
            bookId,
            href,
            hrefHash: hashOf(href),
            verdictTable: VERDICT_TABLE,
            answered: false,
          })),
        );
    });
    this.jobs.add('check', id);
    return id;
  }

  async #destinationsFor(bookId: string, { hrefs, scope, days = 30 }: NewCheck): Promise<string[]> {
    const all = await this.reports.read<string[]>(bookId, 'addresses');
    if (hrefs) {
      const wanted = new Set(hrefs);
      return all.filter((href) => wanted.has(href));
    }
    if (!scope) return all;
    const known = new Map((await this.verdicts(bookId)).map((one) => [one.href, one]));
    const since = Date.now() - days * 86_400_000;
    const isWanted = {
      changed: (href: string) => !known.has(href),
      failures: (href: string) => FAILURES.includes(known.get(href)?.verdict ?? 'unchecked'),
      older: (href: string) => Date.parse(known.get(href)?.checkedAt ?? '1970-01-01') < since,
    }[scope];
    return all.filter(isWanted);
  }

  /** Lets a run that was stopped or has failed go on where it was. */
  async goOn(id: string): Promise<CheckRun> {
    const run = await this.#runs.findOneBy({ id });
    if (!run) throw notFound('check');
    if (run.state !== 'stopped' && run.state !== 'failed')
      throw new ProblemError(409, 'The check is not stopped', 'Only a check that was stopped can go on.');
    if (await this.#runs.existsBy({ bookId: run.bookId, state: In(['waiting', 'running']) }))
      throw new ProblemError(
        409,
        'A check is running',
        'Another check of this book is running. Wait for it, or stop it first.',
      );
    await this.#set(id, 'waiting');
    this.jobs.add('check', id);
    return this.one(id);
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<void> {
    const { rows, total, known, enclosures, language } = await patiently(() => this.#begun(id));
    const byHref = new Map(rows.map((row) => [row.href, row]));
    let done = total - rows.length;
    tell({ done, total });
    const storing = new AnswerStore(this.database, this.settings, known, (count) =>
      tell({ done: (done += count) }),
    );
    const tooLong = setTimeout(() => void this.jobs.stop(id), LONGEST_RUN).unref();
    const files = [...byHref.keys()].filter((href) => !/^(?:https?|mailto):/.test(href));
    try {
      for (const href of files) {
        signal.throwIfAborted();
        storing.add(byHref.get(href)!, await this.#lookAtFile(href, enclosures));
      }
      await this.prober.probeAll(
        [...byHref.keys()].filter((href) => /^(?:https?|mailto):/.test(href)),
        async (href, answer) => {
          const row = byHref.get(href);
          if (row) storing.add(row, await this.#withCopy(href, answer, known.get(href)?.firstSeen, signal));
        },
        signal,
        {
          languages: [language],
          before: (href) => known.get(href)?.before ?? null,
          file: (href) => publicFile(href, enclosures),
        },
      );
    } finally {
      clearTimeout(tooLong);
      await storing.flush();
    }
    signal.throwIfAborted();
    await patiently(async () => {
      const changes = (await this.changes(id)).filter(({ was }) => was !== null).length;
      await this.#runs.update({ id }, { changes, state: 'done', finishedAt: new Date() });
    });
  }

  /** Marks a run as running, and reads what it needs. */
  async #begun(id: string) {
    await this.#set(id, 'running');
    const { bookId } = await this.#runs.findOneByOrFail({ id });
    const rows = await this.#rows.findBy({ runId: id, answered: false });
    const { language } = await this.database.getRepository(BookEntity).findOneByOrFail({ id: bookId });
    return {
      rows,
      language,
      total: await this.#rows.countBy({ runId: id }),
      known: await this.destinations.among(rows.map(({ href }) => href)),
      enclosures: await this.shelf.rows(bookId),
    };
  }

  #lookAtFile(href: string, enclosures: readonly EnclosureEntity[]): Promise<Answer> {
    const [, id = '', fragment = ''] = /^enclosure\/([^#]*)(?:#(.*))?$/s.exec(href) ?? [];
    return this.files.look(
      enclosures.find((one) => one.id === id),
      fragment,
    );
  }

  /** An answer with the copy that an archive has, where the page itself is lost. */
  async #withCopy(
    href: string,
    answer: Answer,
    firstSeen: Date | undefined,
    signal: AbortSignal,
  ): Promise<Answer> {
    const { timeGate } = this.settings.current;
    if (timeGate === '' || !/^https?:/.test(href) || href.startsWith(timeGate)) return answer;
    const { verdict } = judged(href, answer, this.settings.patience);
    if (!LOST.includes(verdict!)) return answer;
    const page = href.replace(/#.*/s, '');
    const { copy, requests } = await this.prober.copyNear(page, firstSeen ?? new Date(), timeGate, signal);
    return { ...answer, archived: copy, requests: [...(answer.requests ?? []), ...requests] };
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
    await this.#withoutWhatIsOver();
    return this.#withCounts(
      await this.#runs.find({ where: { bookId }, order: { createdAt: 'DESC' }, take: 20 }),
    );
  }

  async #withCounts(runs: CheckRunEntity[]): Promise<CheckRun[]> {
    if (runs.length === 0) return [];
    const counts = await this.#rows
      .createQueryBuilder('row')
      .select('row.run_id', 'run')
      .addSelect('row.answered', 'answered')
      .addSelect('row.verdict', 'verdict')
      .addSelect('COUNT(*)', 'count')
      .where('row.run_id IN (:...ids)', { ids: runs.map((run) => run.id) })
      .groupBy('row.run_id, row.answered, row.verdict')
      .getRawMany<{ run: string; answered: number; verdict: VerdictName | null; count: string }>();
    return runs.map(({ id, state, createdAt, finishedAt, scope, scheduled, changes }) => {
      const own = counts.filter((one) => one.run === id);
      const sum = (some: typeof own) => some.reduce((all, one) => all + Number(one.count), 0);
      const verdicts: CheckRun['verdicts'] = {};
      for (const { verdict, count } of own) if (verdict) verdicts[verdict] = Number(count);
      return {
        id,
        state,
        done: sum(own.filter(({ answered }) => Number(answered) === 1)),
        total: sum(own),
        verdicts,
        createdAt: createdAt.toISOString(),
        finishedAt: finishedAt?.toISOString() ?? null,
        scope,
        scheduled,
        changes,
      };
    });
  }

  /** The state of a run now and at each change, until it has ended. */
  events(id: string): Observable<CheckRun> {
    return this.jobs.events(id).pipe(concatMap(() => this.one(id)));
  }

  /** What a run found otherwise than the book's runs before it. */
  async changes(id: string): Promise<VerdictChange[]> {
    const rows = await this.database.query<{ href: string; was: VerdictName | null; now: VerdictName }[]>(
      `SELECT row.href, row.verdict AS now,
        (SELECT earlier.verdict FROM check_rows earlier WHERE earlier.book_id = row.book_id AND earlier.href_hash = row.href_hash
          AND earlier.answered AND earlier.id < row.id ORDER BY earlier.checked_at DESC, earlier.id DESC LIMIT 1) AS was
        FROM check_rows row WHERE row.run_id = ? AND row.answered ORDER BY row.id`,
      [id],
    );
    return rows.flatMap(({ href, was, now }) => (was === now ? [] : [{ href, was, is: now }]));
  }

  /** The latest verdict on each destination of a book. */
  async verdicts(bookId: string): Promise<DestinationVerdict[]> {
    await this.#withoutWhatIsOver();
    const rows = await this.#rows
      .createQueryBuilder('row')
      .select(['row.id', 'row.href', 'row.told', 'row.checkedAt'])
      .where('row.book_id = :bookId AND row.answered', { bookId })
      .andWhere(
        `row.id = (SELECT latest.id FROM check_rows latest WHERE latest.book_id = row.book_id AND latest.href_hash = row.href_hash
          AND latest.answered ORDER BY latest.checked_at DESC, latest.id DESC LIMIT 1)`,
      )
      .getMany();
    return rows.flatMap(({ href, told, checkedAt }) =>
      told && checkedAt ? [{ href, ...told, checkedAt: checkedAt.toISOString() }] : [],
    );
  }

  /** What was done for the latest verdict on a destination of a book, and how it was found before, in any book. */
  async history(bookId: string, href: string): Promise<DestinationHistory> {
    const rows = await this.#rows.find({
      select: { id: true, bookId: true, told: true, checkedAt: true },
      where: { hrefHash: hashOf(href), answered: true },
      order: { checkedAt: 'DESC', id: 'DESC' },
      take: HISTORY,
    });
    const latest = rows.find((row) => row.bookId === bookId);
    if (!latest) throw notFound('verdict');
    const { answer } = await this.#rows.findOneByOrFail({ id: latest.id });
    const isWeb = answer?.outcome === 'status' || answer?.outcome === 'failure';
    return {
      href,
      title: answer?.outcome === 'status' ? (answer.page?.title ?? '') : '',
      hops: isWeb ? answer.hops : [],
      requests: answer?.requests ?? [],
      seen: rows.flatMap(({ told, checkedAt }) =>
        told && checkedAt
          ? [{ checkedAt: checkedAt.toISOString(), verdict: told.verdict, reason: told.reason }]
          : [],
      ),
    };
  }

  /** Keeps what an author saw at a destination, and judges its latest answers by it. */
  async say(bookId: string, { href, saw, readers, from, note }: NewSaying): Promise<void> {
    const now = new Date();
    const until = new Date(now.getTime() + this.settings.current.saidDays * 86_400_000);
    const said = { saw, readers, from, note, at: now.toISOString(), until: until.toISOString() };
    await this.#sayOf(bookId, href, said);
  }

  /** Takes back what an author said of a destination. */
  unsay(bookId: string, href: string): Promise<void> {
    return this.#sayOf(bookId, href, null);
  }

  async #sayOf(bookId: string, href: string, said: Answer['said']): Promise<void> {
    const [row] = await this.#rows.find({
      where: { bookId, hrefHash: hashOf(href), answered: true },
      order: { checkedAt: 'DESC', id: 'DESC' },
      take: 1,
    });
    if (!row?.answer) throw notFound('verdict');
    const known = await this.destinations.one(href);
    // What an author has looked at is what the page is to be compared with from now on.
    const page = said?.saw === 'opens' && row.answer.outcome === 'status' ? row.answer : null;
    const before = (page && asFound(href, page, 'sound')) ?? known.before;
    await this.destinations.keep({ ...known, before, said: said ?? null });
    const answer: Answer = { ...row.answer, said: said ?? null };
    await this.#rows.upsert(
      [{ ...row, answer, ...judged(href, answer, this.settings.patience) }],
      ['runId', 'hrefHash'],
    );
  }
}

/** The file of the Shelf that is to be had at an address. */
function publicFile(href: string, enclosures: readonly EnclosureEntity[]) {
  const file = enclosures.find(
    ({ travels, address }) => travels === 'public' && address?.replace(/#.*/s, '') === href,
  );
  return file ? { name: file.name, size: Number(file.size), checksum: file.sha256 } : null;
}

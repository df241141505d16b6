import { randomUUID } from 'node:crypto';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { parseWebAddress, withoutFragment } from '@vennet/core/destination';
import { VERDICT_TABLE, type Answer, type VerdictName } from '@vennet/core/reach';
import {
  isUnderWay,
  type CheckRun,
  type FindingCounts,
  type JobState,
  type JobStatus,
  type NewCheck,
  type VerdictChange,
} from '@vennet/core/wire';
import { concatMap, type Observable } from 'rxjs';
import { DataSource, In, type EntityManager, type Repository } from 'typeorm';
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
import { Destinations } from './destinations.js';
import { CheckSettingsService } from './settings.service.js';
import { ShelfFiles } from './shelf-files.js';
import { batches, hashOf, judged } from './told.js';
import { SurveyedService } from './surveyed.service.js';
import { VerdictsService } from './verdicts.service.js';

/** How long one run may take, in ms: it is stopped then, and can go on. */
const LONGEST_RUN = 6 * 3_600_000;
/** How long an answer is kept whole when there is a later one, in ms. */
const ANSWERS_KEPT = 90 * 86_400_000;
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
    private readonly verdicts: VerdictsService,
    private readonly destinations: Destinations,
    private readonly settings: CheckSettingsService,
    private readonly shelf: ShelfService,
    private readonly files: ShelfFiles,
    private readonly surveyed: SurveyedService,
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
    await this.verdicts.deriveOld();
    const open = await this.#runs.find({
      where: { state: In(['waiting', 'running']) },
      order: { createdAt: 'ASC' },
    });
    for (const { id } of open) this.jobs.add('check', id);
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
      await noneUnderWay(manager, bookId);
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
        findings: null,
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

  async #destinationsFor(
    bookId: string,
    { hrefs, candidates, scope, days = 30 }: NewCheck,
  ): Promise<string[]> {
    const all = await this.reports.read<string[]>(bookId, 'addresses');
    if (hrefs) {
      const wanted = new Set(hrefs);
      const own = all.filter((href) => wanted.has(href));
      const others = hrefs.filter((href) => isWebAddress(href) && !own.includes(href));
      return [...own, ...(candidates ? new Set(others) : [])];
    }
    if (!scope) return all;
    const known = new Map((await this.verdicts.ofBook(bookId)).map((one) => [one.href, one]));
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
    await this.database.transaction(async (manager) => {
      await noneUnderWay(manager, run.bookId);
      await manager.update(CheckRunEntity, { id }, { state: 'waiting', finishedAt: null });
    });
    this.jobs.add('check', id);
    return this.one(id);
  }

  async #run(id: string, { signal, tell }: JobRun): Promise<void> {
    const { bookId, scope, rows, total, known, enclosures, language, createdAt } = await patiently(() =>
      this.#begun(id),
    );
    const byHref = new Map(rows.map((row) => [row.href, row]));
    let done = total - rows.length;
    tell({ done, total });
    const storing = new AnswerStore(this.database, this.settings, known, createdAt, (count) =>
      tell({ done: (done += count) }),
    );
    const tooLong = setTimeout(() => void this.jobs.stop(id), LONGEST_RUN).unref();
    const files = [...byHref.keys()].filter((href) => !isOfNetwork(href));
    try {
      for (const href of files) {
        signal.throwIfAborted();
        storing.add(byHref.get(href)!, await this.#lookAtFile(href, enclosures));
      }
      await this.prober.probeAll(
        [...byHref.keys()].filter(isOfNetwork),
        async (href, answer) => {
          const row = byHref.get(href);
          if (row)
            storing.add(
              row,
              await this.#withCopy(href, answer, known.get(href)?.firstSeen ?? createdAt, signal),
            );
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
      const findings = scope === 'chosen' ? null : await this.#found(bookId);
      await this.#runs.update({ id }, { changes, findings, state: 'done', finishedAt: new Date() });
      await this.#thinOut(bookId);
    });
  }

  /** What is found of the links of a book, as the run leaves them; `null` where that can't be counted. */
  #found(bookId: string): Promise<FindingCounts | null> {
    return this.reports
      .read<FindingCounts>(bookId, 'counts', () => this.surveyed.of(bookId))
      .catch(() => null);
  }

  /** Marks a run as running, and reads what it needs. */
  async #begun(id: string) {
    await this.#set(id, 'running');
    const { bookId, scope } = await this.#runs.findOneByOrFail({ id });
    const rows = await this.#rows.findBy({ runId: id, answered: false });
    const { language, createdAt } = await this.database
      .getRepository(BookEntity)
      .findOneByOrFail({ id: bookId });
    return {
      bookId,
      scope,
      rows,
      language,
      createdAt,
      total: await this.#rows.countBy({ runId: id }),
      known: await this.destinations.among(rows.map(({ href }) => href)),
      enclosures: await this.shelf.rows(bookId),
    };
  }

  /** Lets go of what was met long ago for destinations that were asked since: what was said of them stays. */
  async #thinOut(bookId: string): Promise<void> {
    await this.database.query(
      `UPDATE check_rows row JOIN check_rows later
        ON later.book_id = row.book_id AND later.href_hash = row.href_hash AND later.answered AND later.id > row.id
        SET row.answer = NULL
        WHERE row.book_id = ? AND row.answer IS NOT NULL AND row.checked_at < ?`,
      [bookId, new Date(Date.now() - ANSWERS_KEPT)],
    );
  }

  #lookAtFile(href: string, enclosures: readonly EnclosureEntity[]): Promise<Answer> {
    const [, id = '', fragment = ''] = /^enclosure\/([^#]*)(?:#(.*))?$/s.exec(href) ?? [];
    return this.files.look(
      enclosures.find((one) => one.id === id),
      fragment,
    );
  }

  /** An answer with the copy that an archive has, where the page itself is lost. */
  async #withCopy(href: string, answer: Answer, madeAt: Date, signal: AbortSignal): Promise<Answer> {
    const { timeGate } = this.settings.current;
    if (timeGate === '' || !/^https?:/.test(href) || href.startsWith(timeGate)) return answer;
    const { verdict } = judged(href, answer, this.settings.patience);
    if (!LOST.includes(verdict!)) return answer;
    const page = withoutFragment(href);
    const { copy, requests } = await this.prober.copyNear(page, madeAt, timeGate, signal);
    return { ...answer, archived: copy, requests: [...(answer.requests ?? []), ...requests] };
  }

  async #set(id: string, state: JobState): Promise<void> {
    await this.#runs.update({ id }, { state, finishedAt: isUnderWay({ state }) ? null : new Date() });
  }

  async #stored(id: string): Promise<JobStatus | null> {
    const run = await this.#runs.findOneBy({ id });
    if (!run) return null;
    const { state, done, total } = await this.one(id);
    return { id, kind: 'check', state, stage: '', done, total, message: '', wants: null, made: null };
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
    await this.verdicts.withoutWhatIsOver();
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
    return runs.map(({ id, state, createdAt, finishedAt, scope, scheduled, changes, findings }) => {
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
        findings,
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
}

/** A full web address, as the parser writes it. */
const isWebAddress = (href: string): boolean => parseWebAddress(href)?.href === href;

/** True for what the network is asked for; the rest are files on the Shelf. */
const isOfNetwork = (href: string): boolean => /^(?:https?|mailto):/.test(href);

/** Whoever else starts a check of a book at this moment waits here. @throws ProblemError when one is under way */
async function noneUnderWay(manager: EntityManager, bookId: string): Promise<void> {
  await manager.findOne(BookEntity, { where: { id: bookId }, lock: { mode: 'pessimistic_write' } });
  if (await manager.existsBy(CheckRunEntity, { bookId, state: In(['waiting', 'running']) }))
    throw new ProblemError(
      409,
      'A check is running',
      'The links of this book are being checked. Wait for it, or stop it first.',
    );
}

/** The file of the Shelf that is to be had at an address. */
function publicFile(href: string, enclosures: readonly EnclosureEntity[]) {
  const file = enclosures.find(
    ({ travels, address }) => travels === 'public' && address !== null && withoutFragment(address) === href,
  );
  return file ? { name: file.name, size: Number(file.size), checksum: file.sha256 } : null;
}

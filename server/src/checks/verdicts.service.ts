import { Injectable } from '@nestjs/common';
import { VERDICT_TABLE, type Answer } from '@vennet/core/reach';
import type { DestinationHistory, DestinationVerdict, NewSaying } from '@vennet/core/wire';
import { DataSource, LessThan, Not, type FindOptionsWhere, type Repository } from 'typeorm';
import { CheckRowEntity } from '../database/entities/check-row.entity.js';
import { notFound } from '../platform/problem.js';
import { asFound, Destinations } from './destinations.js';
import { CheckSettingsService } from './settings.service.js';
import { BATCH, hashOf, judged } from './told.js';

/** Earlier findings of a destination that are shown. */
const HISTORY = 30;

/** What is not known of pages that were looked at before it was kept. */
const BEFORE_PAGES = { title: '', language: '' };

/** Verdicts as they are derived from stored answers, and what an author says of destinations. */
@Injectable()
export class VerdictsService {
  readonly #rows: Repository<CheckRowEntity>;

  constructor(
    database: DataSource,
    private readonly destinations: Destinations,
    private readonly settings: CheckSettingsService,
  ) {
    this.#rows = database.getRepository(CheckRowEntity);
  }

  /** Verdicts by an older table are derived anew. */
  deriveOld(): Promise<void> {
    return this.#deriveAnew({ verdictTable: Not(VERDICT_TABLE) });
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
            : { verdictTable: VERDICT_TABLE, saidUntil: null }),
        })),
        ['runId', 'hrefHash'],
      );
    }
  }

  /** What was said of destinations holds for a time: what is over is judged without it. */
  withoutWhatIsOver(): Promise<void> {
    return this.#deriveAnew({ saidUntil: LessThan(new Date()) });
  }

  /** Judges every stored answer anew, after the settings have changed. */
  async judgeAnew(): Promise<void> {
    await this.#rows.update({ answered: true }, { verdictTable: 0 });
    await this.deriveOld();
  }

  /** The latest verdict on each destination of a book. */
  async ofBook(bookId: string): Promise<DestinationVerdict[]> {
    await this.withoutWhatIsOver();
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
      told && checkedAt ? [{ href, ...BEFORE_PAGES, ...told, checkedAt: checkedAt.toISOString() }] : [],
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

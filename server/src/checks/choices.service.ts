import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import { allRules, VERDICT_ASIDE } from '@vennet/core/audit';
import type { NewRuleChoice, NewSetAside, SurveyChoices } from '@vennet/core/wire';
import { DataSource, In, type Repository } from 'typeorm';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { RuleChoiceEntity } from '../database/entities/rule-choice.entity.js';
import { SetAsideEntity } from '../database/entities/set-aside.entity.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { batches, hashOf } from './told.js';

const RULES = new Set(allRules.map(({ id }) => id));

/** What an author chooses of a book's survey: how grave rules are, and what is set aside. */
@Injectable()
export class ChoicesService {
  readonly #rules: Repository<RuleChoiceEntity>;
  readonly #aside: Repository<SetAsideEntity>;

  constructor(
    private readonly database: DataSource,
    private readonly shelf: ShelfService,
  ) {
    this.#rules = database.getRepository(RuleChoiceEntity);
    this.#aside = database.getRepository(SetAsideEntity);
  }

  /** All that is chosen, the newest first. */
  async of(bookId: string): Promise<SurveyChoices> {
    const rules = await this.#rules.find({ where: { bookId }, order: { at: 'DESC' } });
    const aside = await this.#aside.find({ where: { bookId }, order: { at: 'DESC', id: 'ASC' } });
    return {
      rules: rules.map(({ rule, severity, reason, at }) => ({
        rule,
        severity,
        reason,
        at: at.toISOString(),
      })),
      aside: aside.map(({ id, rule, of, print, reason, until, createdBy, at }) => ({
        id,
        rule,
        of,
        print,
        reason,
        until: until ?? '',
        author: createdBy,
        at: at.toISOString(),
      })),
    };
  }

  /** Raises, lowers or switches off a rule. @throws ProblemError for a rule that there is not */
  async choose(bookId: string, rule: string, { severity, reason }: NewRuleChoice): Promise<void> {
    await this.shelf.bookMustBe(bookId);
    if (!RULES.has(rule)) throw notFound('rule');
    await this.#rules.upsert({ bookId, rule, severity, reason, createdBy: LOCAL_AUTHOR, at: new Date() }, [
      'bookId',
      'rule',
    ]);
  }

  /** The rule is as grave as it is by itself. */
  async unchoose(bookId: string, rule: string): Promise<void> {
    await this.#rules.delete({ bookId, rule });
  }

  /** Sets findings and verdicts aside; what was set aside before is set aside anew. Gives their ids. */
  async setAside(bookId: string, entries: readonly NewSetAside[]): Promise<string[]> {
    await this.shelf.bookMustBe(bookId);
    const unknown = entries.find(({ rule }) => rule !== VERDICT_ASIDE && !RULES.has(rule));
    if (unknown)
      throw new ProblemError(
        422,
        'No such rule',
        `There is no rule “${unknown.rule}”. Nothing was set aside.`,
      );
    const at = new Date();
    const rows = entries.map(({ rule, of, print, reason, until }) => ({
      id: randomUUID(),
      bookId,
      rule,
      of,
      ofHash: hashOf(of),
      print,
      reason,
      until: until === '' ? null : until,
      createdBy: LOCAL_AUTHOR,
      at,
    }));
    await this.database.transaction(async (manager) => {
      for (const batch of batches(rows)) {
        for (const { rule, ofHash } of batch) await manager.delete(SetAsideEntity, { bookId, rule, ofHash });
        await manager.insert(SetAsideEntity, batch);
      }
    });
    return rows.map(({ id }) => id);
  }

  /** What was set aside shows again. */
  async showAgain(bookId: string, ids: readonly string[]): Promise<void> {
    for (const batch of batches(ids)) await this.#aside.delete({ bookId, id: In(batch) });
  }
}

import type { Answer } from '@vennet/core/reach';
import type { DataSource } from 'typeorm';
import { CheckRowEntity } from '../database/entities/check-row.entity.js';
import { DestinationEntity } from '../database/entities/destination.entity.js';
import { patiently } from '../database/patiently.js';
import type { CheckSettingsService } from './settings.service.js';
import { asFound, newDestination, saidNow, streakAfter } from './destinations.js';
import { judged } from './told.js';

interface Waiting {
  row: CheckRowEntity;
  destination: DestinationEntity;
}

/** Stores each answer as soon as it comes; those that come while others are being stored go together in one transaction. */
export class AnswerStore {
  #waiting: Waiting[] = [];
  #storing: Promise<void> | null = null;

  constructor(
    readonly database: DataSource,
    readonly settings: CheckSettingsService,
    readonly known: Map<string, DestinationEntity>,
    /** When the book came: links of destinations that are new were made then at the latest. */
    readonly since: Date,
    readonly stored: (count: number) => void,
  ) {}

  /** Judges an answer with all that is known of its destination, and lets it wait to be stored. */
  add(row: CheckRowEntity, given: Answer): void {
    const now = new Date();
    const { patience } = this.settings;
    const known = this.known.get(row.href) ?? newDestination(row.href, this.since);
    const bare = judged(row.href, { ...given, said: null, streak: null }, patience, now);
    const streak = streakAfter(known.streak, given, bare.verdict!, now);
    const said = saidNow(known.said, now);
    const answer: Answer = { ...given, streak, said };
    const before = asFound(row.href, given, bare.verdict!) ?? known.before;
    const destination = { ...known, before, said, streak };
    this.known.set(row.href, destination);
    this.#waiting.push({
      // Without a word of the author and a row of failures it means what it meant at first.
      row: {
        ...row,
        answer,
        checkedAt: now,
        ...(said || streak ? judged(row.href, answer, patience, now) : bare),
      },
      destination,
    });
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
      await patiently(() => this.#keep(group));
      this.stored(group.length);
    }
    this.#storing = null;
  }

  #keep(group: readonly Waiting[]): Promise<void> {
    return this.database.transaction(async (manager) => {
      await manager.getRepository(CheckRowEntity).upsert(
        group.map(({ row }) => row),
        ['runId', 'hrefHash'],
      );
      await manager.getRepository(DestinationEntity).upsert(
        group.map(({ destination }) => destination),
        ['owner', 'hrefHash'],
      );
    });
  }
}

import { Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { groupedBy } from '@vennet/core/manuscript';
import { DataSource, In } from 'typeorm';
import { SnapshotEntity } from '../database/entities/snapshot.entity.js';
import { SnapshotsService } from './snapshots.service.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
const WEEK = 7 * DAY;

/** How often books that are written in are looked at. */
const EVERY = 10 * MINUTE;

/**
 * Of versions that have no name one stays for each hour of the last day, one for each day of the last month, and one for each week before
 * that: the newest of each. Those of the last hour all stay. Gives the ids of those that go.
 */
export function versionsToThin(
  versions: readonly { id: string; createdAt: Date; name: string }[],
  now: Date,
): string[] {
  const kept = new Set<string>();
  const going: string[] = [];
  const newestFirst = [...versions].sort((one, other) => other.createdAt.getTime() - one.createdAt.getTime());
  for (const { id, createdAt, name } of newestFirst) {
    const age = now.getTime() - createdAt.getTime();
    if (name !== '' || age < HOUR) continue;
    const span = age < DAY ? HOUR : age < 30 * DAY ? DAY : WEEK;
    const slot = `${span}:${Math.floor(createdAt.getTime() / span)}`;
    if (kept.has(slot)) going.push(id);
    kept.add(slot);
  }
  return going;
}

/** Keeps a version of a book that is written in, once an hour, and lets older ones go by their age. */
@Injectable()
export class VersionKeeping implements OnApplicationBootstrap, OnApplicationShutdown {
  readonly #log = new Logger('VersionKeeping');
  #timer?: NodeJS.Timeout;

  constructor(
    private readonly database: DataSource,
    private readonly snapshots: SnapshotsService,
  ) {}

  onApplicationBootstrap(): void {
    const work = () =>
      this.keep()
        .then(() => this.thin())
        .catch((error: Error) => this.#log.warn(error.message));
    this.#timer = setInterval(() => void work(), EVERY).unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.#timer);
  }

  /** A version of each book whose text has changed since its last one, where that is older than an hour. */
  async keep(now = new Date()): Promise<void> {
    const books = await this.database.query<{ id: string }[]>(
      `SELECT b.id FROM books b
        LEFT JOIN (SELECT book_id, MAX(created_at) AS last FROM snapshots GROUP BY book_id) s ON s.book_id = b.id
        WHERE b.deleted_at IS NULL AND COALESCE(s.last, b.created_at) < ?
        AND EXISTS (SELECT 1 FROM chapters c WHERE c.book_id = b.id AND c.updated_at > COALESCE(s.last, b.created_at))`,
      [new Date(now.getTime() - HOUR)],
    );
    for (const { id } of books)
      await this.database.transaction((manager) =>
        this.snapshots.keepNow(manager, id, 'While it was written'),
      );
  }

  async thin(now = new Date()): Promise<void> {
    const repository = this.database.getRepository(SnapshotEntity);
    const rows = await repository.find({ select: { id: true, bookId: true, createdAt: true, name: true } });
    for (const versions of groupedBy(rows, ({ bookId }) => bookId).values()) {
      const going = versionsToThin(versions, now);
      if (going.length > 0) await repository.delete({ id: In(going) });
    }
  }
}

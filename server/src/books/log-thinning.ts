import { Injectable, Logger, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { DataSource } from 'typeorm';

/** How long the steps of changes are kept, in days: windows that stayed open longer, and texts kept in browsers, come in by comparison. */
export const KEPT_DAYS = 90;
const DAY = 24 * 60 * 60_000;
/** How many rows go at once, so that nobody waits for them. */
const GROUP = 2_000;

/**
 * Thins the log of changes out: everything before a moment goes, in all chapters alike, so that what is kept of a chapter has no gaps up to its
 * current version. Changes to the order of a book, removals and the like stay, since they can be taken back without steps.
 */
@Injectable()
export class LogThinning implements OnApplicationBootstrap, OnApplicationShutdown {
  readonly #log = new Logger('LogThinning');
  #timer?: NodeJS.Timeout;

  constructor(private readonly database: DataSource) {}

  onApplicationBootstrap(): void {
    const thin = () => this.thin().catch((error: Error) => this.#log.warn(error.message));
    this.#timer = setInterval(() => void thin(), DAY).unref();
    void thin();
  }

  onApplicationShutdown(): void {
    clearInterval(this.#timer);
  }

  /** Removes what is older than it has to be. */
  async thin(now = new Date()): Promise<void> {
    const before = new Date(now.getTime() - KEPT_DAYS * DAY);
    await this.#inGroups(
      'DELETE FROM chapter_steps WHERE change_id IN (SELECT id FROM changes WHERE created_at < ?) LIMIT ?',
      before,
    );
    await this.#inGroups(
      'DELETE FROM changes WHERE created_at < ? AND recipe IS NULL AND NOT EXISTS (SELECT 1 FROM chapter_steps WHERE change_id = changes.id) LIMIT ?',
      before,
    );
  }

  async #inGroups(statement: string, before: Date): Promise<void> {
    for (;;) {
      const { affectedRows } = await this.database.query<{ affectedRows: number }>(statement, [
        before,
        GROUP,
      ]);
      if (affectedRows < GROUP) return;
    }
  }
}

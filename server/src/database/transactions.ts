import { AsyncLocalStorage } from 'node:async_hooks';
import type { DataSource, EntityManager } from 'typeorm';

const inside = new AsyncLocalStorage<true>();

/**
 * Lets a transaction have one connection and no other: whatever it reads, it reads through its own manager. Transactions that
 * wait for a second connection while they hold the first wait for each other for good, once there are as many as connections.
 * What is read after a lock was waited for is as it is then, not as it was when the transaction began.
 */
export function withOneConnectionEach(database: DataSource): DataSource {
  const create = database.createQueryRunner.bind(database);
  database.createQueryRunner = (mode) => {
    if (inside.getStore())
      throw new Error(
        'a second connection inside a transaction: read through the manager of the transaction',
      );
    return create(mode);
  };
  const begin = database.transaction.bind(database);
  database.transaction = <Result>(...given: unknown[]) => {
    const work = given.at(-1) as (manager: EntityManager) => Promise<Result>;
    const once = () => begin('READ COMMITTED', (manager) => inside.run(true, () => work(manager)));
    return againWhenLocked(once);
  };
  return database;
}

/** How often a transaction is tried that the database gave up, since two waited for each other. */
const TRIES = 4;

async function againWhenLocked<Result>(once: () => Promise<Result>): Promise<Result> {
  for (let tried = 1; ; tried++) {
    try {
      return await once();
    } catch (error) {
      const { code } = error as { code?: string };
      if (tried === TRIES || code !== 'ER_LOCK_DEADLOCK') throw error;
    }
  }
}

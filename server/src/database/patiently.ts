import { setTimeout as wait } from 'node:timers/promises';

/** Codes of Node and of the driver for a database that is away. */
const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
]);

/** How long a database that is away is waited for, and how long between two tries, in ms. */
const LONGEST = 120_000;
const PAUSE = 500;

/**
 * Does something with the database that can be done twice, and does it again for a while when the database is away: what long
 * work has found is not lost because it was restarted.
 */
export async function patiently<Result>(work: () => Promise<Result>): Promise<Result> {
  const end = Date.now() + LONGEST;
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (Date.now() > end || !isAway(error)) throw error;
      await wait(PAUSE);
    }
  }
}

function isAway(error: unknown): boolean {
  const {
    code = '',
    fatal = false,
    driverError,
  } = error as { code?: string; fatal?: boolean; driverError?: unknown };
  return fatal || AWAY.has(code) || (driverError !== undefined && isAway(driverError));
}

import { Injectable } from '@nestjs/common';
import {
  likened,
  type Answer,
  type Likened,
  type Said,
  type Streak,
  type VerdictName,
} from '@vennet/core/reach';
import { DataSource, In } from 'typeorm';
import { DestinationEntity } from '../database/entities/destination.entity.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { batches, hashOf } from './told.js';

/** What is known of destinations over all runs and books: since when, how they were when they were sound, what was said of them. */
@Injectable()
export class Destinations {
  constructor(private readonly database: DataSource) {}

  /** Those that are known among some, by their address. */
  async among(hrefs: readonly string[]): Promise<Map<string, DestinationEntity>> {
    const known = new Map<string, DestinationEntity>();
    const rows = this.database.getRepository(DestinationEntity);
    for (const batch of batches(hrefs))
      for (const one of await rows.findBy({ owner: LOCAL_AUTHOR, hrefHash: In(batch.map(hashOf)) }))
        known.set(one.href, one);
    return known;
  }

  /** One destination, known or new. */
  async one(href: string): Promise<DestinationEntity> {
    return (await this.among([href])).get(href) ?? newDestination(href);
  }

  async keep(destination: DestinationEntity): Promise<void> {
    await this.database.getRepository(DestinationEntity).upsert(destination, ['owner', 'hrefHash']);
  }

  /** Keeps how a page is when a link to it is made. */
  async remember(href: string, before: Likened): Promise<void> {
    const known = await this.one(href);
    if (!known.before) await this.keep({ ...known, before });
  }
}

/** A destination that is met for the first time; its link may have been made before, at `since`. */
export const newDestination = (href: string, since = new Date()): DestinationEntity => ({
  owner: LOCAL_AUTHOR,
  hrefHash: hashOf(href),
  href,
  firstSeen: since,
  before: null,
  said: null,
  streak: null,
});

/** Failures that say nothing of the destination: it was not asked. */
const NOT_ASKED = new Set(['resting', 'robots-unknown']);

/** How often in a row, and since when, a destination could not be reached, with this answer counted. */
export function streakAfter(
  before: Streak | null,
  answer: Answer,
  verdict: VerdictName,
  now: Date,
): Streak | null {
  if (answer.outcome === 'failure' && NOT_ASKED.has(answer.failure)) return before;
  if (verdict !== 'unreachable') return null;
  return before ? { ...before, runs: before.runs + 1 } : { runs: 1, since: now.toISOString() };
}

/** How a page is, where it is as it should be: what it is compared with from now on. */
export function asFound(href: string, answer: Answer, verdict: VerdictName): Likened | null {
  if (answer.outcome !== 'status' || !answer.page || answer.page.kind !== 'html') return null;
  if (verdict !== 'sound' && verdict !== 'moved') return null;
  return likened(answer.page, href, answer.status, answer.at ?? '');
}

/** What was said, while it holds. */
export const saidNow = (said: Said | null, now: Date): Said | null =>
  said && new Date(said.until) > now ? said : null;

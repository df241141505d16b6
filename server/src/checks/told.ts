import { languageTold } from '@vennet/core/language';
import { VERDICT_TABLE, verdictOf, type Answer, type Patience } from '@vennet/core/reach';
import { sha256 } from '../platform/sha256.js';
import type { CheckRowEntity, Told } from '../database/entities/check-row.entity.js';

/** What an answer means now, as it is stored with it. */
export function judged(
  href: string,
  answer: Answer,
  patience: Patience,
  now = new Date(),
): Pick<CheckRowEntity, 'verdict' | 'told' | 'verdictTable' | 'saidUntil' | 'answered'> {
  const {
    verdict,
    reason,
    sign = '',
    quote = '',
    movedTo = null,
    securedTo = null,
  } = verdictOf(answer, href, {
    patience,
    now: now.toISOString(),
  });
  const said = answer.said ?? null;
  const told: Told = {
    verdict,
    reason,
    sign,
    quote,
    movedTo,
    securedTo,
    copy: answer.archived ?? null,
    said,
    ...toldOfPage(answer),
  };
  const until = said && new Date(said.until);
  const opens = said?.from ? new Date(said.from) : null;
  // The verdict is derived anew on the day on which it opens, and when what was said holds no more.
  const saidUntil = opens && opens > now ? opens : until && until > now ? until : null;
  return { verdict, told, verdictTable: VERDICT_TABLE, saidUntil, answered: true };
}

/** The title and the language of a page, where one was read. */
function toldOfPage(answer: Answer): Pick<Told, 'title' | 'language'> {
  const page = answer.outcome === 'status' ? answer.page : undefined;
  return { title: page?.title ?? '', language: languageTold(page?.language ?? '') ?? '' };
}

/** By which a destination is found. */
export const hashOf = (href: string): string => sha256(href);

/** Rows that are read, written or named in one statement. */
export const BATCH = 500;

export function* batches<Item>(items: readonly Item[]): Iterable<Item[]> {
  for (let at = 0; at < items.length; at += BATCH) yield items.slice(at, at + BATCH);
}

import type { ArchivedCopy, Asked } from '@vennet/core/reach';
import { visit, type VisitOptions } from './visit.js';

/**
 * The copy of a page that an archive has nearest to a time (RFC 7089, 4: a TimeGate is asked with `Accept-Datetime` and sends on to
 * a memento). `null` where it has none.
 *
 * @param timeGate the address that the address of a page is put after
 */
export async function copyNear(
  href: string,
  date: Date,
  timeGate: string,
  options: VisitOptions,
): Promise<{ copy: ArchivedCopy | null; requests: Asked[] }> {
  const visited = await visit(
    timeGate + href,
    { why: 'archive', headers: { 'accept-datetime': date.toUTCString() } },
    options,
  );
  const { requests } = visited;
  if (visited.outcome !== 'status' || visited.status >= 300) return { copy: null, requests };
  const made = Date.parse(visited.memento);
  if (Number.isNaN(made)) return { copy: null, requests };
  return { copy: { href: visited.href, at: new Date(made).toISOString() }, requests };
}

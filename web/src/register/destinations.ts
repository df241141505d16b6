import type { Finding } from '@vennet/core/audit';
import type { Link } from '@vennet/core/manuscript';
import { askedAddress, VERDICTS, type Verdict, type VerdictName } from '@vennet/core/reach';
import type { DestinationVerdict } from '@vennet/core/wire';
import { verdictFor, type BookStore } from '../book/store.js';

/** One destination of the book with every link that leads there. */
export interface DestinationRow {
  href: string;
  uses: [Link, ...Link[]];
  /** What a check asks for; `null` for what is inside. */
  asked: string | null;
  verdict: VerdictName;
  /** What the verdict says, and all that was found. */
  about: Verdict | DestinationVerdict;
  /** ISO 8601. */
  checkedAt: string | null;
  findings: Finding[];
}

/** The links of a book grouped by destination: what needs the author first, then by address. */
export function destinationsOf({
  links,
  findings,
  placeIds,
  verdicts,
  surroundings,
}: Pick<BookStore, 'links' | 'findings' | 'placeIds' | 'verdicts' | 'surroundings'>): DestinationRow[] {
  const rows = new Map<string, DestinationRow>();
  for (const link of links) {
    const row = rows.get(link.href);
    if (row) row.uses.push(link);
    else {
      const about = verdictFor(link, { placeIds, verdicts, surroundings });
      const asked = askedAddress(link.destination, surroundings);
      rows.set(link.href, {
        href: link.href,
        uses: [link],
        asked,
        verdict: about.verdict,
        about,
        checkedAt: verdicts.get(asked ?? link.href)?.checkedAt ?? null,
        findings: [],
      });
    }
  }
  for (const row of rows.values()) row.findings.push(...row.uses.flatMap(({ id }) => findings.get(id) ?? []));
  const rank = (row: DestinationRow) => VERDICTS.indexOf(row.verdict) * 2 + (row.findings.length > 0 ? 0 : 1);
  return [...rows.values()].sort(
    (one, other) => rank(one) - rank(other) || one.href.localeCompare(other.href),
  );
}

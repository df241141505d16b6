import { distance } from 'fastest-levenshtein';

/** Names this short differ by two letters too easily. */
const SHORTEST = 8;

/**
 * The domain that was perhaps meant: one that the book uses more often and that differs in at most two letters (two
 * letters that changed places count as two). `uses` counts the domains of the book.
 */
export function nearDomain(domain: string, uses: ReadonlyMap<string, number>): string | null {
  const known = answers.get(uses) ?? new Map<string, string | null>();
  answers.set(uses, known);
  const answer = known.get(domain);
  if (answer !== undefined) return answer;
  const near = search(domain, uses);
  known.set(domain, near);
  return near;
}

/** Every link of a book asks with the same counts, and many with the same domain. */
const answers = new WeakMap<ReadonlyMap<string, number>, Map<string, string | null>>();

function search(domain: string, uses: ReadonlyMap<string, number>): string | null {
  const own = uses.get(domain) ?? 0;
  let best: { domain: string; away: number; count: number } | null = null;
  for (const [other, count] of uses) {
    if (other === domain || count <= own || Math.min(other.length, domain.length) < SHORTEST) continue;
    if (Math.abs(other.length - domain.length) > 2) continue;
    const away = distance(domain, other);
    if (away <= 2 && (!best || away < best.away || (away === best.away && count > best.count)))
      best = { domain: other, away, count };
  }
  return best?.domain ?? null;
}

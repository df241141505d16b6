import { OTHER_MAIL_DOMAINS, PUBLIC_MAIL_DOMAINS, SHORT_SLIPS } from './mail-domains.js';

/** Names this short differ by one letter too easily. */
const SHORTEST = 5;

/** A domain, its registrable name, and how often the book leads to it. */
interface Use {
  domain: string;
  own: string;
  count: number;
}

/** The domains of a book by the shapes of their registrable names, and what was answered before. */
interface Known {
  byShape: ReadonlyMap<string, readonly Use[]>;
  answers: Map<string, string | null>;
}

/** Every link of a book asks with the same counts, and many with the same domain. */
const known = new WeakMap<ReadonlyMap<string, number>, Known>();

/**
 * The domain that was perhaps meant: the book uses it more often, and its registrable name differs in one letter that is wrong,
 * missing, doubled or swapped with the next; what stands before that name is the same. `uses` counts the domains of the book.
 */
export function nearDomain(
  domain: string,
  uses: ReadonlyMap<string, number>,
  registrable: (domain: string) => string,
): string | null {
  const { byShape, answers } = knownOf(uses, registrable);
  const before = answers.get(domain);
  if (before !== undefined) return before;
  const use: Use = { domain, own: registrable(domain), count: uses.get(domain) ?? 0 };
  let best: Use | null = null;
  for (const shape of shapesOf(use.own))
    for (const other of byShape.get(shape) ?? [])
      if (other.count > Math.max(use.count, best?.count ?? 0) && isSlip(use, other)) best = other;
  answers.set(domain, best?.domain ?? null);
  return best?.domain ?? null;
}

/** Each of them counts as used by many. */
const PUBLIC: ReadonlyMap<string, number> = new Map(PUBLIC_MAIL_DOMAINS.map((domain) => [domain, 1]));

/** The public mail domain that was perhaps meant by the domain of an email; `null` where there is none, or it is one. */
export const nearMailDomain = (domain: string, registrable: (domain: string) => string): string | null =>
  PUBLIC.has(domain) || OTHER_MAIL_DOMAINS.has(domain)
    ? null
    : (SHORT_SLIPS.get(domain) ?? nearDomain(domain, PUBLIC, registrable));

/** The domains of a book that a domain can be taken for, and the other way round: those whose verdict changes with its count. */
export function slipsOf(
  domain: string,
  uses: ReadonlyMap<string, number>,
  registrable: (domain: string) => string,
): string[] {
  const { byShape } = knownOf(uses, registrable);
  const use: Use = { domain, own: registrable(domain), count: 0 };
  const near = new Set<string>();
  for (const shape of shapesOf(use.own))
    for (const other of byShape.get(shape) ?? []) if (isSlip(use, other)) near.add(other.domain);
  return [...near];
}

/** Names that differ in one letter share a name with one letter less. */
function knownOf(uses: ReadonlyMap<string, number>, registrable: (domain: string) => string): Known {
  const before = known.get(uses);
  if (before) return before;
  const byShape = new Map<string, Use[]>();
  for (const [domain, count] of uses) {
    const use = { domain, own: registrable(domain), count };
    for (const shape of shapesOf(use.own)) {
      const others = byShape.get(shape);
      if (others) others.push(use);
      else byShape.set(shape, [use]);
    }
  }
  const made = { byShape, answers: new Map<string, string | null>() };
  known.set(uses, made);
  return made;
}

const nameOf = (own: string): string => own.slice(0, own.indexOf('.') === -1 ? undefined : own.indexOf('.'));

function shapesOf(own: string): Set<string> {
  const shapes = new Set([own]);
  if (nameOf(own).length < SHORTEST) return shapes;
  for (let at = 0; at < own.length; at++) shapes.add(own.slice(0, at) + own.slice(at + 1));
  return shapes;
}

function isSlip(one: Use, other: Use): boolean {
  if (one.own === other.own) return false;
  const [before, after] = [one, other].map(({ domain, own }) => domain.slice(0, domain.length - own.length));
  if (before !== after) return false;
  const [a, b] = [nameOf(one.own), nameOf(other.own)];
  if (Math.min(a.length, b.length) < SHORTEST) return false;
  const [end, otherEnd] = [one.own.slice(a.length), other.own.slice(b.length)];
  if (a === b) return isOneLetter(end, otherEnd);
  return end === otherEnd && isOneLetter(a, b);
}

/** One letter wrong, missing or doubled, or two neighbours swapped; a figure for a figure is a count, and no slip. */
function isOneLetter(one: string, other: string): boolean {
  let start = 0;
  while (start < one.length && one[start] === other[start]) start++;
  let end = 0;
  const most = Math.min(one.length, other.length) - start;
  while (end < most && one[one.length - 1 - end] === other[other.length - 1 - end]) end++;
  const [left, right] = [one.slice(start, one.length - end), other.slice(start, other.length - end)];
  if (/\d/.test(left + right)) return false;
  if (left.length <= 1 && right.length <= 1) return true;
  return left.length === 2 && left === right.split('').reverse().join('');
}

import type { Answer, Failure, Hop } from './answer.js';

/** What a check says of a destination. `doubtful` and `unchecked` are not given by the table below. What needs the author comes first. */
export const VERDICTS = [
  'broken',
  'unreachable',
  'moved',
  'guarded',
  'doubtful',
  'unchecked',
  'sound',
] as const;
export type VerdictName = (typeof VERDICTS)[number];

/**
 * The edition of the tables below. A verdict is stored with the edition that gave it, and one of another edition is derived
 * anew from its answer. It goes up by one with every change to which verdict an answer gets.
 */
export const VERDICT_TABLE = 1;

export interface Verdict {
  verdict: VerdictName;
  /** One sentence for the author: what was found and, where it helps, what it means. */
  reason: string;
  /** For `moved`: the address to put instead. */
  movedTo?: string;
}

interface Row {
  from: number;
  to: number;
  verdict: VerdictName;
  says: string;
}

/** From status to verdict; the first row that holds the status decides. RFC 9110 section 15, RFC 6585, RFC 7725. */
const STATUS_TABLE: readonly Row[] = [
  { from: 200, to: 299, verdict: 'sound', says: 'The page is there.' },
  { from: 304, to: 304, verdict: 'sound', says: 'The page is there and has not changed.' },
  { from: 300, to: 399, verdict: 'broken', says: 'The site redirects without saying where to.' },
  { from: 401, to: 401, verdict: 'guarded', says: 'The page asks readers to sign in.' },
  { from: 402, to: 402, verdict: 'guarded', says: 'The page asks readers to pay.' },
  { from: 403, to: 403, verdict: 'guarded', says: 'The site does not let everybody see this page.' },
  { from: 404, to: 404, verdict: 'broken', says: 'The site has no such page.' },
  { from: 407, to: 407, verdict: 'guarded', says: 'A proxy on the way asks readers to sign in.' },
  { from: 408, to: 408, verdict: 'unreachable', says: 'The site gave up waiting.' },
  { from: 410, to: 410, verdict: 'broken', says: 'The page is gone for good, the site says.' },
  { from: 425, to: 425, verdict: 'unreachable', says: 'The site was not ready to answer.' },
  {
    from: 429,
    to: 429,
    verdict: 'unreachable',
    says: 'The site says it is asked too often. Check again later.',
  },
  { from: 451, to: 451, verdict: 'guarded', says: 'The page may not be shown for legal reasons.' },
  { from: 400, to: 499, verdict: 'broken', says: 'The site refuses this address.' },
  { from: 500, to: 599, verdict: 'unreachable', says: 'The site has a fault of its own. Check again later.' },
];

const FAILURE_TABLE: Record<Failure, Omit<Row, 'from' | 'to'>> = {
  'unknown-name': { verdict: 'broken', says: 'There is no site of this name.' },
  refused: { verdict: 'broken', says: 'Nothing answers at this address: the connection was refused.' },
  timeout: { verdict: 'unreachable', says: 'The site did not answer in time. Check again later.' },
  reset: { verdict: 'unreachable', says: 'The connection broke off before the answer. Check again later.' },
  certificate: {
    verdict: 'unreachable',
    says: 'The site’s certificate is not valid, so browsers warn readers away.',
  },
  protocol: { verdict: 'unreachable', says: 'What answers there is not a web site.' },
  'private-address': {
    verdict: 'unreachable',
    says: 'This name leads into a private network, where readers can’t follow and Vennet doesn’t ask.',
  },
  'redirect-loop': { verdict: 'broken', says: 'The site sends its readers in a circle.' },
  'too-many-redirects': { verdict: 'broken', says: 'The site redirects again and again without arriving.' },
  'bad-redirect': { verdict: 'broken', says: 'The site redirects to an address that can’t be read.' },
};

/** RFC 9110 section 15.4: 301 and 308 are permanent, the rest is for this time only. */
const isPermanent = (status: number) => status === 301 || status === 308;

/** The verdict on an answer. Where the way there is permanently moved, the address to put instead is given. */
export function verdictOf(answer: Answer): Verdict {
  if (answer.outcome === 'failure') {
    const { verdict, says } = FAILURE_TABLE[answer.failure];
    return { verdict, reason: says };
  }
  const row = STATUS_TABLE.find(({ from, to }) => answer.status >= from && answer.status <= to);
  if (!row)
    return { verdict: 'unreachable', reason: `The site answered with the unknown status ${answer.status}.` };
  const movedTo = permanentMove(answer.hops);
  if (row.verdict === 'sound' && movedTo)
    return { verdict: 'moved', reason: 'The page has moved for good.', movedTo };
  const shown = row.verdict === 'sound' ? row.says : `${row.says} (${answer.status})`;
  return { verdict: row.verdict, reason: shown };
}

/** Where the permanent redirects lead that stand at the start of the way; a temporary one ends them. */
function permanentMove(hops: readonly Hop[]): string | undefined {
  const first = hops.findIndex((hop) => !isPermanent(hop.status));
  return hops.slice(0, first < 0 ? hops.length : first).at(-1)?.location;
}

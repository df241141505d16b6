import { decoded } from '../page/index.js';
import type {
  Answer,
  FailureAnswer,
  FileAnswer,
  Hop,
  MailAnswer,
  MailState,
  Said,
  WebAnswer,
} from './answer.js';
import { movedTo, securedTo } from './moved.js';
import { SIGNS } from './signs/index.js';
import { FAILURE_TABLE, FILE_TABLE, MAIL_TABLE, STATUS_TABLE, TLS_TABLE } from './tables.js';
import type { VerdictName } from './verdict-name.js';

/**
 * The edition of the tables (`tables.ts`) and of the signs. A verdict is stored with the edition that gave it, and one of another edition
 * is derived anew from its answer. It goes up by one with every change to which verdict an answer gets.
 */
export const VERDICT_TABLE = 2;

export interface Verdict {
  verdict: VerdictName;
  /** One sentence for the author: what was found and, where it helps, what it means. */
  reason: string;
  /** The sign that decided (its id), and what was found, quoted. */
  sign?: string;
  quote?: string;
  /** For `moved`: the address to put instead. */
  movedTo?: string;
  /** For `sound`: the same page by HTTPS. */
  securedTo?: string;
}

/** After how many runs, over how many days, what can't be reached is broken. */
export interface Patience {
  runs: number;
  days: number;
}

export const PATIENCE: Patience = { runs: 3, days: 3 };

/**
 * The verdict on what was answered for `href`. Pure: the same answer gets the same verdict from one edition of the tables.
 * `now` (ISO 8601) decides whether what the author said of it still holds, and defaults to when the answer came.
 */
export function verdictOf(
  answer: Answer,
  href?: string,
  { patience = PATIENCE, now = answer.at }: { patience?: Patience; now?: string } = {},
): Verdict {
  const found = foundOf(answer, href ?? hrefOf(answer));
  const { said, streak } = answer;
  if (said && (now === undefined || now < said.until) && SAID_HOLDS.has(found.verdict))
    return asSaid(said, now ?? said.at);
  if (found.verdict !== 'unreachable' || !streak || streak.runs < patience.runs) return found;
  const days = (Date.parse(answer.at ?? streak.since) - Date.parse(streak.since)) / 86_400_000;
  if (days < patience.days) return found;
  return {
    ...found,
    verdict: 'broken',
    reason: `${found.reason.replace(/ Check again later\./, '')} So it was in ${streak.runs} checks in a row, since ${streak.since.slice(0, 10)}.`,
  };
}

/** What an author sees counts where a program can't tell; a page that is not there is not there. */
const SAID_HOLDS: ReadonlySet<VerdictName> = new Set(['guarded', 'doubtful', 'unreachable']);

function asSaid({ saw, readers, from, at }: Said, now: string): Verdict {
  const day = at.slice(0, 10);
  if (saw === 'does-not-open')
    return { verdict: 'broken', reason: `You opened it on ${day} and it was not there.`, sign: 'said' };
  if (from > now.slice(0, 10))
    return { verdict: 'guarded', reason: `It opens on ${from}, you said on ${day}.`, sign: 'said' };
  if (readers === 'everyone')
    return { verdict: 'sound', reason: `You opened it on ${day}, and everyone can.`, sign: 'said' };
  const who = readers === 'members' ? 'Members' : 'People of one house';
  return {
    verdict: 'guarded',
    reason: `${who} can open it and other readers can’t, you said on ${day}.`,
    sign: 'said',
  };
}

function foundOf(answer: Answer, href: string): Verdict {
  switch (answer.outcome) {
    case 'failure':
      return ofFailure(answer);
    case 'status':
      return ofPage(answer, href);
    case 'mail':
      return ofMail(answer);
    case 'file':
      return ofFile(answer);
  }
}

function ofFailure(answer: FailureAnswer): Verdict {
  const { failure, tls, until } = answer;
  const { verdict, says } = FAILURE_TABLE[failure];
  const rest =
    failure === 'resting' && until
      ? ` It may be asked again after ${until.slice(0, 16).replace('T', ' ')} UTC.`
      : '';
  const reason = after(answer.hops, `${tls ? TLS_TABLE[tls] : says}${rest}`);
  return { verdict: tls === 'asks-for-certificate' ? 'guarded' : verdict, reason, sign: tls ?? failure };
}

function ofPage(answer: WebAnswer, href: string): Verdict {
  const { status, page } = answer;
  const row = STATUS_TABLE.find(({ from, to }) => status >= from && status <= to);
  if (!row) return { verdict: 'unreachable', reason: `The site answered with the unknown status ${status}.` };
  if (answer.edition === undefined)
    return row.verdict === 'sound' ? NEVER_READ : { verdict: row.verdict, reason: `${row.says} (${status})` };
  const asked = new URL(href);
  const arrived = new URL(answer.hops.at(-1)?.location ?? href);
  const isFine = row.verdict === 'sound';
  if (page) {
    const sentOn =
      arrived.origin + arrived.pathname + arrived.search !== asked.origin + asked.pathname + asked.search;
    const seen = { answer, page, asked, arrived, sentOn };
    for (const { id, at = isSuccess, find } of SIGNS) {
      const told = at(status) ? find(seen) : null;
      if (told)
        return {
          verdict: told.verdict,
          reason: told.says,
          sign: id,
          ...(told.quote ? { quote: told.quote } : {}),
        };
    }
  }
  if (!isFine) {
    const says = `${row.says} (${status})${inOtherLetters(answer, arrived)}`;
    return { verdict: row.verdict, reason: after(answer.hops, says), sign: String(status) };
  }
  const to = movedTo(asked, answer);
  if (to !== null)
    return { verdict: 'moved', reason: 'The page has moved for good.', sign: 'moved', movedTo: to };
  const secured = securedTo(asked, answer);
  return { verdict: 'sound', reason: row.says, ...(secured ? { securedTo: secured } : {}) };
}

/** The name of a file of the Shelf that stands in its address in other letters: many servers take them for two. */
function inOtherLetters({ file }: WebAnswer, { pathname }: URL): string {
  const there = decoded(pathname.slice(pathname.lastIndexOf('/') + 1));
  const isOther = file && there !== file.name && there.toLowerCase() === file.name.toLowerCase();
  return isOther
    ? ` The address says “${there}”, the Shelf “${file.name}”: letter case may matter there.`
    : '';
}

const isSuccess = (status: number) => status >= 200 && status < 300;

const NEVER_READ: Verdict = {
  verdict: 'unchecked',
  reason: 'The site answered, and the page was not read at the time. Check it again.',
};

/** Where on the way the fault lies, for a link that was sent on before. */
function after(hops: readonly Hop[], says: string): string {
  const last = hops.at(-1);
  return last ? `It sends on to ${last.location || 'another address'}, and there: ${says}` : says;
}

function ofMail({ receivers }: MailAnswer): Verdict {
  const worst = (Object.keys(MAIL_TABLE) as MailState[]).flatMap((state) =>
    receivers.filter((one) => one.state === state),
  )[0];
  if (!worst) return { verdict: 'sound', reason: 'The reader chooses who gets the email.' };
  const { verdict, says } = MAIL_TABLE[worst.state];
  return {
    verdict,
    reason: says(worst.address),
    ...(verdict === 'sound' ? {} : { sign: worst.state, quote: worst.address }),
  };
}

function ofFile({ state, found, fragment, pages }: FileAnswer): Verdict {
  if (state === 'there' && (fragment === 'missing' || fragment === 'text-missing'))
    return {
      verdict: 'broken',
      reason: pages
        ? `The file is on the Shelf, and has only ${pages} ${pages === 1 ? 'page' : 'pages'}.`
        : 'The file is on the Shelf, and has no such spot.',
      sign: 'fragment',
    };
  if (state === 'there' && fragment === 'unread')
    return {
      verdict: 'doubtful',
      reason: 'The file is on the Shelf, and could not be searched for the spot.',
      sign: 'fragment',
    };
  const { verdict, says } = FILE_TABLE[state];
  return {
    verdict,
    reason: says,
    ...(found ? { quote: found } : {}),
    ...(verdict === 'sound' ? {} : { sign: state }),
  };
}

/** The destination of an answer, where nobody says which one it was. */
function hrefOf(answer: Answer): string {
  if (answer.outcome === 'mail' || answer.outcome === 'file') return '';
  return answer.href ?? answer.hops[0]?.href ?? 'https://unknown.invalid/';
}

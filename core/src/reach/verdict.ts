import type {
  Answer,
  Failure,
  FailureAnswer,
  FileAnswer,
  Hop,
  MailAnswer,
  MailState,
  Said,
  TlsFault,
  WebAnswer,
} from './answer.js';
import { decoded } from '../page/index.js';
import { movedTo, securedTo } from './moved.js';
import { SIGNS } from './signs/index.js';
import type { VerdictName } from './verdict-name.js';

/**
 * The edition of the tables below and of the signs. A verdict is stored with the edition that gave it, and one of another edition
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

interface Row {
  from: number;
  to: number;
  verdict: VerdictName;
  says: string;
}

/** From status to verdict; the first row that holds the status decides. RFC 9110 section 15, RFC 6585, RFC 7725. */
const STATUS_TABLE: readonly Row[] = [
  { from: 200, to: 299, verdict: 'sound', says: 'The page is there.' },
  {
    from: 304,
    to: 304,
    verdict: 'doubtful',
    says: 'The site says that the page has not changed, without showing it.',
  },
  { from: 300, to: 399, verdict: 'broken', says: 'The site redirects without saying where to.' },
  { from: 401, to: 401, verdict: 'guarded', says: 'The page asks readers to sign in.' },
  { from: 402, to: 402, verdict: 'guarded', says: 'The page asks readers to pay.' },
  {
    from: 403,
    to: 403,
    verdict: 'guarded',
    says: 'The site does not let everybody see this page, or keeps programs out. Open it yourself and say what you saw.',
  },
  { from: 404, to: 404, verdict: 'broken', says: 'The site has no such page.' },
  {
    from: 406,
    to: 406,
    verdict: 'guarded',
    says: 'The site keeps programs out. A reader with a browser may pass: open it yourself and say what you saw.',
  },
  { from: 407, to: 407, verdict: 'guarded', says: 'A proxy on the way asks readers to sign in.' },
  { from: 408, to: 408, verdict: 'unreachable', says: 'The site gave up waiting.' },
  { from: 410, to: 410, verdict: 'broken', says: 'The page is gone for good, the site says.' },
  { from: 421, to: 421, verdict: 'unreachable', says: 'The server is not the one for this site.' },
  { from: 425, to: 425, verdict: 'unreachable', says: 'The site was not ready to answer.' },
  {
    from: 429,
    to: 429,
    verdict: 'unreachable',
    says: 'The site says it is asked too often. Check again later.',
  },
  { from: 451, to: 451, verdict: 'guarded', says: 'The page may not be shown for legal reasons.' },
  { from: 511, to: 511, verdict: 'guarded', says: 'A network on the way asks readers to sign in.' },
  { from: 400, to: 499, verdict: 'broken', says: 'The site refuses this address.' },
  { from: 500, to: 599, verdict: 'unreachable', says: 'The site has a fault of its own. Check again later.' },
  {
    from: 600,
    to: 999,
    verdict: 'guarded',
    says: 'The site turns programs away. A reader with a browser may pass: open it yourself and say what you saw.',
  },
];

const FAILURE_TABLE: Record<Failure, Omit<Row, 'from' | 'to'>> = {
  'unknown-name': { verdict: 'broken', says: 'There is no site of this name.' },
  'name-fault': {
    verdict: 'unreachable',
    says: 'The name of the site could not be looked up. Check again later.',
  },
  refused: {
    verdict: 'unreachable',
    says: 'Nothing answers at this address: the connection was refused. Check again later.',
  },
  timeout: { verdict: 'unreachable', says: 'The site did not answer in time. Check again later.' },
  reset: { verdict: 'unreachable', says: 'The connection broke off before the answer. Check again later.' },
  certificate: {
    verdict: 'unreachable',
    says: 'The site’s certificate is not in order, so browsers warn readers away.',
  },
  protocol: { verdict: 'unreachable', says: 'What answers there is not a web site.' },
  unpackable: {
    verdict: 'unreachable',
    says: 'What the site sends can’t be unpacked, so browsers show an error.',
  },
  'private-address': {
    verdict: 'unreachable',
    says: 'This name leads into a private network, where readers can’t follow and Vennet doesn’t ask.',
  },
  'redirect-loop': { verdict: 'broken', says: 'The site sends its readers in a circle.' },
  'too-many-redirects': { verdict: 'broken', says: 'The site redirects again and again without arriving.' },
  'bad-redirect': { verdict: 'broken', says: 'The site redirects to an address that can’t be read.' },
  robots: {
    verdict: 'guarded',
    says: 'The site asks programs not to look at this page. Open it yourself and say what you saw.',
  },
  'robots-unknown': {
    verdict: 'unreachable',
    says: 'What programs may look at could not be read from the site, so the page was not asked (RFC 9309).',
  },
  resting: {
    verdict: 'unreachable',
    says: 'The site asked for a rest, so this page was not asked this time.',
  },
};

const TLS_TABLE: Record<TlsFault, string> = {
  expired: 'The site’s certificate has expired, so browsers warn readers away.',
  'not-yet-valid': 'The site’s certificate is not valid yet, so browsers warn readers away.',
  'other-name': 'The site’s certificate is for another name, so browsers warn readers away.',
  'self-signed': 'The site has signed its certificate itself, so browsers warn readers away.',
  'unknown-issuer':
    'Nobody knows who signed the site’s certificate, or the site leaves out a certificate between. Some browsers warn readers away.',
  revoked: 'The site’s certificate has been revoked, so browsers warn readers away.',
  weak: 'The site’s certificate or key is too weak, so browsers warn readers away.',
  'old-version': 'The site speaks only an old version of TLS, which browsers refuse.',
  'plain-http': 'At this address the site does not speak HTTPS. By HTTP it may answer.',
  'asks-for-certificate': 'The site asks readers for a certificate of their own.',
  other: FAILURE_TABLE.certificate.says,
};

const MAIL_TABLE: Record<MailState, { verdict: VerdictName; says(address: string): string }> = {
  malformed: { verdict: 'broken', says: (address) => `“${address}” is no email address.` },
  'no-domain': { verdict: 'broken', says: (address) => `The domain of ${address} does not exist.` },
  refuses: { verdict: 'broken', says: (address) => `The domain of ${address} says that it takes no email.` },
  'no-server': {
    verdict: 'broken',
    says: (address) => `There is no server that takes email for ${address}.`,
  },
  private: {
    verdict: 'broken',
    says: (address) => `The server that takes email for ${address} is in a private network.`,
  },
  fault: {
    verdict: 'unreachable',
    says: (address) => `The domain of ${address} could not be looked up. Check again later.`,
  },
  literal: {
    verdict: 'doubtful',
    says: (address) => `${address} names a computer by its number; many programs send nothing there.`,
  },
  takes: { verdict: 'sound', says: () => 'Its domain takes email.' },
  'takes-by-address': {
    verdict: 'sound',
    says: () => 'Its domain takes email, at the address of the domain itself.',
  },
};

const FILE_TABLE: Record<FileAnswer['state'], { verdict: VerdictName; says: string }> = {
  lost: {
    verdict: 'broken',
    says: 'The file is on the Shelf by name, and its bytes are lost. Replace it there.',
  },
  unreadable: { verdict: 'unreachable', says: 'The file could not be read from the disk.' },
  'other-bytes': {
    verdict: 'broken',
    says: 'The file was damaged: its bytes are not those that came to the Shelf.',
  },
  'other-type': { verdict: 'doubtful', says: 'The file is not of the kind that its name says.' },
  there: { verdict: 'sound', says: 'The file is on the Shelf, whole, and its readers can open it.' },
};

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

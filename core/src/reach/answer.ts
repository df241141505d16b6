import type { FragmentState, PageFacts } from '../page/index.js';

/** One redirect on the way: the address that was asked, its status, and where it sent us (resolved). */
export interface Hop {
  href: string;
  /** Of the answer; 200 with `by` for a page that sends on by itself. */
  status: number;
  location: string;
  /** What sent on, where it was not the status: a `Refresh` header or `<meta http-equiv=refresh>`. */
  by?: 'refresh';
}

/** Why no final answer came. */
export const FAILURES = [
  'unknown-name',
  'name-fault',
  'refused',
  'timeout',
  'reset',
  'certificate',
  'protocol',
  'unpackable',
  'private-address',
  'redirect-loop',
  'too-many-redirects',
  'bad-redirect',
  'robots',
  'robots-unknown',
  'resting',
] as const;
export type Failure = (typeof FAILURES)[number];

/** What is wrong with a certificate or with the TLS of a site. */
export const TLS_FAULTS = [
  'expired',
  'not-yet-valid',
  'other-name',
  'self-signed',
  'unknown-issuer',
  'revoked',
  'weak',
  'old-version',
  'plain-http',
  'asks-for-certificate',
  'other',
] as const;
export type TlsFault = (typeof TLS_FAULTS)[number];

/** Why something is asked that is not the destination itself. */
export const ASKED_FOR = ['robots', 'nonsense', 'secure', 'archive', 'lenient', 'title'] as const;
export type AskedFor = (typeof ASKED_FOR)[number];

export interface HeaderSeen {
  name: string;
  value: string;
}

/** One question to the network and its answer, as the author is shown it. */
export interface Asked {
  /** ISO 8601. */
  at: string;
  method: 'GET' | 'MX' | 'A';
  href: string;
  /** Why it was asked, where it is not the address itself. */
  why?: AskedFor;
  status?: number;
  failure?: Failure;
  /** The word of the system or of the library for the failure. */
  code?: string;
  /** Until the answer was read as far as it was needed, in ms. */
  time: number;
  /** The rest before it, in ms, where there was one. */
  rest?: number;
  /** The headers that mattered. */
  headers?: HeaderSeen[];
}

/** What is kept of another page to compare one with: the answer to an address that can't exist, the page as it was before. */
export interface Likened {
  href: string;
  status: number;
  title: string;
  print: string;
  words: number;
  /** The beginning of its text. */
  text: string;
  /** ISO 8601: when it was read. */
  at: string;
}

/** What the author saw there, and for which readers it holds. */
export interface Said {
  saw: 'opens' | 'does-not-open';
  readers: 'everyone' | 'members' | 'house';
  /** From when it opens, as a day (ISO 8601); empty for now. */
  from: string;
  note: string;
  /** When it was said, and until when it holds (ISO 8601). */
  at: string;
  until: string;
}

/** A copy in an archive (RFC 7089), and when it was made (ISO 8601). */
export interface ArchivedCopy {
  href: string;
  at: string;
}

/** How often in a row a destination could not be reached, this time counted, and since when (ISO 8601). */
export interface Streak {
  runs: number;
  since: string;
}

/** What belongs to every answer. `edition` is missing where the answer is of a time when no page was read. */
export interface AnswerParts {
  edition?: 2;
  /** The destination that it is about. */
  href?: string;
  /** When it came (ISO 8601). */
  at?: string;
  requests?: Asked[];
  streak?: Streak | null;
  said?: Said | null;
  archived?: ArchivedCopy | null;
}

/** What the web answered. */
export interface WebAnswer extends AnswerParts {
  outcome: 'status';
  hops: Hop[];
  status: number;
  page?: PageFacts | null;
  /** Of the final address, as it came to be on the way. */
  fragment?: FragmentState;
  /** The headers of the last answer that tell of a door. */
  door?: string;
  /** What an address that can't exist at that host gives. */
  nonsense?: Likened | null;
  /** The page when it was last found sound, or when the link was made. */
  before?: Likened | null;
  /** The same address by HTTPS, for one by HTTP. */
  secure?: Likened | null;
  /** Of a file on the Shelf that is to be had there: what it should be, and whether it is. */
  file?: { name: string; size: number; checksum: string; found: 'same' | 'other' | 'unread' };
}

export interface FailureAnswer extends AnswerParts {
  outcome: 'failure';
  hops: Hop[];
  failure: Failure;
  tls?: TlsFault;
  /** When the host may be asked again, for `resting` (ISO 8601). */
  until?: string;
  /** The status of the answer that came to the question for rules, for `robots-unknown`. */
  status?: number;
}

/** How the domain of a receiver takes mail (RFC 5321, 5.1; RFC 7505). */
export const MAIL_STATES = [
  'takes',
  'takes-by-address',
  'refuses',
  'no-domain',
  'no-server',
  'fault',
  'private',
  'malformed',
  'literal',
] as const;
export type MailState = (typeof MAIL_STATES)[number];

export interface MailAnswer extends AnswerParts {
  outcome: 'mail';
  receivers: { address: string; state: MailState }[];
}

/** What was found of a file on the Shelf. */
export interface FileAnswer extends AnswerParts {
  outcome: 'file';
  state: 'there' | 'lost' | 'unreadable' | 'other-bytes' | 'other-type';
  /** What it really is, for `other-type`. */
  found?: string;
  fragment?: FragmentState;
  /** Pages that it has, where that matters. */
  pages?: number | null;
}

/** What was answered of one destination. */
export type Answer = WebAnswer | FailureAnswer | MailAnswer | FileAnswer;

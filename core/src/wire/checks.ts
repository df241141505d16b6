import type { ArchivedCopy, Asked, Hop, Said, VerdictName } from '../reach/index.js';
import type { JobState } from './jobs.js';

/** What a check run is about: all destinations, chosen ones, new and corrected ones, those that were not in order, or those not looked at for long. */
export const CHECK_SCOPES = ['all', 'chosen', 'changed', 'failures', 'older'] as const;
export type CheckScope = (typeof CHECK_SCOPES)[number];

/** A check that is to be started: of some addresses, of a scope, or of all of the book. */
export interface NewCheck {
  hrefs?: string[];
  /** With `hrefs`: web addresses that are not in the book, but are to come into it, are asked too. */
  candidates?: boolean;
  scope?: 'changed' | 'failures' | 'older';
  /** For `older`: not looked at for so many days. */
  days?: number;
}

/** A check run, with its counts. Times are ISO 8601. */
export interface CheckRun {
  id: string;
  state: JobState;
  done: number;
  total: number;
  createdAt: string;
  finishedAt: string | null;
  scope: CheckScope;
  /** It was started by the schedule. */
  scheduled: boolean;
  /** How many destinations got each verdict. */
  verdicts: Partial<Record<VerdictName, number>>;
  /** How many of them are otherwise than before; `null` until it has ended. */
  changes: number | null;
  /** How many findings of each severity the book had when it ended; `null` where they were not counted. */
  findings: FindingCounts | null;
}

/** How many findings there are of each severity. */
export interface FindingCounts {
  mustFix: number;
  shouldFix: number;
  consider: number;
}

/** What the Library tells of a check. */
export interface LastCheck {
  at: string;
  scheduled: boolean;
  total: number;
  broken: number;
  changes: number;
  /** How many destinations got each verdict, and how many findings the book had then. */
  verdicts: Partial<Record<VerdictName, number>>;
  findings: FindingCounts | null;
}

/** The latest verdict on one address. */
export interface DestinationVerdict {
  href: string;
  verdict: VerdictName;
  reason: string;
  /** The sign that decided, and what was found, quoted; empty for none. */
  sign: string;
  quote: string;
  movedTo: string | null;
  /** The same page by HTTPS. */
  securedTo: string | null;
  /** A copy in an archive. */
  copy: ArchivedCopy | null;
  /** What the author said of it. */
  said: Said | null;
  /** The title of the page, and its language (BCP 47); empty where they are not known. */
  title: string;
  language: string;
  checkedAt: string;
}

/** Addresses that are in no book and are asked for once; at most so many in one go. */
export interface AskedAddresses {
  addresses: string[];
}
export const MOST_ASKED = 50;

/** What was found at an address that is in no book. */
export type AddressVerdict = Pick<DestinationVerdict, 'href' | 'verdict' | 'reason' | 'movedTo' | 'title'>;

/** What was done for the latest verdict on a destination, and how it was found in earlier runs. */
export interface DestinationHistory {
  href: string;
  title: string;
  hops: Hop[];
  requests: Asked[];
  /** The newest first. */
  seen: DestinationSeen[];
}

export interface DestinationSeen {
  checkedAt: string;
  verdict: VerdictName;
  reason: string;
}

/** What an author saw at a destination. `from` is a day (ISO 8601), empty for now. */
export interface NewSaying extends Pick<Said, 'saw' | 'readers' | 'from' | 'note'> {
  href: string;
}

/** What a run found otherwise than the one before; `was` is `null` for what had never been looked at. */
export interface VerdictChange {
  href: string;
  was: VerdictName | null;
  is: VerdictName;
}

/** When the links of a book are checked without being asked to. */
export interface CheckSchedule {
  every: 'day' | 'week';
  /** For `week`: 1 is Monday (ISO 8601). */
  weekday: number;
  /** `HH:MM`, in the time zone. */
  time: string;
  /** A name of the IANA time zone database. */
  zone: string;
}

/** How links are checked. */
export interface CheckSettings {
  /** Requests at one host: begun in a second, and under way at one time. */
  perSecond: number;
  atOnce: number;
  /** Whether the rules of sites for programs are kept (RFC 9309). */
  robots: boolean;
  /** Told to sites with every request: where somebody can be reached. */
  contact: string;
  /** Where copies of pages are looked for (RFC 7089); empty for nowhere. */
  timeGate: string;
  /** How long holds what the author says, in days. */
  saidDays: number;
  /** After how many runs, over how many days, what can't be reached is broken. */
  brokenRuns: number;
  brokenDays: number;
}

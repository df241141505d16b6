import { domainsOf } from '../destination/index.js';
import type { Format, Link, Place } from '../manuscript/index.js';
import type { Repair } from '../repair/index.js';
import { NO_SURROUNDINGS, type Surroundings } from '../shelf/index.js';

export const SEVERITIES = ['must-fix', 'should-fix', 'consider'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** A repair that takes one step, and the words on its button. */
export interface RepairOffer {
  label: string;
  repair: Repair;
}

/** What a check says of one link as the reader meets it. */
export interface Finding {
  rule: string;
  severity: Severity;
  message: string;
  /** The criterion and techniques that the rule rests on. */
  criterion: string;
  repairs: RepairOffer[];
}

/** What a rule may know of the book beside the link. `language` is a BCP 47 tag. */
export interface AuditContext extends Surroundings {
  language: string;
  /** How often the book's links lead to each domain, of web pages and email addresses. */
  domains: ReadonlyMap<string, number>;
  /** The places of the book; without them, links inside it are not judged. */
  inside?: InsideContext;
}

/** What rules of single links may know of the book's own places. */
export interface InsideContext {
  places: ReadonlyMap<string, Place>;
  /** The forms in which chapters are left out, by chapter. */
  leftOutOf: ReadonlyMap<string, readonly Format[]>;
  /** Marks of hand-made notes by the id of the link, and whether their remark leads back. */
  handMade: ReadonlyMap<string, boolean>;
}

export function auditContext(
  language: string,
  links: readonly Pick<Link, 'destination'>[],
  { files, books }: Surroundings = NO_SURROUNDINGS,
): AuditContext {
  const domains = new Map<string, number>();
  for (const { destination } of links)
    for (const domain of domainsOf(destination)) domains.set(domain, (domains.get(domain) ?? 0) + 1);
  return { language, domains, files, books };
}

/** One rule of the audit: pure, one file each, listed in `rules/index.ts`. */
export interface Rule {
  id: string;
  severity: Severity;
  criterion: string;
  looksAt(link: Link): boolean;
  find(link: Link, context: AuditContext): { message: string; repairs: RepairOffer[] } | null;
}

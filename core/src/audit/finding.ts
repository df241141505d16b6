import type { Link } from '../manuscript/index.js';
import type { Repair } from '../repair/index.js';

export type Severity = 'must-fix' | 'should-fix' | 'consider';

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
export interface AuditContext {
  language: string;
}

/** One rule of the audit: pure, one file each, listed in `rules/index.ts`. */
export interface Rule {
  id: string;
  severity: Severity;
  criterion: string;
  looksAt(link: Link): boolean;
  find(link: Link, context: AuditContext): { message: string; repairs: RepairOffer[] } | null;
}

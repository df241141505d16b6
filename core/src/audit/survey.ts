import type { Link } from '../manuscript/index.js';
import { accessibleName } from '../reader/index.js';
import {
  SEVERITIES,
  type Answered,
  type AuditContext,
  type Finding,
  type RuleHead,
  type Severity,
} from './finding.js';

export const RULE_SEVERITIES = [...SEVERITIES, 'off'] as const;

/** How grave an author takes the findings of a rule in one book, and why. `at` is ISO 8601. */
export interface RuleChoice {
  rule: string;
  severity: Severity | 'off';
  reason: string;
  at: string;
}

/** What was set aside of a link or a destination: one finding, or the verdict. */
export const VERDICT_ASIDE = 'verdict';

/**
 * A finding of a link, or the verdict on a destination, that an author leaves as it is. It shows again when what it was set aside
 * for is not so any more.
 */
export interface SetAside {
  id: string;
  /** The rule, or `verdict`. */
  rule: string;
  /** The link by its id; for a verdict the address. */
  of: string;
  /** What it was set aside for: words, address and verdict at that time. */
  print: string;
  reason: string;
  /** A day (ISO 8601) after which it shows again; empty for as long as nothing changes. */
  until: string;
  author: string;
  /** ISO 8601. */
  at: string;
}

/** What is known and chosen of a book beside its text. `today` is a day (ISO 8601). */
export interface Survey {
  answers: ReadonlyMap<string, Answered>;
  choices: readonly RuleChoice[];
  aside: readonly SetAside[];
  today: string;
}

export const NO_SURVEY: Survey = { answers: new Map(), choices: [], aside: [], today: '' };

/** What a finding of a link is set aside for. */
export function printOf(link: Link, { answers }: Pick<AuditContext, 'answers'>): string {
  return [accessibleName(link), link.href, answers?.get(link.href)?.verdict ?? 'unchecked']
    .join('\n')
    .slice(0, 4_000);
}

/** Whether what was set aside is still as it was then. */
export const stillHolds = (aside: SetAside, print: string, today: string): boolean =>
  aside.print === print && (aside.until === '' || today === '' || aside.until >= today);

/** The findings of rules as the author takes them: graver, lighter, or not at all. */
export function asChosen<Found extends Pick<Finding, 'rule' | 'severity'>>(
  findings: readonly Found[],
  choices: ReadonlyMap<string, RuleChoice>,
): Found[] {
  if (choices.size === 0) return [...findings];
  return findings.flatMap((finding) => {
    const choice = choices.get(finding.rule)?.severity;
    if (choice === 'off') return [];
    return [choice === undefined ? finding : { ...finding, severity: choice }];
  });
}

/** The choices of a book by rule. */
export const choicesByRule = (choices: readonly RuleChoice[]): ReadonlyMap<string, RuleChoice> =>
  new Map(choices.map((choice) => [choice.rule, choice]));

/** What is said of a rule where rules are listed. */
export type RuleTold = Pick<RuleHead, 'id' | 'title' | 'severity' | 'criterion'>;

import type { Link } from '../manuscript/index.js';
import { SEVERITIES, type AuditContext, type Finding, type Found, type RuleHead } from './finding.js';
import { indexOf, type LinkIndex } from './link-index.js';
import { rules } from './rules/index.js';
import { togetherRules } from './together/index.js';

const findingOf = ({ id, severity, criterion }: RuleHead, found: Found): Finding => ({
  rule: id,
  severity,
  criterion,
  ...found,
});

/** The gravest first. */
export const byGravity = (one: Finding, other: Finding): number =>
  SEVERITIES.indexOf(one.severity) - SEVERITIES.indexOf(other.severity);

/** Most links have none. */
const NOTHING: readonly Finding[] = [];

/** The findings of one link by itself, the gravest first. */
export function auditLink(link: Link, context: AuditContext): readonly Finding[] {
  let findings: Finding[] | null = null;
  for (const rule of rules) {
    if (!rule.looksAt(link)) continue;
    const found = rule.find(link, context);
    if (found) (findings ??= []).push(findingOf(rule, found));
  }
  return findings?.sort(byGravity) ?? NOTHING;
}

/** What is found of a link beside the others; `next` is the one that follows it. */
export function auditTogether(
  link: Link,
  next: Link | undefined,
  index: LinkIndex,
  context: AuditContext,
): readonly Finding[] {
  let findings: Finding[] | null = null;
  for (const rule of togetherRules) {
    const found = rule.find(link, index, context, next);
    if (found) (findings ??= []).push(findingOf(rule, found));
  }
  return findings ?? NOTHING;
}

/** The findings of many links by link id, the gravest first; links without findings are left out. */
export function audit(links: readonly Link[], context: AuditContext): Map<string, Finding[]> {
  const all = new Map<string, Finding[]>();
  const index = indexOf(links);
  links.forEach((link, at) => {
    const findings = [...auditLink(link, context), ...auditTogether(link, links[at + 1], index, context)];
    if (findings.length > 0) all.set(link.id, findings.sort(byGravity));
  });
  return all;
}

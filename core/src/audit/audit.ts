import type { Link } from '../manuscript/index.js';
import type { AuditContext, Finding } from './finding.js';
import { rules } from './rules/index.js';

/** The findings of one link, the gravest first. */
export function auditLink(link: Link, context: AuditContext): Finding[] {
  const findings: Finding[] = [];
  for (const rule of rules) {
    if (!rule.looksAt(link)) continue;
    const found = rule.find(link, context);
    if (found) findings.push({ rule: rule.id, severity: rule.severity, criterion: rule.criterion, ...found });
  }
  return findings;
}

/** The findings of many links by link id; links without findings are left out. */
export function audit(links: readonly Link[], context: AuditContext): Map<string, Finding[]> {
  const all = new Map<string, Finding[]>();
  for (const link of links) {
    const findings = auditLink(link, context);
    if (findings.length > 0) all.set(link.id, findings);
  }
  return all;
}

export { audit, auditLink } from './audit.js';
export { auditBook } from './audit-book.js';
export type { BookAudit } from './audit-book.js';
export { auditContext, SEVERITIES } from './finding.js';
export type { AuditContext, Finding, InsideContext, RepairOffer, Rule, Severity } from './finding.js';
export { SUBJECT_KINDS } from './inside/inside-finding.js';
export type { InsideFinding, InsideSubject, SubjectKind } from './inside/inside-finding.js';
export { rules } from './rules/index.js';
export { isOnlyAddress } from './shown-address.js';

export { audit, auditLink } from './audit.js';
export { LinkAuditor } from './link-auditor.js';
export { auditBook } from './audit-book.js';
export type { AsideFinding, BookAudit } from './audit-book.js';
export { auditContext, JUDGED, lookUpIn, SEVERITIES } from './finding.js';
export type {
  Answered,
  AuditContext,
  Finding,
  InsideContext,
  Judged,
  RepairOffer,
  Rule,
  RuleHead,
  Severity,
} from './finding.js';
export { SUBJECT_KINDS } from './inside/inside-finding.js';
export type { InsideFinding, InsideSubject, SubjectKind } from './inside/inside-finding.js';
export { allRules } from './all-rules.js';
export { rules } from './rules/index.js';
export { isOnlyAddress } from './shown-address.js';
export { suggestedWords } from './suggested-words.js';
export {
  asChosen,
  choicesByRule,
  NO_SURVEY,
  printOf,
  RULE_SEVERITIES,
  stillHolds,
  VERDICT_ASIDE,
} from './survey.js';
export type { RuleChoice, SetAside, Survey } from './survey.js';
export { togetherRules } from './together/index.js';
export { comparable, hostOf } from './web-host.js';

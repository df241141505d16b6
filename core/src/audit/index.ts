export { audit, auditLink } from './audit.js';
export type { AuditContext, Finding, RepairOffer, Rule, Severity } from './finding.js';
export { accessibleName, heardAs } from './heard-as.js';
export { rules } from './rules/index.js';

export { audit, auditLink } from './audit.js';
export { contrast, contrastsOf, PAGES } from './contrast.js';
export type { LookContrast } from './contrast.js';
export { auditContext } from './finding.js';
export type { AuditContext, Finding, RepairOffer, Rule, Severity } from './finding.js';
export { accessibleName, fileTold, heardAs, nameInFile } from './heard-as.js';
export { rules } from './rules/index.js';
export { isOnlyAddress } from './shown-address.js';

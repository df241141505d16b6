import type { RuleHead } from './finding.js';
import { insideRules } from './inside/index.js';
import { rules } from './rules/index.js';
import { togetherRules } from './together/index.js';

/** What every rule of the audit says of itself: of single links, of links beside each other, of places, notes and lists. */
export const allRules: readonly RuleHead[] = [...rules, ...togetherRules, ...insideRules].map(
  ({ id, title, severity, criterion }) => ({ id, title, severity, criterion }),
);

import type { RuleChoice, SetAside } from '../audit/index.js';
import type { Planned } from '../repair/index.js';

/** What an author has chosen of a book's survey: how grave rules are, and what is set aside. */
export interface SurveyChoices {
  rules: RuleChoice[];
  aside: SetAside[];
}

/** How grave a rule is to be taken, and why. */
export type NewRuleChoice = Pick<RuleChoice, 'severity' | 'reason'>;

/** What is to be set aside. */
export type NewSetAside = Pick<SetAside, 'rule' | 'of' | 'print' | 'reason' | 'until'>;

export interface SetAsideRequest {
  entries: NewSetAside[];
}

/** What was set aside and is to show again, by ids. */
export interface ShowAgain {
  ids: string[];
}

/** Repairs of many links as one change. `words` say what is done, for the list of versions. */
export interface BulkRepairRequest {
  words: string;
  planned: Planned[];
}

import { RULE_SEVERITIES, type RuleChoice, type SetAside } from '@vennet/core/audit';
import type {
  NewRuleChoice,
  NewSetAside,
  SetAsideRequest,
  ShowAgain,
  SurveyChoices,
} from '@vennet/core/wire';
import { Choice, Moment, ShapeList, WordList, Words } from '../platform/shapes.js';

const REASON = { most: 2_000, description: 'Why, in the author’s words' };
const UNTIL = {
  pattern: /^(?:\d{4}-\d{2}-\d{2})?$/,
  description: 'The last day on which it holds (ISO 8601); empty for as long as nothing changes',
  message: 'A day is written as 2027-03-31.',
};

export class NewRuleChoiceDto implements NewRuleChoice {
  @Choice(RULE_SEVERITIES)
  severity: RuleChoice['severity'];

  @Words({ least: 1, ...REASON, message: 'Say why, so that others can follow it.' })
  reason: string;
}

class RuleChoiceDto implements RuleChoice {
  @Words()
  rule: string;

  @Choice(RULE_SEVERITIES)
  severity: RuleChoice['severity'];

  @Words(REASON)
  reason: string;

  @Moment()
  at: string;
}

class NewSetAsideDto implements NewSetAside {
  @Words({ most: 64, description: 'The rule, or `verdict`' })
  rule: string;

  @Words({ least: 1, most: 8_000, description: 'The link by its id; for a verdict the address' })
  of: string;

  @Words({ most: 20_000, description: 'What it is set aside for: words, address and verdict of this moment' })
  print: string;

  @Words({ least: 1, ...REASON, message: 'Say why, so that others can follow it.' })
  reason: string;

  @Words(UNTIL)
  until: string;
}

export class SetAsideRequestDto implements SetAsideRequest {
  @ShapeList(NewSetAsideDto)
  entries: NewSetAsideDto[];
}

class SetAsideDto extends NewSetAsideDto implements SetAside {
  @Words()
  id: string;

  @Words()
  author: string;

  @Moment()
  at: string;
}

export class SurveyChoicesDto implements SurveyChoices {
  @ShapeList(RuleChoiceDto)
  rules: RuleChoiceDto[];

  @ShapeList(SetAsideDto)
  aside: SetAsideDto[];
}

export class ShowAgainDto implements ShowAgain {
  @WordList()
  ids: string[];
}

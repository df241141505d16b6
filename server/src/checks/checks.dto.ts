import {
  SEVERITIES,
  SUBJECT_KINDS,
  type InsideFinding,
  type InsideSubject,
  type Severity,
  type SubjectKind,
} from '@vennet/core/audit';
import { DESTINATION_KINDS, type DestinationKind } from '@vennet/core/destination';
import {
  FAILURES,
  VERDICTS,
  type Answer,
  type Failure,
  type Hop,
  type VerdictName,
} from '@vennet/core/reach';
import type { InsideRepair } from '@vennet/core/repair';
import {
  JOB_STATES,
  type CheckRun,
  type DestinationVerdict,
  type JobState,
  type LinkRow,
  type NewCheck,
  type PageTitle,
} from '@vennet/core/wire';
import { INSIDE_REPAIRS } from '../books/dto/repair.dto.js';
import {
  Always,
  Choice,
  Counts,
  Moment,
  OneOf,
  Shape,
  ShapeList,
  Whole,
  WordList,
  Words,
  type Union,
} from '../platform/shapes.js';

export class NewCheckDto implements NewCheck {
  @WordList({ optional: true, description: 'Only these addresses; all of the book without them' })
  hrefs?: string[];
}

export class CheckRunDto implements CheckRun {
  @Words()
  id: string;

  @Choice(JOB_STATES)
  state: JobState;

  @Whole()
  done: number;

  @Whole()
  total: number;

  @Moment()
  createdAt: string;

  @Moment({ nullable: true })
  finishedAt: string | null;

  @Counts(VERDICTS, { description: 'How many destinations got each verdict' })
  verdicts: Partial<Record<VerdictName, number>>;
}

class HopDto implements Hop {
  @Words()
  href: string;

  @Whole()
  status: number;

  @Words({ description: 'Where it leads, resolved' })
  location: string;
}

class StatusAnswerDto {
  @Always('status')
  outcome: 'status';

  @ShapeList(HopDto)
  hops: HopDto[];

  @Whole()
  status: number;
}

class FailureAnswerDto {
  @Always('failure')
  outcome: 'failure';

  @ShapeList(HopDto)
  hops: HopDto[];

  @Choice(FAILURES)
  failure: Failure;
}

const ANSWERS = {
  tells: 'outcome',
  shapes: { status: StatusAnswerDto, failure: FailureAnswerDto } satisfies Record<Answer['outcome'], unknown>,
} satisfies Union;

export class DestinationVerdictDto implements DestinationVerdict {
  @Words()
  href: string;

  @Choice(VERDICTS)
  verdict: VerdictName;

  @Words({ description: 'What was found, in a sentence for the author' })
  reason: string;

  @Words({ nullable: true, description: 'The address to put instead' })
  movedTo: string | null;

  @Moment()
  checkedAt: string;

  @OneOf(ANSWERS)
  answer: Answer;
}

class LinkFindingDto {
  @Words()
  rule: string;

  @Choice(SEVERITIES)
  severity: Severity;

  @Words()
  message: string;
}

export class LinkRowDto implements LinkRow {
  @Words()
  id: string;

  @Choice(DESTINATION_KINDS)
  kind: DestinationKind;

  @Words({ description: 'As a web page would have it' })
  href: string;

  @Words()
  text: string;

  @Words()
  chapter: string;

  @Choice(VERDICTS)
  verdict: VerdictName;

  @ShapeList(LinkFindingDto)
  findings: LinkFindingDto[];
}

class InsideSubjectDto implements InsideSubject {
  @Words()
  id: string;

  @Choice(SUBJECT_KINDS)
  kind: SubjectKind;

  @Words()
  chapter: string;

  @Whole({ description: 'Its position in the chapter' })
  at: number;

  @Words()
  words: string;
}

class InsideRepairOfferDto {
  @Words()
  label: string;

  @OneOf(INSIDE_REPAIRS)
  repair: InsideRepair;
}

export class InsideFindingDto implements InsideFinding {
  @Shape(InsideSubjectDto)
  subject: InsideSubjectDto;

  @Words()
  rule: string;

  @Choice(SEVERITIES)
  severity: Severity;

  @Words()
  message: string;

  @Words({ description: 'What the rule rests on' })
  criterion: string;

  @ShapeList(InsideRepairOfferDto)
  repairs: InsideRepairOfferDto[];
}

export class PageTitleDto implements PageTitle {
  @Words()
  title: string;

  @Words({ description: 'The same as words for a link' })
  words: string;
}

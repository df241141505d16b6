import {
  SEVERITIES,
  SUBJECT_KINDS,
  type InsideFinding,
  type InsideSubject,
  type Severity,
  type SubjectKind,
} from '@vennet/core/audit';
import { DESTINATION_KINDS, type DestinationKind } from '@vennet/core/destination';
import { VERDICTS, type VerdictName } from '@vennet/core/reach';
import type { InsideRepair } from '@vennet/core/repair';
import {
  CHECK_SCOPES,
  JOB_STATES,
  type CheckRun,
  type CheckScope,
  type DestinationVerdict,
  type JobState,
  type LinkRow,
  type NewCheck,
  type PageTitle,
  type VerdictChange,
  MOST_ASKED,
  type AddressVerdict,
  type AskedAddresses,
} from '@vennet/core/wire';
import { INSIDE_REPAIRS } from '../books/dto/repair.dto.js';
import {
  Choice,
  Counts,
  Flag,
  Moment,
  OneOf,
  Shape,
  ShapeList,
  Whole,
  WordList,
  Words,
} from '../platform/shapes.js';
import { FindingCountsDto } from '../platform/finding-counts.dto.js';
import { ArchivedCopyDto, SaidDto } from './survey.dto.js';

export class NewCheckDto implements NewCheck {
  @WordList({ optional: true, description: 'Only these addresses; all of the book without them' })
  hrefs?: string[];

  @Flag({ optional: true, description: 'Ask also for addresses that are to come into the book' })
  candidates?: boolean;

  @Choice(['changed', 'failures', 'older'], { optional: true, description: 'Only what this says' })
  scope?: 'changed' | 'failures' | 'older';

  @Whole({
    optional: true,
    least: 0,
    most: 3_650,
    description: 'For `older`: not looked at for so many days',
  })
  days?: number;
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

  @Choice(CHECK_SCOPES)
  scope: CheckScope;

  @Flag({ description: 'It was started by the schedule' })
  scheduled: boolean;

  @Whole({ nullable: true, description: 'How many are otherwise than before; null until it has ended' })
  changes: number | null;

  @Counts(VERDICTS, { description: 'How many destinations got each verdict' })
  verdicts: Partial<Record<VerdictName, number>>;

  @Shape(FindingCountsDto, { nullable: true, description: 'What was found of the links when it ended' })
  findings: FindingCountsDto | null;
}

export class DestinationVerdictDto implements DestinationVerdict {
  @Words()
  href: string;

  @Choice(VERDICTS)
  verdict: VerdictName;

  @Words({ description: 'What was found, in a sentence for the author' })
  reason: string;

  @Words({ description: 'The sign that decided; empty for none' })
  sign: string;

  @Words({ description: 'What was found, quoted' })
  quote: string;

  @Words({ nullable: true, description: 'The address to put instead' })
  movedTo: string | null;

  @Words({ nullable: true, description: 'The same page by HTTPS' })
  securedTo: string | null;

  @Shape(ArchivedCopyDto, { nullable: true, description: 'A copy in an archive' })
  copy: ArchivedCopyDto | null;

  @Shape(SaidDto, { nullable: true, description: 'What the author said of it' })
  said: SaidDto | null;

  @Words({ description: 'The title of the page; empty where it is not known' })
  title: string;

  @Words({ description: 'The language of the page (BCP 47); empty where it is not known' })
  language: string;

  @Moment()
  checkedAt: string;
}

export class AskedAddressesDto implements AskedAddresses {
  @WordList({ most: MOST_ASKED })
  addresses: string[];
}

/** What was found at an address that is in no book. */
export class AddressVerdictDto implements AddressVerdict {
  @Words()
  href: string;

  @Choice(VERDICTS)
  verdict: VerdictName;

  @Words({ description: 'What was found, in a sentence for the author' })
  reason: string;

  @Words({ nullable: true, description: 'The address to put instead' })
  movedTo: string | null;

  @Words({ description: 'The title of the page; empty where it is not known' })
  title: string;
}

export class VerdictChangeDto implements VerdictChange {
  @Words()
  href: string;

  @Choice(VERDICTS, { nullable: true, description: 'null for what had never been looked at' })
  was: VerdictName | null;

  @Choice(VERDICTS)
  is: VerdictName;
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

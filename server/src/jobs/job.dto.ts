import type { BringInReport, ReportLine } from '@vennet/core/bring-in';
import {
  JOB_KINDS,
  JOB_STATES,
  WANTED,
  type BookMade,
  type JobKind,
  type JobState,
  type JobStatus,
  type Started,
  type Wanted,
} from '@vennet/core/wire';
import { Choice, Shape, ShapeList, Whole, Words } from '../platform/shapes.js';

export class ReportLineDto implements ReportLine {
  @Words()
  what: string;

  @Whole()
  count: number;

  @Words({ optional: true, description: 'Why it is not as it was' })
  why?: string;
}

export class BringInReportDto implements BringInReport {
  @ShapeList(ReportLineDto)
  kept: ReportLineDto[];

  @ShapeList(ReportLineDto)
  changed: ReportLineDto[];

  @ShapeList(ReportLineDto)
  leftOut: ReportLineDto[];
}

export class BookMadeDto implements BookMade {
  @Words()
  id: string;

  @Shape(BringInReportDto)
  report: BringInReportDto;
}

/** What was started, by its id. */
export class StartedDto implements Started {
  @Words()
  id: string;
}

export class JobStatusDto implements JobStatus {
  @Words()
  id: string;

  @Choice(JOB_KINDS)
  kind: JobKind;

  @Choice(JOB_STATES)
  state: JobState;

  @Words({ description: 'What is being done' })
  stage: string;

  @Whole()
  done: number;

  @Whole({ description: '0 while nobody knows how much there is to do' })
  total: number;

  @Words({ description: 'Why it failed, for the author' })
  message: string;

  @Choice(WANTED, { nullable: true, description: 'What it failed for the want of' })
  wants: Wanted | null;

  @Shape(BookMadeDto, { nullable: true, description: 'The book that a bringing in has made' })
  made: BookMadeDto | null;
}

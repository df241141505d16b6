import {
  ASKED_FOR,
  FAILURES,
  VERDICTS,
  type ArchivedCopy,
  type Asked,
  type AskedFor,
  type Failure,
  type HeaderSeen,
  type Hop,
  type Said,
  type VerdictName,
} from '@vennet/core/reach';
import type {
  CheckSchedule,
  CheckSettings,
  DestinationHistory,
  DestinationSeen,
  NewSaying,
} from '@vennet/core/wire';
import { Choice, Flag, Moment, Shape, ShapeList, Whole, Words } from '../platform/shapes.js';

const SAW = ['opens', 'does-not-open'] as const;
const SAID_READERS = ['everyone', 'members', 'house'] as const;
/** A day (ISO 8601), or nothing. */
const DAY = /^(?:\d{4}-\d{2}-\d{2})?$/;

export class HopDto implements Hop {
  @Words()
  href: string;

  @Whole()
  status: number;

  @Words({ description: 'Where it leads, resolved' })
  location: string;

  @Choice(['refresh'], { optional: true, description: 'What sent on, where it was not the status' })
  by?: 'refresh';
}

class HeaderSeenDto implements HeaderSeen {
  @Words()
  name: string;

  @Words()
  value: string;
}

export class AskedDto implements Asked {
  @Moment()
  at: string;

  @Choice(['GET', 'MX', 'A'])
  method: 'GET' | 'MX' | 'A';

  @Words()
  href: string;

  @Choice(ASKED_FOR, { optional: true })
  why?: AskedFor;

  @Whole({ optional: true })
  status?: number;

  @Choice(FAILURES, { optional: true })
  failure?: Failure;

  @Words({ optional: true, description: 'The word of the system for the failure' })
  code?: string;

  @Whole({ description: 'In ms' })
  time: number;

  @Whole({ optional: true, description: 'The rest before it, in ms' })
  rest?: number;

  @ShapeList(HeaderSeenDto, { optional: true, description: 'The headers that mattered' })
  headers?: HeaderSeenDto[];
}

export class DestinationSeenDto implements DestinationSeen {
  @Moment()
  checkedAt: string;

  @Choice(VERDICTS)
  verdict: VerdictName;

  @Words()
  reason: string;
}

export class DestinationHistoryDto implements DestinationHistory {
  @Words()
  href: string;

  @Words({ description: 'Of the page' })
  title: string;

  @ShapeList(HopDto)
  hops: HopDto[];

  @ShapeList(AskedDto)
  requests: AskedDto[];

  @ShapeList(DestinationSeenDto, { description: 'The newest first' })
  seen: DestinationSeenDto[];
}

export class ArchivedCopyDto implements ArchivedCopy {
  @Words()
  href: string;

  @Moment()
  at: string;
}

/** What an author saw, and for whom it holds. */
class SeenThereDto implements Pick<Said, 'saw' | 'readers' | 'from' | 'note'> {
  @Choice(SAW)
  saw: Said['saw'];

  @Choice(SAID_READERS, { description: 'For whom it opens' })
  readers: Said['readers'];

  @Words({ pattern: DAY, message: 'from must be a day such as 2026-05-01, or empty' })
  from: string;

  @Words({ most: 500 })
  note: string;
}

export class NewSayingDto extends SeenThereDto implements NewSaying {
  @Words({ least: 1, most: 8_000 })
  href: string;
}

export class SaidDto extends SeenThereDto implements Said {
  @Moment()
  at: string;

  @Moment()
  until: string;
}

export class CheckScheduleDto implements CheckSchedule {
  @Choice(['day', 'week'])
  every: 'day' | 'week';

  @Whole({ least: 1, most: 7, description: 'For a week: 1 is Monday' })
  weekday: number;

  @Words({ pattern: /^(?:[01]\d|2[0-3]):[0-5]\d$/, message: 'time must be a time such as 06:30' })
  time: string;

  @Words({ least: 1, most: 64 })
  zone: string;
}

export class ScheduleSetDto {
  @Shape(CheckScheduleDto, { nullable: true })
  schedule: CheckScheduleDto | null;
}

export class CheckSettingsDto implements CheckSettings {
  @Whole({ least: 1, most: 50 })
  perSecond: number;

  @Whole({ least: 1, most: 16 })
  atOnce: number;

  @Flag()
  robots: boolean;

  @Words({ most: 200, pattern: /^[\x20-\x7e]*$/, message: 'contact must be an address in plain letters' })
  contact: string;

  @Words({
    most: 500,
    pattern: /^(?:https?:\/\/\S+)?$/,
    message: 'The address of the archive must begin with http:// or https://, or be empty.',
  })
  timeGate: string;

  @Whole({ least: 1, most: 3_650 })
  saidDays: number;

  @Whole({ least: 1, most: 100 })
  brokenRuns: number;

  @Whole({ least: 0, most: 365 })
  brokenDays: number;
}

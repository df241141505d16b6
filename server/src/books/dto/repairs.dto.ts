import { SUBJECT_KINDS, type SubjectKind } from '@vennet/core/audit';
import type { Destination } from '@vennet/core/destination';
import type { FindSearch, InsideRepair, Planned, Repair } from '@vennet/core/repair';
import type {
  BookChange,
  BulkRepairRequest,
  InsideRepairRequest,
  FileLabelsRequest,
  MentionsRequest,
  RepairDone,
  RepairRequest,
  RepairTarget,
  ReplaceDone,
  ReplaceRequest,
  TakenBack,
} from '@vennet/core/wire';
import {
  Choice,
  Either,
  Flag,
  Moment,
  OneOf,
  Shape,
  ShapeList,
  Whole,
  WordList,
  Words,
} from '../../platform/shapes.js';
import { DESTINATIONS } from './destination.dto.js';
import { LinkLookDto } from './look.dto.js';
import { INSIDE_REPAIRS, REPAIRS } from './repair.dto.js';

class AddressTargetDto {
  @Words({ description: 'All uses of this address' })
  href: string;
}

class LinksTargetDto {
  @WordList({ description: 'Single links, by id' })
  links: string[];
}

export class RepairDto implements RepairRequest {
  @Either({ href: AddressTargetDto, links: LinksTargetDto })
  target: RepairTarget;

  @OneOf(REPAIRS)
  repair: Repair;
}

class LinkWasDto {
  @Words()
  href: string;

  @Words()
  text: string;
}

class PlannedRepairDto implements Planned {
  @Words()
  link: string;

  @Shape(LinkWasDto, {
    description: 'As it was when this was previewed; a link that is otherwise now is passed over',
  })
  was: LinkWasDto;

  @OneOf(REPAIRS, { list: true })
  repairs: Repair[];
}

export class BulkRepairDto implements BulkRepairRequest {
  @Words({ least: 1, most: 200, description: 'What is done, for the list of versions' })
  words: string;

  @ShapeList(PlannedRepairDto)
  planned: PlannedRepairDto[];
}

class InsideTargetDto {
  @Words()
  id: string;

  @Words()
  chapter: string;

  @Whole({ least: 0, description: 'Its position in the chapter, where it has no id' })
  at: number;

  // What a finding is about can be sent back as it came.
  @Choice(SUBJECT_KINDS, { optional: true })
  kind?: SubjectKind;

  @Words({ optional: true })
  words?: string;
}

export class InsideRepairDto implements InsideRepairRequest {
  @Shape(InsideTargetDto)
  target: InsideTargetDto;

  @OneOf(INSIDE_REPAIRS)
  repair: InsideRepair;
}

class MentionDto {
  @Words()
  chapter: string;

  @Whole({ least: 0 })
  from: number;

  @Whole({ least: 0 })
  to: number;

  @Words()
  text: string;

  // A mention can be sent back as it was found.
  @Words({ optional: true })
  before?: string;

  @Words({ optional: true })
  after?: string;
}

class FileLabelDto extends MentionDto {
  @Words({ least: 1, description: 'The file that it leads to' })
  enclosure: string;
}

export class FileLabelsDto implements FileLabelsRequest {
  @ShapeList(FileLabelDto, { most: 50_000 })
  labels: FileLabelDto[];
}

export class MentionsDto implements MentionsRequest {
  @OneOf(DESTINATIONS)
  destination: Destination;

  @Words({ most: 1000 })
  hoverNote: string;

  @Shape(LinkLookDto, { nullable: true })
  look: LinkLookDto | null;

  @ShapeList(MentionDto, { most: 50_000 })
  mentions: MentionDto[];
}

class FindSearchDto implements FindSearch {
  @Words({ least: 1, most: 1000 })
  words: string;

  @Flag()
  matchCase: boolean;

  @Flag()
  wholeWords: boolean;

  @Flag()
  ignoreAccents: boolean;

  @WordList({ nullable: true, description: 'Chapters to look through; `null` for the whole book' })
  chapters: string[] | null;

  @Flag({ description: 'The addresses of links are searched too' })
  addresses: boolean;
}

export class ReplaceDto implements ReplaceRequest {
  @Shape(FindSearchDto)
  search: FindSearchDto;

  @Words({ most: 1000 })
  by: string;
}

/** What a change all over a book did; the snapshot is the book before it. */
export class RepairDoneDto implements RepairDone {
  @Whole()
  changed: number;

  @Words({ nullable: true, description: 'By which it is taken back; `null` where nothing was changed' })
  change: string | null;

  @Words({ nullable: true, description: 'The book as it was before; `null` where nothing was changed' })
  snapshot: string | null;
}

export class ReplaceDoneDto extends RepairDoneDto implements ReplaceDone {
  @Whole({ description: 'What stays, since a link would be left without words or an address would be none' })
  left: number;
}

export class TakenBackDto implements TakenBack {
  @Whole({ description: 'How many chapters got another text' })
  changed: number;

  @Words({ nullable: true, description: 'The taking back, which is a change too' })
  change: string | null;

  @WordList({ description: 'By name, what can’t be taken back, since it was changed again' })
  left: string[];
}

export class BookChangeDto implements BookChange {
  @Words()
  id: string;

  @Words()
  words: string;

  @Moment()
  createdAt: string;
}

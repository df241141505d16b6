import type { SectionMove } from '@vennet/core/edits';
import {
  FORMATS,
  MATTERS,
  PLACE_KINDS,
  type Format,
  type Ground,
  type Matter,
  type Place,
  type PlaceKind,
} from '@vennet/core/manuscript';
import type {
  BookNews,
  BookChanges,
  BookSummary,
  LastCheck,
  ChapterAdded,
  ChapterChanges,
  ChapterMade,
  ChapterPlace,
  ChapterSave,
  ChapterSaved,
  ChapterSplit,
  ChapterTitle,
  Manuscript,
  NewBook,
  NewChapter,
  OutlineChange,
  SentBook,
  Snapshot,
  StepsAnswer,
  StepsMade,
  StepsSent,
  VersionedChapter,
} from '@vennet/core/wire';
import { VERDICTS, type VerdictName } from '@vennet/core/reach';
import { FindingCountsDto } from '../../platform/finding-counts.dto.js';
import { BringInReportDto } from '../../jobs/job.dto.js';
import {
  Choice,
  Counts,
  Moment,
  Flag,
  Open,
  OpenList,
  Pairs,
  Shape,
  ShapeList,
  Whole,
  WordList,
  Words,
} from '../../platform/shapes.js';
import { ShelfFileDto } from '../../shelf/shelf.dto.js';
import { LinkLookDto, StructureDto } from './look.dto.js';
import { PublicationChangesDto, PublicationDto } from './publication.dto.js';

const TITLE = {
  least: 1,
  most: 300,
  pattern: /\S/,
  message: 'Give the book a title of 1 to 300 characters.',
};
const LANGUAGE = {
  pattern: /^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/,
  message: 'A language is written as a tag such as en, de or pt-BR.',
  description: 'BCP 47 language tag',
};
const DOC = { description: 'The chapter as JSON of the schema, which core judges' };

export class NewBookDto implements NewBook {
  @Words(TITLE)
  title: string;

  @Words({ optional: true, most: 300 })
  author?: string;

  @Words({ optional: true, ...LANGUAGE })
  language?: string;
}

export class BookChangesDto implements BookChanges {
  @Words({ optional: true, ...TITLE })
  title?: string;

  @Words({ optional: true, most: 300 })
  subtitle?: string;

  @Words({ optional: true, most: 300 })
  author?: string;

  @Words({ optional: true, ...LANGUAGE })
  language?: string;

  @Words({ optional: true, most: 5000 })
  description?: string;

  @Words({
    optional: true,
    most: 2000,
    description: 'Where readers get the book: a web address; empty takes it away',
  })
  address?: string;

  @Shape(LinkLookDto, { optional: true, description: 'How links look' })
  look?: LinkLookDto;

  @Shape(StructureDto, { optional: true })
  structure?: StructureDto;

  @Shape(PublicationChangesDto, { optional: true })
  publication?: PublicationChangesDto;
}

/** A book as the Library lists it. */
class LastCheckDto implements LastCheck {
  @Moment()
  at: string;

  @Flag()
  scheduled: boolean;

  @Whole()
  total: number;

  @Whole()
  broken: number;

  @Whole()
  changes: number;

  @Counts(VERDICTS)
  verdicts: Partial<Record<VerdictName, number>>;

  @Shape(FindingCountsDto, { nullable: true })
  findings: FindingCountsDto | null;
}

export class BookSummaryDto implements BookSummary {
  @Words()
  id: string;

  @Words()
  title: string;

  @Words()
  subtitle: string;

  @Words()
  author: string;

  @Words()
  language: string;

  @Whole()
  chapters: number;

  @Whole({ nullable: true, description: 'Of a book of pages, how many' })
  pages: number | null;

  @Whole()
  words: number;

  @Whole()
  links: number;

  @Moment()
  updatedAt: string;

  @Moment({ nullable: true })
  deletedAt: string | null;

  @Shape(LastCheckDto, { nullable: true, description: 'The last check that came to its end' })
  lastCheck: LastCheckDto | null;
}

/** Where a chapter stands in its book. */
export class ChapterPlaceDto implements ChapterPlace {
  @Words()
  id: string;

  @Choice(MATTERS)
  matter: Matter;
}

export class OutlineDto implements OutlineChange {
  @ShapeList(ChapterPlaceDto, {
    most: 5000,
    description: 'Every chapter of the book, in its new order',
  })
  chapters: ChapterPlaceDto[];
}

export class ChapterChangesDto implements ChapterChanges {
  @WordList({ among: FORMATS, description: 'The forms in which the chapter is left out' })
  leftOutOf: Format[];
}

class SectionDto {
  @Words()
  chapter: string;

  @Words({ description: 'The heading of the section' })
  section: string;
}

class SectionSpotDto {
  @Words()
  chapter: string;

  @Words({ nullable: true, description: 'The heading before which it goes; `null`: the end of the chapter' })
  before: string | null;
}

export class SectionMoveDto implements SectionMove {
  @Shape(SectionDto)
  from: SectionDto;

  @Shape(SectionSpotDto)
  to: SectionSpotDto;
}

export class SaveChapterDto implements ChapterSave {
  @Whole({ least: 1, description: 'The version that the text was read at' })
  version: number;

  @Open(DOC)
  doc: object;
}

/** The version that a save has made. */
export class ChapterSavedDto implements ChapterSaved {
  @Words()
  id: string;

  @Whole()
  version: number;

  @Words()
  title: string;
}

export class NewChapterDto implements NewChapter {
  @Words({ most: 300 })
  title: string;

  @Words({ optional: true, description: 'The chapter after which it comes; at the end without one' })
  after?: string;
}

export class ChapterMadeDto implements ChapterMade {
  @Words({ nullable: true, description: 'By which it is taken back; `null` where nothing was changed' })
  change: string | null;

  @Words({ nullable: true, description: 'The chapter that it is about now' })
  chapter: string | null;
}

export class ChapterTitleDto implements ChapterTitle {
  @Words({ least: 1, most: 300, message: 'Give the chapter a title of 1 to 300 characters.' })
  title: string;
}

export class ChapterSplitDto implements ChapterSplit {
  @Whole({ least: 1, description: 'The position of the block that is to be the first of the new chapter' })
  before: number;
}

export class StepsSentDto implements StepsSent {
  @Words({ least: 8, most: 64, description: 'One that is known is acknowledged and not made twice' })
  batch: string;

  @Words({ most: 64, description: 'The window that sends them' })
  window: string;

  @Whole({ least: 0 })
  version: number;

  @Whole({ least: 1, description: 'The version of the schema' })
  schema: number;

  @OpenList({ most: 10_000, description: 'Steps as JSON, which core judges' })
  steps: object[];
}

class StepsMadeDto implements StepsMade {
  @Words()
  change: string;

  @Words()
  window: string;

  @Whole()
  from: number;

  @OpenList({ description: 'Steps as JSON' })
  steps: object[];
}

export class VersionedChapterDto implements VersionedChapter {
  @Words()
  id: string;

  @Words()
  title: string;

  @Choice(MATTERS)
  matter: Matter;

  @WordList({ among: FORMATS, description: 'The forms in which the chapter is left out' })
  leftOutOf: Format[];

  @Whole({ description: 'To be named by the next save' })
  version: number;

  @Open(DOC)
  doc: object;
}

export class ChapterAddedDto extends VersionedChapterDto implements ChapterAdded {
  @Words({ nullable: true, description: 'By which it is taken out again' })
  change: string | null;
}

export class StepsAnswerDto implements StepsAnswer {
  @Flag({ description: 'The steps that were sent are part of the text now' })
  taken: boolean;

  @Whole()
  version: number;

  @Words()
  title: string;

  @ShapeList(StepsMadeDto, { description: 'What came first; the steps are to be sent anew over these' })
  missed: StepsMadeDto[];

  @Shape(VersionedChapterDto, {
    nullable: true,
    description: 'Where the steps since then are not kept any more',
  })
  current: VersionedChapterDto | null;
}

class ChapterVersionDto {
  @Words()
  id: string;

  @Whole()
  version: number;
}

export class BookNewsDto implements BookNews {
  @ShapeList(ChapterVersionDto)
  chapters: ChapterVersionDto[];
}

class SentBookDto implements SentBook {
  @Words()
  id: string;

  @Words()
  title: string;

  @Words()
  author: string;

  @Words({ nullable: true, description: 'Where readers get it' })
  address: string | null;

  @Pairs({ nullable: true, description: 'Its places as pairs of id and words, where this book leads to it' })
  places: [string, string][] | null;
}

/** The finished file that a book of pages has as its ground. */
class GroundDto implements Ground {
  @Words()
  sha256: string;

  @Words()
  name: string;

  @Whole({ description: 'In bytes' })
  size: number;

  @Whole()
  pages: number;

  @Flag({ description: 'Its structure is tagged' })
  tagged: boolean;

  @Flag()
  signed: boolean;

  @Whole({ nullable: true, description: 'What a signature lets be changed (ISO 32000-1, table 254)' })
  certified: number | null;

  @WordList({ description: 'What its owner forbids' })
  forbidden: string[];

  @Words({ nullable: true, description: 'What opens it' })
  password: string | null;

  @Words({ nullable: true, description: 'Why nothing can be added behind its old bytes' })
  cannotAdd: string | null;
}

export class ManuscriptDto implements Manuscript {
  @Words()
  id: string;

  @Words()
  title: string;

  @Words()
  subtitle: string;

  @Words()
  author: string;

  @Words()
  language: string;

  @Words()
  description: string;

  @Shape(LinkLookDto)
  look: LinkLookDto;

  @Shape(StructureDto)
  structure: StructureDto;

  @Shape(PublicationDto, { optional: true })
  publication?: PublicationDto;

  @Shape(GroundDto, { optional: true })
  ground?: GroundDto;

  @ShapeList(VersionedChapterDto)
  chapters: VersionedChapterDto[];

  @Shape(BringInReportDto, { nullable: true })
  report: BringInReportDto | null;

  @Words({ nullable: true, description: 'Where readers get the book' })
  address: string | null;

  @ShapeList(ShelfFileDto, { description: 'The files on its Shelf' })
  files: ShelfFileDto[];

  @ShapeList(SentBookDto, { description: 'The other books of the Library' })
  books: SentBookDto[];
}

/** A spot in the book that a link can lead to. */
export class PlaceDto implements Place {
  @Words()
  id: string;

  @Choice(PLACE_KINDS)
  kind: PlaceKind;

  @Words({ description: 'Words that tell which spot it is' })
  words: string;

  @Words({ description: 'What stands there' })
  text: string;

  @Words()
  chapter: string;

  @Words({ description: 'The number alone; empty where it has none' })
  number: string;

  @Words({ description: 'The number as it is called' })
  label: string;

  @Whole({ nullable: true, description: 'Of a heading, 1 to 6' })
  level: number | null;

  @Words({ description: 'The heading of the section in which it stands, or its chapter' })
  section: string;

  @Flag({ description: 'Of a chapter: nothing stands in it but its heading' })
  unwritten: boolean;

  @Whole({ description: 'Places in reading order have rising numbers' })
  order: number;
}

export class SnapshotDto implements Snapshot {
  @Words()
  id: string;

  @Words()
  reason: string;

  @Words({ description: 'By what name it is kept; empty where it may go with time' })
  name: string;

  @Moment()
  createdAt: string;
}

import {
  CHAPTER_FATES,
  type LinkThenAndNow,
  type VersionChanges,
  type VersionChapter,
  type VersionLink,
} from '@vennet/core/reports';
import type { NewSnapshot, RestoreRequest, SnapshotSeen } from '@vennet/core/wire';
import { Choice, Shape, ShapeList, Whole, WordList, Words } from '../../platform/shapes.js';
import { SnapshotDto } from './books.dto.js';

class VersionLinkDto implements VersionLink {
  @Words()
  id: string;

  @Words()
  text: string;

  @Words()
  href: string;
}

class LinkThenAndNowDto implements LinkThenAndNow {
  @Words()
  id: string;

  @Shape(VersionLinkDto)
  before: VersionLinkDto;

  @Shape(VersionLinkDto)
  after: VersionLinkDto;
}

class VersionChapterDto implements VersionChapter {
  @Words()
  id: string;

  @Words()
  title: string;

  @Whole()
  words: number;

  @Choice(CHAPTER_FATES)
  fate: VersionChapter['fate'];
}

class WordCountsDto {
  @Whole()
  before: number;

  @Whole()
  after: number;
}

class LinkChangesDto {
  @ShapeList(VersionLinkDto)
  added: VersionLinkDto[];

  @ShapeList(VersionLinkDto)
  gone: VersionLinkDto[];

  @ShapeList(LinkThenAndNowDto)
  changed: LinkThenAndNowDto[];
}

class VersionChangesDto implements VersionChanges {
  @Shape(WordCountsDto)
  words: WordCountsDto;

  @ShapeList(VersionChapterDto)
  chapters: VersionChapterDto[];

  @WordList({ description: 'Titles of chapters that came since' })
  added: string[];

  @Shape(LinkChangesDto)
  links: LinkChangesDto;
}

/** A version with what is otherwise since then. */
export class SnapshotSeenDto extends SnapshotDto implements SnapshotSeen {
  @Shape(VersionChangesDto)
  since: VersionChangesDto;
}

export class NewSnapshotDto implements NewSnapshot {
  @Words({ most: 200, description: 'The name; empty lets it go with time' })
  name: string;
}

export class RestoreDto implements RestoreRequest {
  @Words({ optional: true, description: 'One chapter alone' })
  chapter?: string;
}

import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Patch, Post } from '@nestjs/common';
import { ApiNoContentResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { readBook } from '@vennet/core/manuscript';
import type { RepairDone, Snapshot, SnapshotSeen, VersionedChapter } from '@vennet/core/wire';
import { manuscriptFrom } from './book-source.js';
import { BooksService } from './books.service.js';
import { SnapshotDto, VersionedChapterDto } from './dto/books.dto.js';
import { RepairDoneDto } from './dto/repairs.dto.js';
import { NewSnapshotDto, RestoreDto, SnapshotSeenDto } from './dto/versions.dto.js';
import { SnapshotsService } from './snapshots.service.js';

/** The versions of a book: its text as it was at some time. */
@ApiTags('versions')
@Controller('api/books/:id/snapshots')
export class VersionsController {
  constructor(
    private readonly books: BooksService,
    private readonly versions: SnapshotsService,
  ) {}

  @Get()
  @ApiOkResponse({ type: [SnapshotDto] })
  list(@Param('id', ParseUUIDPipe) id: string): Promise<Snapshot[]> {
    return this.versions.list(id);
  }

  /** Keeps the book as it is now, by a name. */
  @Post()
  @HttpCode(204)
  @ApiNoContentResponse()
  async keep(@Param('id', ParseUUIDPipe) id: string, @Body() { name }: NewSnapshotDto): Promise<void> {
    await this.books.book(id);
    await this.versions.keepNamed(id, name);
  }

  /** A version, with what is otherwise in the book since then. */
  @Get(':snapshot')
  @ApiOkResponse({ type: SnapshotSeenDto })
  async look(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('snapshot', ParseUUIDPipe) snapshot: string,
  ): Promise<SnapshotSeen> {
    return this.versions.look(readBook(manuscriptFrom(await this.books.source(id))), snapshot);
  }

  /** Gives a version a name, by which it stays; an empty one lets it go with time. */
  @Patch(':snapshot')
  @HttpCode(204)
  @ApiNoContentResponse()
  name(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('snapshot', ParseUUIDPipe) snapshot: string,
    @Body() { name }: NewSnapshotDto,
  ): Promise<void> {
    return this.versions.name(id, snapshot, name);
  }

  /** A chapter as a version has it. */
  @Get(':snapshot/chapters/:chapter')
  @ApiOkResponse({ type: VersionedChapterDto })
  chapter(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('snapshot', ParseUUIDPipe) snapshot: string,
    @Param('chapter') chapter: string,
  ): Promise<VersionedChapter> {
    return this.versions.chapter(id, snapshot, chapter);
  }

  /** Brings the book, or one chapter, back to a version. */
  @Post(':snapshot/restore')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  restore(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('snapshot', ParseUUIDPipe) snapshot: string,
    @Body() { chapter }: RestoreDto,
  ): Promise<RepairDone> {
    return this.versions.restore(id, snapshot, chapter);
  }
}

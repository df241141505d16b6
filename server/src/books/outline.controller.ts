import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Patch,
  Post,
  Put,
  Headers,
  Res,
} from '@nestjs/common';
import type { Response } from 'express';
import { ApiCreatedResponse, ApiHeader, ApiNoContentResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { BookChange, ChapterAdded, ChapterMade, RepairDone, TakenBack } from '@vennet/core/wire';
import {
  ChapterAddedDto,
  ChapterChangesDto,
  ChapterMadeDto,
  ChapterSplitDto,
  ChapterTitleDto,
  NewChapterDto,
  OutlineDto,
  SectionMoveDto,
} from './dto/books.dto.js';
import { DivisionChangeDto } from './dto/division.dto.js';
import { ChaptersService } from './chapters.service.js';
import { ChangesService } from './changes.service.js';
import { OutlineService } from './outline.service.js';
import { BookChangeDto, RepairDoneDto, TakenBackDto } from './dto/repairs.dto.js';

/** Changes to the whole of a book: its order, and the way back to what it was. */
@ApiTags('books')
@Controller('api')
export class OutlineController {
  constructor(
    private readonly outline: OutlineService,
    private readonly changes: ChangesService,
    private readonly chapters: ChaptersService,
  ) {}

  /**
   * Puts the chapters into another order. Who sends `Prefer: return=representation` (RFC 7240) is told of the change by which it
   * is taken back.
   */
  @Put('books/:id/outline')
  @ApiHeader({
    name: 'prefer',
    required: false,
    description: '`return=representation` to be told of the change',
  })
  @ApiOkResponse({ type: ChapterMadeDto })
  @ApiNoContentResponse()
  async arrange(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() { chapters }: OutlineDto,
    @Res({ passthrough: true }) response: Response,
    @Headers('prefer') prefer?: string,
  ): Promise<ChapterMade | undefined> {
    const made = await this.chapters.arrange(id, chapters);
    if (/\breturn=representation\b/i.test(prefer ?? '')) {
      response.set('preference-applied', 'return=representation');
      return made;
    }
    response.status(204);
    return undefined;
  }

  @Post('books/:id/chapters')
  @ApiCreatedResponse({ type: ChapterAddedDto })
  addChapter(@Param('id', ParseUUIDPipe) id: string, @Body() body: NewChapterDto): Promise<ChapterAdded> {
    return this.chapters.add(id, body);
  }

  /** Takes a chapter out of the book; it can be put back by taking the change back. */
  @Delete('chapters/:id')
  @ApiOkResponse({ type: ChapterMadeDto })
  removeChapter(@Param('id') id: string): Promise<ChapterMade> {
    return this.chapters.remove(id);
  }

  @Put('chapters/:id/title')
  @ApiOkResponse({ type: ChapterMadeDto })
  renameChapter(@Param('id') id: string, @Body() { title }: ChapterTitleDto): Promise<ChapterMade> {
    return this.chapters.rename(id, title);
  }

  /** Makes a chapter of its own of what follows. */
  @Post('chapters/:id/split')
  @HttpCode(200)
  @ApiOkResponse({ type: ChapterMadeDto })
  splitChapter(@Param('id') id: string, @Body() { before }: ChapterSplitDto): Promise<ChapterMade> {
    return this.chapters.split(id, before);
  }

  /** Puts the text of a chapter at the end of the one before it. */
  @Post('chapters/:id/join')
  @HttpCode(200)
  @ApiOkResponse({ type: ChapterMadeDto })
  joinChapter(@Param('id') id: string): Promise<ChapterMade> {
    return this.chapters.join(id);
  }

  /** Says in which forms of publishing a chapter is left out. */
  @Patch('chapters/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  leaveOut(@Param('id') id: string, @Body() { leftOutOf }: ChapterChangesDto): Promise<void> {
    return this.chapters.leaveOut(id, leftOutOf);
  }

  /** Divides the book at other places. Nothing of its text is lost, and what leads somewhere still does. */
  @Put('books/:id/division')
  @ApiOkResponse({ type: RepairDoneDto })
  divide(@Param('id', ParseUUIDPipe) id: string, @Body() { begins }: DivisionChangeDto): Promise<RepairDone> {
    return this.outline.divide(id, begins);
  }

  /** Moves a section before another one, or to the end of a chapter. */
  @Post('books/:id/sections/move')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  moveSection(@Param('id', ParseUUIDPipe) id: string, @Body() body: SectionMoveDto): Promise<RepairDone> {
    return this.outline.moveSection(id, body);
  }

  /** The last changes all over the book, the newest first. */
  @Get('books/:id/changes')
  @ApiOkResponse({ type: [BookChangeDto] })
  list(@Param('id', ParseUUIDPipe) id: string): Promise<BookChange[]> {
    return this.changes.list(id);
  }

  /** Takes a change back in the book as it is now: words written since stay. */
  @Post('books/:id/changes/:change/take-back')
  @HttpCode(200)
  @ApiOkResponse({ type: TakenBackDto })
  takeBack(@Param('id', ParseUUIDPipe) id: string, @Param('change') change: string): Promise<TakenBack> {
    return this.changes.takeBack(id, change);
  }
}

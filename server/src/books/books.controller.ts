import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Patch,
  ParseIntPipe,
  Post,
  Put,
  Query,
  Sse,
  type MessageEvent,
} from '@nestjs/common';
import { concatMap, map, startWith, type Observable } from 'rxjs';
import { eventsOf } from '../platform/shapes.js';
import {
  ApiCreatedResponse,
  ApiExtraModels,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiTags,
} from '@nestjs/swagger';
import type {
  BookSummary,
  ChapterSaved,
  RepairDone,
  ReplaceDone,
  StepsAnswer,
  Started,
} from '@vennet/core/wire';
import {
  BookChangesDto,
  BookNewsDto,
  BookSummaryDto,
  ChapterSavedDto,
  NewBookDto,
  SaveChapterDto,
  StepsAnswerDto,
  StepsSentDto,
} from './dto/books.dto.js';
import {
  BulkRepairDto,
  InsideRepairDto,
  FileLabelsDto,
  MentionsDto,
  RepairDoneDto,
  RepairDto,
  ReplaceDoneDto,
  ReplaceDto,
} from './dto/repairs.dto.js';
import { NavigationRequestDto } from './dto/navigation.dto.js';
import { BooksService } from './books.service.js';
import { ChangesService } from './changes.service.js';
import { RepairsService } from './repairs.service.js';
import { StartedDto } from '../jobs/job.dto.js';

@ApiTags('books')
@Controller('api')
export class BooksController {
  constructor(
    private readonly books: BooksService,
    private readonly repairs: RepairsService,
    private readonly changes: ChangesService,
  ) {}

  @Get('books')
  @ApiOkResponse({ type: [BookSummaryDto] })
  list(): Promise<BookSummary[]> {
    return this.books.list();
  }

  @Post('books')
  @ApiCreatedResponse({ type: StartedDto })
  async start(@Body() body: NewBookDto): Promise<Started> {
    return { id: await this.books.start(body) };
  }

  @Patch('books/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  change(@Param('id', ParseUUIDPipe) id: string, @Body() body: BookChangesDto): Promise<void> {
    return this.books.change(id, body);
  }

  @Delete('books/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.books.setDeleted(id, true);
  }

  /** Takes the removal of a book back. */
  @Post('books/:id/put-back')
  @HttpCode(204)
  @ApiNoContentResponse()
  putBack(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.books.setDeleted(id, false);
  }

  @Put('chapters/:id')
  @ApiOkResponse({ type: ChapterSavedDto })
  save(@Param('id') id: string, @Body() body: SaveChapterDto): Promise<ChapterSaved> {
    return this.books.saveChapter(id, body);
  }

  /** Takes steps that a window made over the text of a chapter. */
  @Post('chapters/:id/steps')
  @HttpCode(200)
  @ApiOkResponse({ type: StepsAnswerDto })
  steps(@Param('id') id: string, @Body() body: StepsSentDto): Promise<StepsAnswer> {
    return this.changes.take(id, body);
  }

  /** What has come into the text of a chapter since a version. */
  @Get('chapters/:id/steps')
  @ApiOkResponse({ type: StepsAnswerDto })
  missed(@Param('id') id: string, @Query('since', ParseIntPipe) since: number): Promise<StepsAnswer> {
    return this.changes.since(id, since);
  }

  /** How the chapters of a book stand, now and after each change, as server-sent events. */
  @Sse('books/:id/events')
  @ApiExtraModels(BookNewsDto)
  @ApiOkResponse(eventsOf(BookNewsDto))
  async news(@Param('id', ParseUUIDPipe) id: string): Promise<Observable<MessageEvent>> {
    await this.books.book(id);
    return this.changes.news(id).pipe(
      startWith(null),
      concatMap(() => this.changes.standing(id)),
      map((data) => ({ data })),
    );
  }

  @Post('books/:id/repairs')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  repair(@Param('id', ParseUUIDPipe) id: string, @Body() body: RepairDto): Promise<RepairDone> {
    return this.repairs.repair(id, body);
  }

  /** Repairs many links, each in its own way, as one change. */
  @Post('books/:id/bulk-repairs')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  repairMany(@Param('id', ParseUUIDPipe) id: string, @Body() body: BulkRepairDto): Promise<RepairDone> {
    return this.repairs.repairMany(id, body);
  }

  /** Repairs a place, a note, a list of contents or a return link. */
  @Post('books/:id/inside-repairs')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  repairInside(@Param('id', ParseUUIDPipe) id: string, @Body() body: InsideRepairDto): Promise<RepairDone> {
    return this.repairs.repairInside(id, body);
  }

  /** Makes contents, return links and references of navigation that was typed by hand. */
  @Post('books/:id/hand-made-navigation')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  navigation(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: NavigationRequestDto,
  ): Promise<RepairDone> {
    return this.repairs.makeNavigation(id, body);
  }

  /** Makes real notes of notes that were typed by hand without links. */
  @Post('books/:id/typed-notes')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  typedNotes(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: NavigationRequestDto,
  ): Promise<RepairDone> {
    return this.repairs.makeTypedNotes(id, body);
  }

  /** Puts words in the place of all that a search finds. */
  @Post('books/:id/replacements')
  @HttpCode(200)
  @ApiOkResponse({ type: ReplaceDoneDto })
  replace(@Param('id', ParseUUIDPipe) id: string, @Body() body: ReplaceDto): Promise<ReplaceDone> {
    return this.repairs.replaceWords(id, body);
  }

  /** Makes links to files of labels all over a book. */
  @Post('books/:id/file-labels')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  labels(@Param('id', ParseUUIDPipe) id: string, @Body() body: FileLabelsDto): Promise<RepairDone> {
    return this.repairs.linkLabels(id, body);
  }

  /** Makes links of mentions all over a book. */
  @Post('books/:id/mentions')
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  mentions(@Param('id', ParseUUIDPipe) id: string, @Body() body: MentionsDto): Promise<RepairDone> {
    return this.repairs.linkMentions(id, body);
  }
}

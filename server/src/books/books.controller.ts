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
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { Place } from '@vennet/core/manuscript';
import type { BookSummary, ChapterSaved, Manuscript, RepairDone, VersionedChapter } from '@vennet/core/wire';
import {
  BookChangesDto,
  InsideRepairDto,
  MentionsDto,
  NewBookDto,
  NewChapterDto,
  RepairDto,
  SaveChapterDto,
} from './books.dto.js';
import { BooksService } from './books.service.js';
import { RepairsService } from './repairs.service.js';

@ApiTags('books')
@Controller('api')
export class BooksController {
  constructor(
    private readonly books: BooksService,
    private readonly repairs: RepairsService,
  ) {}

  @Get('books')
  list(): Promise<BookSummary[]> {
    return this.books.list();
  }

  @Post('books')
  async start(@Body() body: NewBookDto): Promise<{ id: string }> {
    return { id: await this.books.start(body) };
  }

  @Get('books/:id')
  manuscript(@Param('id', ParseUUIDPipe) id: string): Promise<Manuscript> {
    return this.books.manuscript(id);
  }

  @Patch('books/:id')
  @HttpCode(204)
  change(@Param('id', ParseUUIDPipe) id: string, @Body() body: BookChangesDto): Promise<void> {
    return this.books.change(id, body);
  }

  @Delete('books/:id')
  @HttpCode(204)
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.books.setDeleted(id, true);
  }

  /** Takes the removal of a book back. */
  @Post('books/:id/put-back')
  @HttpCode(204)
  putBack(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.books.setDeleted(id, false);
  }

  @Post('books/:id/chapters')
  addChapter(@Param('id', ParseUUIDPipe) id: string, @Body() body: NewChapterDto): Promise<VersionedChapter> {
    return this.books.addChapter(id, body);
  }

  @Put('chapters/:id')
  save(@Param('id') id: string, @Body() body: SaveChapterDto): Promise<ChapterSaved> {
    return this.books.saveChapter(id, body);
  }

  @Post('books/:id/repairs')
  @HttpCode(200)
  repair(@Param('id', ParseUUIDPipe) id: string, @Body() body: RepairDto): Promise<RepairDone> {
    return this.repairs.repair(id, body);
  }

  /** Repairs a place, a note, a list of contents or a return link. */
  @Post('books/:id/inside-repairs')
  @HttpCode(200)
  repairInside(@Param('id', ParseUUIDPipe) id: string, @Body() body: InsideRepairDto): Promise<RepairDone> {
    return this.repairs.repairInside(id, body);
  }

  /** Makes links of mentions all over a book. */
  @Post('books/:id/mentions')
  @HttpCode(200)
  mentions(@Param('id', ParseUUIDPipe) id: string, @Body() body: MentionsDto): Promise<RepairDone> {
    return this.repairs.linkMentions(id, body);
  }

  @Get('books/:id/places')
  places(@Param('id', ParseUUIDPipe) id: string): Promise<Place[]> {
    return this.books.places(id);
  }
}

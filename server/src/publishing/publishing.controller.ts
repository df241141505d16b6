import { pipeline } from 'node:stream/promises';
import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Req, Res } from '@nestjs/common';
import { ApiAcceptedResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { coverDrawing, type ShapelessSign } from '@vennet/core/publish';
import type { ExportJob, Started } from '@vennet/core/wire';
import type { Request, Response } from 'express';
import { BooksService } from '../books/books.service.js';
import { Reports } from '../reports/reports.service.js';
import { ExportJobDto, FormPreviewDto, NewExportDto, ShapelessSignDto } from './publishing.dto.js';
import { archiveOf } from './archive.js';
import { PagesService, type Pages } from './pages.service.js';
import { PublishingService } from './publishing.service.js';
import { sendStored } from '../platform/send-stored.js';
import { FILE_ANSWER, PAIRS } from '../platform/shapes.js';
import { StartedDto } from '../jobs/job.dto.js';

@ApiTags('exports')
@Controller('api')
export class PublishingController {
  constructor(
    private readonly books: BooksService,
    private readonly publishing: PublishingService,
    private readonly setPages: PagesService,
    private readonly reports: Reports,
  ) {}

  @Post('books/:id/exports')
  @HttpCode(202)
  @ApiAcceptedResponse({ type: StartedDto })
  async start(@Param('id', ParseUUIDPipe) id: string, @Body() body: NewExportDto): Promise<Started> {
    return { id: await this.publishing.start(id, body.format, body.choices) };
  }

  @Get('books/:id/exports')
  @ApiOkResponse({ type: [ExportJobDto] })
  ofBook(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob[]> {
    return this.publishing.ofBook(id);
  }

  /** What each form would lose or change, before it is made. */
  @Get('books/:id/forms')
  @ApiOkResponse({ type: [FormPreviewDto] })
  forms(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'forms');
  }

  /** On which page of a PDF each place of the book would stand, as pairs of place and page number. */
  @Get('books/:id/pages')
  @ApiOkResponse({ schema: PAIRS })
  async pages(@Param('id', ParseUUIDPipe) id: string): Promise<Pages> {
    return (await this.setPages.of(id)).pages;
  }

  /** The cover that is drawn of the title and the author, where no picture is chosen. */
  @Get('books/:id/cover')
  @ApiOkResponse(FILE_ANSWER)
  async cover(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const drawing = coverDrawing(await this.books.book(id));
    response.set({ 'content-type': 'image/svg+xml', 'cache-control': 'no-store' }).send(drawing);
  }

  /** The signs of the book that no font of this machine has a shape for, so that boxes would stand for them in a PDF. */
  @Get('books/:id/shapeless-signs')
  @ApiOkResponse({ type: [ShapelessSignDto] })
  async shapeless(@Param('id', ParseUUIDPipe) id: string): Promise<ShapelessSign[]> {
    return (await this.setPages.of(id)).shapeless;
  }

  @Get('exports/:id')
  @ApiOkResponse({ type: ExportJobDto })
  one(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob> {
    return this.publishing.one(id);
  }

  @Post('exports/:id/stop')
  @HttpCode(200)
  @ApiOkResponse({ type: ExportJobDto })
  stop(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob> {
    return this.publishing.stop(id);
  }

  @Get('exports/:id/file')
  @ApiOkResponse(FILE_ANSWER)
  async file(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const { path, name, type } = await this.publishing.file(id);
    response.set({ 'content-type': type, 'x-content-type-options': 'nosniff' });
    response.attachment(name);
    await sendStored(response, path, { name, again: 'Make it anew.' });
  }

  /** The made file with those that belong next to it, as one archive; it is written while it is sent. */
  @Get('exports/:id/bundle')
  @ApiOkResponse(FILE_ANSWER)
  async bundle(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const { name, files } = await this.publishing.bundle(id);
    response.set({ 'content-type': 'application/zip', 'x-content-type-options': 'nosniff' }).attachment(name);
    await pipeline(archiveOf(files), response);
  }
}

import { pipeline } from 'node:stream/promises';
import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { ExportJob, FormPreview } from '@vennet/core/wire';
import type { Response } from 'express';
import { NewExportDto } from './publishing.dto.js';
import { archiveOf } from './archive.js';
import { PagesService, type Pages } from './pages.service.js';
import { PublishingService } from './publishing.service.js';

@ApiTags('exports')
@Controller('api')
export class PublishingController {
  constructor(
    private readonly publishing: PublishingService,
    private readonly setPages: PagesService,
  ) {}

  @Post('books/:id/exports')
  @HttpCode(202)
  async start(@Param('id', ParseUUIDPipe) id: string, @Body() body: NewExportDto): Promise<{ id: string }> {
    return { id: await this.publishing.start(id, body.format) };
  }

  @Get('books/:id/exports')
  ofBook(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob[]> {
    return this.publishing.ofBook(id);
  }

  /** What each form would lose or change, before it is made. */
  @Get('books/:id/forms')
  forms(@Param('id', ParseUUIDPipe) id: string): Promise<FormPreview[]> {
    return this.publishing.previews(id);
  }

  /** On which page of a PDF each place of the book would stand, as pairs of place and page number. */
  @Get('books/:id/pages')
  pages(@Param('id', ParseUUIDPipe) id: string): Promise<Pages> {
    return this.setPages.of(id);
  }

  @Get('exports/:id')
  one(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob> {
    return this.publishing.one(id);
  }

  @Post('exports/:id/stop')
  @HttpCode(200)
  stop(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob> {
    return this.publishing.stop(id);
  }

  @Get('exports/:id/file')
  async file(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const { path, name, type } = await this.publishing.file(id);
    response.set({ 'content-type': type, 'x-content-type-options': 'nosniff' });
    response.attachment(name).sendFile(path, { dotfiles: 'allow' });
  }

  /** The made file with those that belong next to it, as one archive; it is written while it is sent. */
  @Get('exports/:id/bundle')
  async bundle(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const { name, files } = await this.publishing.bundle(id);
    response.set({ 'content-type': 'application/zip', 'x-content-type-options': 'nosniff' }).attachment(name);
    await pipeline(archiveOf(files), response);
  }
}

import { Body, Controller, Headers, Post, Res, UploadedFile, UseInterceptors } from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import {
  ApiAcceptedResponse,
  ApiBody,
  ApiConsumes,
  ApiCreatedResponse,
  ApiHeader,
  ApiTags,
} from '@nestjs/swagger';
import type { BookMade, Started } from '@vennet/core/wire';
import type { Response } from 'express';
import { FILE_BODY, uploadOf } from '../platform/upload.js';
import { BringInService } from './bring-in.service.js';
import { BookMadeDto, StartedDto } from '../jobs/job.dto.js';

const FILE_AND_PASSWORD = {
  schema: {
    ...FILE_BODY.schema,
    properties: { ...FILE_BODY.schema.properties, password: { type: 'string' } },
  },
};

/** In UTF-16 units: longer than any that opens a PDF (ISO 32000-2, 7.6.4.3.3: 127 bytes). */
const LONGEST_PASSWORD = 200;

@ApiTags('books')
@Controller('api/books/bring-in')
export class BringInController {
  constructor(private readonly bringing: BringInService) {}

  /**
   * Makes a book of a file (EPUB, HTML, DOCX, ODT, Markdown, a ZIP of Markdown, or a PDF, whose pages stay as they are), sent as the
   * multipart field `file`; one that a password opens with the field `password`. The answer comes when the book is there; who
   * would rather follow the work sends `Prefer: respond-async` (RFC 7240) and is told of the job at once.
   */
  @Post()
  @ApiConsumes('multipart/form-data')
  @ApiBody(FILE_AND_PASSWORD)
  @ApiHeader({ name: 'prefer', required: false, description: '`respond-async` to be answered by a job' })
  @UseInterceptors(FileInterceptor('file'))
  @ApiCreatedResponse({ type: BookMadeDto })
  @ApiAcceptedResponse({ type: StartedDto })
  async bringIn(
    @Res({ passthrough: true }) response: Response,
    @Headers('prefer') prefer?: string,
    @UploadedFile() file?: Express.Multer.File,
    @Body() body?: { password?: unknown },
  ): Promise<BookMade | Started> {
    const sent = body?.password;
    const password = typeof sent === 'string' && sent !== '' ? sent.slice(0, LONGEST_PASSWORD) : undefined;
    const upload = { ...uploadOf(file), ...(password === undefined ? {} : { password }) };
    if (/(?:^|[,;\s])respond-async(?:$|[,;\s])/i.test(prefer ?? '')) {
      const id = this.bringing.start(upload);
      response.status(202).set({ 'preference-applied': 'respond-async', location: `/api/jobs/${id}` });
      return { id };
    }
    // Whoever sent the file and is gone again does not want the book.
    const gone = new AbortController();
    response.once('close', () => gone.abort(new DOMException('the sender has gone', 'AbortError')));
    return this.bringing.bringIn(upload, gone.signal);
  }
}

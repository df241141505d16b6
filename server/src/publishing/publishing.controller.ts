import { pipeline } from 'node:stream/promises';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
  Req,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import {
  ApiAcceptedResponse,
  ApiBody,
  ApiConsumes,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import { FORMATS, type Format } from '@vennet/core/manuscript';
import { coverDrawing, type FormChoices, type BookFonts, type ShapelessSign } from '@vennet/core/publish';
import type { ProofRow } from '@vennet/core/readback';
import type { AnyProof, BundlePlan, ExportJob, PdfSets, Reading, Started } from '@vennet/core/wire';
import type { Request, Response } from 'express';
import { BooksService } from '../books/books.service.js';
import { Reports } from '../reports/reports.service.js';
import { inProcess, ProcessDeath, WorkRefusal } from '../jobs/in-process.js';
import { ProblemError } from '../platform/problem.js';
import { FILE_BODY, withUpload } from '../platform/upload.js';
import type { ProveAnyInput } from './prove-any.process.js';
import { BundlesService } from './bundles.service.js';
import { SourcesService } from './sources.service.js';
import {
  AnyProofDto,
  BundlePlanDto,
  ExportJobDto,
  FormPreviewDto,
  ProofRowDto,
  ReadingDto,
  ReadingTallyDto,
  NewExportDto,
  BookFontsDto,
  ShapelessSignDto,
} from './publishing.dto.js';
import { FlowPreviewDto, FormChoicesDto, PagePreviewDto, PdfSetsDto } from './choices.dto.js';
import { FormChoicesService } from './form-choices.service.js';
import { PdfSetsService } from './pdf-sets.service.js';
import { PreviewService } from './preview.service.js';
import { archiveOf } from './archive.js';
import { PagesService, type Pages } from './pages.service.js';
import { READING_POLICY } from './reading.js';
import { PublishingService } from './publishing.service.js';
import { sendStored } from '../platform/send-stored.js';
import { FILE_ANSWER, PAIRS } from '../platform/shapes.js';
import { StartedDto } from '../jobs/job.dto.js';

const PROOF_LIMITS = { memory: 1.5 * 2 ** 30, time: 120_000 };

@ApiTags('exports')
@Controller('api')
export class PublishingController {
  constructor(
    private readonly books: BooksService,
    private readonly publishing: PublishingService,
    private readonly setPages: PagesService,
    private readonly reports: Reports,
    private readonly pdfSets: PdfSetsService,
    private readonly formChoices: FormChoicesService,
    private readonly previews: PreviewService,
    private readonly sources: SourcesService,
    private readonly bundles: BundlesService,
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

  /** How the pages of a PDF are set: the book's named sets of choices. */
  @Get('books/:id/pdf-sets')
  @ApiOkResponse({ type: PdfSetsDto })
  sets(@Param('id', ParseUUIDPipe) id: string): Promise<PdfSets> {
    return this.pdfSets.of(id);
  }

  @Put('books/:id/pdf-sets')
  @ApiOkResponse({ type: PdfSetsDto })
  keepSets(@Param('id', ParseUUIDPipe) id: string, @Body() body: PdfSetsDto): Promise<PdfSets> {
    return this.pdfSets.keep(id, body);
  }

  /** How the forms without pages of their own are made. */
  @Get('books/:id/form-choices')
  @ApiOkResponse({ type: FormChoicesDto })
  chosen(@Param('id', ParseUUIDPipe) id: string): Promise<FormChoices> {
    return this.formChoices.of(id);
  }

  @Put('books/:id/form-choices')
  @ApiOkResponse({ type: FormChoicesDto })
  keepChosen(@Param('id', ParseUUIDPipe) id: string, @Body() body: FormChoicesDto): Promise<FormChoices> {
    return this.formChoices.keep(id, body);
  }

  /** The pages of one chapter as they would be set, as a PDF; its links lead nowhere yet. */
  @Post('books/:id/page-preview')
  @HttpCode(200)
  @ApiOkResponse(FILE_ANSWER)
  async preview(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() body: PagePreviewDto,
    @Res() response: Response,
  ): Promise<void> {
    const { choices: pdf, chapter = '' } = body;
    await this.#preview(id, { format: 'pdf', pdf, chapter }, 'application/pdf', response);
  }

  /** One chapter as it would be in an e-book or on a web page, to be shown in a sandbox. */
  @Post('books/:id/flow-preview')
  @HttpCode(200)
  @ApiOkResponse(FILE_ANSWER)
  async flowPreview(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() { format, choices: flow, chapter = '' }: FlowPreviewDto,
    @Res() response: Response,
  ): Promise<void> {
    response.set('content-security-policy', READING_POLICY);
    await this.#preview(id, { format, flow, chapter }, 'text/html; charset=utf-8', response);
  }

  async #preview(
    id: string,
    wanted: Parameters<PreviewService['with']>[1],
    type: string,
    response: Response,
  ): Promise<void> {
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    await this.previews.with(id, wanted, gone.signal, async (path) => {
      response.set({ 'content-type': type, 'cache-control': 'no-store' });
      await sendStored(response, path, { name: 'pages', again: 'Look at them again.' });
    });
  }

  /**
   * The links of a PDF, an e-book or a web page that was made anywhere, judged by the rules of the book's own, and proved against the book
   * where the file was made of it. Nothing is kept.
   */
  @Post('books/:id/proofs')
  @HttpCode(200)
  @ApiConsumes('multipart/form-data')
  @ApiBody(FILE_BODY)
  @UseInterceptors(FileInterceptor('file'))
  @ApiOkResponse({ type: AnyProofDto })
  prove(
    @Param('id', ParseUUIDPipe) id: string,
    @Res({ passthrough: true }) response: Response,
    @UploadedFile() file?: Express.Multer.File,
    @Body() body?: { password?: unknown },
  ): Promise<AnyProof> {
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    const password = typeof body?.password === 'string' ? body.password : '';
    return withUpload(file, async ({ path, name }) => {
      const { source } = await this.sources.of(id);
      const input: ProveAnyInput = { path, name, password, source };
      return inProcess<never, AnyProof>(new URL('./prove-any.process.js', import.meta.url), input, {
        signal: gone.signal,
        limits: PROOF_LIMITS,
      }).catch((error: unknown) => {
        if (!(error instanceof WorkRefusal || error instanceof ProcessDeath)) throw error;
        const words =
          error instanceof WorkRefusal
            ? error.message
            : 'Reading this file takes more than two minutes or 1.5 GB of memory. Choose a smaller one.';
        throw new ProblemError(422, 'A file that can’t be proved', words);
      });
    });
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

  /** What an archive of several forms would hold, and what is missing in it. */
  @Get('books/:id/bundle/plan')
  @ApiQuery({ name: 'forms', description: 'The forms, with commas between: `epub,pdf`' })
  @ApiOkResponse({ type: BundlePlanDto })
  bundlePlan(@Param('id', ParseUUIDPipe) id: string, @Query('forms') forms?: string): Promise<BundlePlan> {
    return this.bundles.plan(id, formsIn(forms));
  }

  /** The newest files of several forms with what belongs next to them, a report of their links, and a list of checksums, as one archive. */
  @Get('books/:id/bundle')
  @ApiQuery({ name: 'forms', description: 'The forms, with commas between: `epub,pdf`' })
  @ApiOkResponse(FILE_ANSWER)
  async bundleOfForms(
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
    @Query('forms') forms?: string,
  ): Promise<void> {
    const { name, files } = await this.bundles.files(id, formsIn(forms));
    response.set({ 'content-type': 'application/zip', 'x-content-type-options': 'nosniff' }).attachment(name);
    await pipeline(archiveOf(files), response);
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

  /** Each script of the book with the fonts in which a PDF sets it, what is missing, and why fonts of the Shelf are not used. */
  @Get('books/:id/fonts')
  @ApiOkResponse({ type: BookFontsDto })
  async fonts(@Param('id', ParseUUIDPipe) id: string): Promise<BookFonts> {
    const { scripts, refused } = await this.setPages.of(id);
    return { scripts, refused };
  }

  @Get('exports/:id')
  @ApiOkResponse({ type: ExportJobDto })
  one(@Param('id', ParseUUIDPipe) id: string): Promise<ExportJob> {
    return this.publishing.one(id);
  }

  @Delete('exports/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  remove(@Param('id', ParseUUIDPipe) id: string): Promise<void> {
    return this.publishing.remove(id);
  }

  /** Makes a file again, of the book as it was then and with the same choices. */
  @Post('exports/:id/again')
  @HttpCode(202)
  @ApiAcceptedResponse({ type: StartedDto })
  async again(@Param('id', ParseUUIDPipe) id: string): Promise<Started> {
    return { id: await this.publishing.again(id) };
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

  /** A row for each link of the book with what was found of it in the made file. */
  @Get('exports/:id/proof')
  @ApiOkResponse({ type: [ProofRowDto] })
  proof(@Param('id', ParseUUIDPipe) id: string): Promise<ProofRow[]> {
    return this.publishing.table(id);
  }

  /** The made file as a reader goes through it: its pages in their order. */
  @Get('exports/:id/reading')
  @ApiOkResponse({ type: ReadingDto })
  reading(@Param('id', ParseUUIDPipe) id: string): Promise<Reading> {
    return this.publishing.reading(id);
  }

  /** Keeps with a made file which of its links were tried. */
  @Put('exports/:id/reading/tally')
  @HttpCode(204)
  @ApiNoContentResponse()
  tally(@Param('id', ParseUUIDPipe) id: string, @Body() body: ReadingTallyDto): Promise<void> {
    return this.publishing.keepTally(id, body.tried);
  }

  /** A page of a made e-book or web page, to be shown in a sandbox: it tells its parent what is pressed. */
  @Get('exports/:id/reading/page')
  @ApiQuery({ name: 'path', required: false })
  @ApiOkResponse(FILE_ANSWER)
  async readingPage(
    @Param('id', ParseUUIDPipe) id: string,
    @Res() response: Response,
    @Query('path') path?: string,
  ): Promise<void> {
    const { type, page } = await this.publishing.readingPage(id, path ?? '');
    response
      .set({ 'content-security-policy': READING_POLICY, 'cache-control': 'no-store' })
      .removeHeader('x-frame-options');
    response.type(`${type}; charset=utf-8`).send(page);
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

/** Forms as an address lists them. @throws ProblemError */
function formsIn(forms = ''): Format[] {
  const wanted = forms.split(',').filter(Boolean);
  const known = FORMATS.filter((format) => wanted.includes(format));
  if (known.length === 0 || known.length < new Set(wanted).size)
    throw new ProblemError(422, 'Forms that are not known', `Name forms of these: ${FORMATS.join(', ')}.`);
  return known;
}

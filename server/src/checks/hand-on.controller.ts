import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Controller, Get, Param, ParseEnumPipe, ParseUUIDPipe, Query, Res } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiQuery, ApiTags } from '@nestjs/swagger';
import { reportEarl, type SurveyReport } from '@vennet/core/reports';
import { safeFileName } from '@vennet/core/shelf';
import type { Response } from 'express';
import { inProcess, ProcessDeath } from '../jobs/in-process.js';
import { ProblemError } from '../platform/problem.js';
import { Reports } from '../reports/reports.service.js';
import type { HandOnInput } from './hand-on.process.js';
import { destinationsCsv, reportCsv } from './report-csv.js';
import { SurveyedService } from './surveyed.service.js';

/** The forms of a report: for reading, for a table, for programs. */
const FORMS = {
  html: ['text/html; charset=utf-8', 'html'],
  pdf: ['application/pdf', 'pdf'],
  csv: ['text/csv; charset=utf-8', 'csv'],
  destinations: ['text/csv; charset=utf-8', 'csv'],
  json: ['application/json; charset=utf-8', 'json'],
  earl: ['application/ld+json; charset=utf-8', 'jsonld'],
} as const;
type Form = keyof typeof FORMS;
const NAMES = Object.fromEntries(Object.keys(FORMS).map((form) => [form, form])) as Record<Form, Form>;

const LIMITS = { memory: 2 ** 30, time: 120_000 };

/** What a survey found, to be handed to an editor or a customer. */
@ApiTags('checks')
@Controller('api/books/:id/report')
export class HandOnController {
  constructor(
    private readonly reports: Reports,
    private readonly surveyed: SurveyedService,
  ) {}

  @Get()
  @ApiQuery({ name: 'as', enum: Object.keys(FORMS) })
  @ApiProduces(...new Set(Object.values(FORMS).map(([type]) => type)))
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async report(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('as', new ParseEnumPipe(NAMES)) as: Form,
    @Res() response: Response,
  ): Promise<void> {
    const report = await this.reports.read<SurveyReport>(id, 'survey', () => this.surveyed.of(id));
    const [type, ending] = FORMS[as];
    const name = safeFileName(
      `${report.book.title}, ${as === 'destinations' ? 'destinations' : 'links'}.${ending}`,
    );
    response.setHeader('content-type', type);
    response.setHeader('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
    response.send(Buffer.from(await written(report, as)));
  }
}

function written(report: SurveyReport, as: Form): Promise<Uint8Array> | string {
  switch (as) {
    case 'html':
    case 'pdf':
      return forReading(report, as);
    case 'csv':
      return reportCsv(report);
    case 'destinations':
      return destinationsCsv(report);
    case 'json':
      return JSON.stringify(report, null, 1);
    case 'earl':
      return JSON.stringify(reportEarl(report), null, 1);
  }
}

/** @throws ProblemError when it takes more time or memory than a report may */
async function forReading(report: SurveyReport, as: HandOnInput['as']): Promise<Uint8Array> {
  const folder = await mkdtemp(join(tmpdir(), 'vennet-report-'));
  try {
    const input: HandOnInput = { report, as, output: join(folder, 'report') };
    await inProcess<never, number>(new URL('./hand-on.process.js', import.meta.url), input, {
      limits: LIMITS,
    });
    return await readFile(input.output);
  } catch (error) {
    if (!(error instanceof ProcessDeath)) throw error;
    throw new ProblemError(
      503,
      'The report is too large for this',
      'It takes more than two minutes or 1 GB of memory to make. Take it as CSV or JSON; both hold everything.',
    );
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

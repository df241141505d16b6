import {
  Body,
  Controller,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Req,
  Res,
  Sse,
  type MessageEvent,
} from '@nestjs/common';
import { ApiAcceptedResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { CheckRun, DestinationVerdict, Started, VerdictChange } from '@vennet/core/wire';
import type { Request, Response } from 'express';
import { map, type Observable } from 'rxjs';
import { Reports } from '../reports/reports.service.js';
import {
  CheckRunDto,
  DestinationVerdictDto,
  InsideFindingDto,
  LinkRowDto,
  NewCheckDto,
  VerdictChangeDto,
} from './checks.dto.js';
import { ChecksService } from './checks.service.js';
import { SurveyedService } from './surveyed.service.js';
import { VerdictsService } from './verdicts.service.js';
import { eventsOf } from '../platform/shapes.js';
import { StartedDto } from '../jobs/job.dto.js';

@ApiTags('checks')
@Controller('api')
export class ChecksController {
  constructor(
    private readonly checks: ChecksService,
    private readonly verdictsNow: VerdictsService,
    private readonly surveyed: SurveyedService,
    private readonly reports: Reports,
  ) {}

  @Post('books/:id/checks')
  @HttpCode(202)
  @ApiAcceptedResponse({ type: StartedDto })
  async start(@Param('id', ParseUUIDPipe) id: string, @Body() body?: NewCheckDto): Promise<Started> {
    return { id: await this.checks.start(id, body) };
  }

  @Get('books/:id/checks')
  @ApiOkResponse({ type: [CheckRunDto] })
  ofBook(@Param('id', ParseUUIDPipe) id: string): Promise<CheckRun[]> {
    return this.checks.ofBook(id);
  }

  @Get('books/:id/verdicts')
  @ApiOkResponse({ type: [DestinationVerdictDto] })
  verdicts(@Param('id', ParseUUIDPipe) id: string): Promise<DestinationVerdict[]> {
    return this.verdictsNow.ofBook(id);
  }

  /** Every use of every link of a book, with its verdict and what is found of it. */
  @Get('books/:id/links')
  @ApiOkResponse({ type: [LinkRowDto] })
  async links(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    await this.reports.send(request, response, id, 'links', () => this.surveyed.of(id));
  }

  /** What is found of places, notes, lists of contents and return links. */
  @Get('books/:id/findings')
  @ApiOkResponse({ type: [InsideFindingDto] })
  findings(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'findings', () => this.surveyed.of(id));
  }

  @Get('checks/:id')
  @ApiOkResponse({ type: CheckRunDto })
  one(@Param('id', ParseUUIDPipe) id: string): Promise<CheckRun> {
    return this.checks.one(id);
  }

  @Post('checks/:id/stop')
  @HttpCode(200)
  @ApiOkResponse({ type: CheckRunDto })
  stop(@Param('id', ParseUUIDPipe) id: string): Promise<CheckRun> {
    return this.checks.stop(id);
  }

  /** Lets a check that was stopped go on where it was. */
  @Post('checks/:id/go-on')
  @HttpCode(200)
  @ApiOkResponse({ type: CheckRunDto })
  goOn(@Param('id', ParseUUIDPipe) id: string): Promise<CheckRun> {
    return this.checks.goOn(id);
  }

  /** What the run found otherwise than those before it. */
  @Get('checks/:id/changes')
  @ApiOkResponse({ type: [VerdictChangeDto] })
  changes(@Param('id', ParseUUIDPipe) id: string): Promise<VerdictChange[]> {
    return this.checks.changes(id);
  }

  /** The state of the run at each change, as server-sent events. */
  @Sse('checks/:id/events')
  @ApiOkResponse(eventsOf(CheckRunDto))
  async events(@Param('id', ParseUUIDPipe) id: string): Promise<Observable<MessageEvent>> {
    await this.checks.one(id);
    return this.checks.events(id).pipe(map((run) => ({ data: run })));
  }
}

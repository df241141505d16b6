import {
  Body,
  Controller,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Sse,
  type MessageEvent,
} from '@nestjs/common';
import { ApiAcceptedResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { InsideFinding } from '@vennet/core/audit';
import type { CheckRun, DestinationVerdict, LinkRow, Started } from '@vennet/core/wire';
import { map, type Observable } from 'rxjs';
import {
  CheckRunDto,
  DestinationVerdictDto,
  InsideFindingDto,
  LinkRowDto,
  NewCheckDto,
} from './checks.dto.js';
import { ChecksService } from './checks.service.js';
import { eventsOf } from '../platform/shapes.js';
import { StartedDto } from '../jobs/job.dto.js';

@ApiTags('checks')
@Controller('api')
export class ChecksController {
  constructor(private readonly checks: ChecksService) {}

  @Post('books/:id/checks')
  @HttpCode(202)
  @ApiAcceptedResponse({ type: StartedDto })
  async start(@Param('id', ParseUUIDPipe) id: string, @Body() body?: NewCheckDto): Promise<Started> {
    return { id: await this.checks.start(id, body?.hrefs) };
  }

  @Get('books/:id/checks')
  @ApiOkResponse({ type: [CheckRunDto] })
  ofBook(@Param('id', ParseUUIDPipe) id: string): Promise<CheckRun[]> {
    return this.checks.ofBook(id);
  }

  @Get('books/:id/verdicts')
  @ApiOkResponse({ type: [DestinationVerdictDto] })
  verdicts(@Param('id', ParseUUIDPipe) id: string): Promise<DestinationVerdict[]> {
    return this.checks.verdicts(id);
  }

  /** Every use of every link of a book, with its verdict and what is found of it. */
  @Get('books/:id/links')
  @ApiOkResponse({ type: [LinkRowDto] })
  links(@Param('id', ParseUUIDPipe) id: string): Promise<LinkRow[]> {
    return this.checks.links(id);
  }

  /** What is found of places, notes, lists of contents and return links. */
  @Get('books/:id/findings')
  @ApiOkResponse({ type: [InsideFindingDto] })
  findings(@Param('id', ParseUUIDPipe) id: string): Promise<InsideFinding[]> {
    return this.checks.findings(id);
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

  /** The state of the run at each change, as server-sent events. */
  @Sse('checks/:id/events')
  @ApiOkResponse(eventsOf(CheckRunDto))
  async events(@Param('id', ParseUUIDPipe) id: string): Promise<Observable<MessageEvent>> {
    await this.checks.one(id);
    return this.checks.events(id).pipe(map((run) => ({ data: run })));
  }
}

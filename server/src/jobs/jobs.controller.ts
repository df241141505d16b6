import {
  Controller,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Sse,
  type MessageEvent,
} from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { JobStatus } from '@vennet/core/wire';
import { map, type Observable } from 'rxjs';
import { notFound } from '../platform/problem.js';
import { Jobs } from './jobs.js';
import { eventsOf } from '../platform/shapes.js';
import { JobStatusDto } from './job.dto.js';

/** Everything that takes long, of whatever kind: how it stands, and a way to stop it. */
@ApiTags('jobs')
@Controller('api/jobs')
export class JobsController {
  constructor(private readonly jobs: Jobs) {}

  @Get(':id')
  @ApiOkResponse({ type: JobStatusDto })
  async one(@Param('id', ParseUUIDPipe) id: string): Promise<JobStatus> {
    const status = await this.jobs.find(id);
    if (!status) throw notFound('job');
    return status;
  }

  @Post(':id/stop')
  @HttpCode(200)
  @ApiOkResponse({ type: JobStatusDto })
  async stop(@Param('id', ParseUUIDPipe) id: string): Promise<JobStatus> {
    await this.jobs.stop(id);
    return this.one(id);
  }

  /** How the job stands now and at each change, as server-sent events, until it has ended. */
  @Sse(':id/events')
  @ApiOkResponse(eventsOf(JobStatusDto))
  async events(@Param('id', ParseUUIDPipe) id: string): Promise<Observable<MessageEvent>> {
    await this.one(id);
    return this.jobs.events(id).pipe(map((status) => ({ data: status })));
  }
}

import { Controller, Get } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Health, ServerFacts } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { ProblemError } from './problem.js';
import type { AppSettings } from './settings.js';
import { HealthDto, ServerFactsDto } from './platform.dto.js';

@ApiTags('server')
@Controller('api')
export class HealthController {
  constructor(
    private readonly database: DataSource,
    private readonly settings: ConfigService<AppSettings, true>,
  ) {}

  @Get('health')
  @ApiOkResponse({ type: HealthDto })
  async health(): Promise<Health> {
    try {
      await this.database.query('SELECT 1');
    } catch {
      throw new ProblemError(
        503,
        'The database does not answer',
        'What you write is kept in your browser until it does.',
      );
    }
    return { status: 'ok', database: 'ok' };
  }

  /** What the application's start decided and its pages have to know. */
  @Get('facts')
  @ApiOkResponse({ type: ServerFactsDto })
  facts(): ServerFacts {
    return { worldPort: this.settings.get('worldPort', { infer: true }) };
  }
}

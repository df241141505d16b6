import { Controller, Get } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { ApiTags } from '@nestjs/swagger';
import type { ServerFacts } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { ProblemError } from './problem.js';
import type { AppSettings } from './settings.js';

@ApiTags('server')
@Controller('api')
export class HealthController {
  constructor(
    private readonly database: DataSource,
    private readonly settings: ConfigService<AppSettings, true>,
  ) {}

  @Get('health')
  async health(): Promise<{ status: 'ok'; database: 'ok' }> {
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
  facts(): ServerFacts {
    return { worldPort: this.settings.get('worldPort', { infer: true }) };
  }
}

import { Controller, Get } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { ServerFacts } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { ProblemError } from './problem.js';

/** What the application's start decided and its pages have to know. */
export abstract class Facts implements ServerFacts {
  abstract readonly worldPort: number | null;
}

@ApiTags('server')
@Controller('api')
export class FactsController {
  constructor(
    private readonly database: DataSource,
    private readonly known: Facts,
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

  @Get('facts')
  facts(): ServerFacts {
    return { worldPort: this.known.worldPort };
  }
}

import { Controller, Get } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Health, ServerFacts } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { ProblemError } from './problem.js';
import type { AppSettings } from './settings.js';
import { HealthDto, ServerFactsDto } from './platform.dto.js';

/** How long an answer waits for the database, and after how long a database that says nothing counts as away, in ms. */
const WAITS = 100;
const SILENT = 10_000;

const later = (time: number) => new Promise<null>((resolve) => setTimeout(() => resolve(null), time).unref());

@ApiTags('server')
@Controller('api')
export class HealthController {
  #pinging: Promise<boolean> | null = null;
  /** When the database last answered. */
  #seen = 0;

  constructor(
    private readonly database: DataSource,
    private readonly settings: ConfigService<AppSettings, true>,
  ) {}

  @Get('health')
  @ApiOkResponse({ type: HealthDto })
  async health(): Promise<Health> {
    const answered = await Promise.race([this.#ping(), later(WAITS)]);
    // A database that has much to do still answers; one that has been silent for long does not.
    const isThere = answered ?? Date.now() - this.#seen < SILENT;
    if (!isThere)
      throw new ProblemError(
        503,
        'The database does not answer',
        'What you write is kept in your browser until it does.',
      );
    return { status: 'ok', database: 'ok' };
  }

  /** Whether the database answers; whoever asks meanwhile gets the same answer. */
  #ping(): Promise<boolean> {
    this.#pinging ??= this.database
      .query('SELECT 1')
      .then(
        () => {
          this.#seen = Date.now();
          return true;
        },
        () => {
          this.#seen = 0;
          return false;
        },
      )
      .finally(() => (this.#pinging = null));
    return this.#pinging;
  }

  /** What the application's start decided and its pages have to know. */
  @Get('facts')
  @ApiOkResponse({ type: ServerFactsDto })
  facts(): ServerFacts {
    return { worldPort: this.settings.get('worldPort', { infer: true }) };
  }
}

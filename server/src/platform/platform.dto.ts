import {
  WANTED,
  type Health,
  type Problem,
  type ServerFacts,
  type VersionedChapter,
  type Wanted,
} from '@vennet/core/wire';
import { Always, Choice, Open, Whole, Words } from './shapes.js';

export class HealthDto implements Health {
  @Always('ok')
  status: 'ok';

  @Always('ok')
  database: 'ok';
}

export class ServerFactsDto implements ServerFacts {
  @Whole({ nullable: true, description: 'The port of the stand-in world; `null` when there is none' })
  worldPort: number | null;
}

/** A problem document (RFC 9457). */
export class ProblemDto implements Problem {
  @Words()
  type: string;

  @Words()
  title: string;

  @Whole()
  status: number;

  @Words({ description: 'What happened, what was kept and what to do' })
  detail: string;

  @Words({ optional: true, description: 'Where in what was sent the fault is' })
  path?: string;

  @Open({
    optional: true,
    description: 'The chapter as it is stored, when a save was refused because it is stale',
  })
  current?: VersionedChapter;

  @Choice(WANTED, { optional: true, description: 'What is missing to do it' })
  wants?: Wanted;
}

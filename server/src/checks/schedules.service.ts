import {
  Injectable,
  Logger,
  type BeforeApplicationShutdown,
  type OnApplicationBootstrap,
} from '@nestjs/common';
import type { CheckSchedule } from '@vennet/core/wire';
import { Cron } from 'croner';
import { DataSource, type Repository } from 'typeorm';
import { CheckScheduleEntity } from '../database/entities/check-schedule.entity.js';
import { ProblemError } from '../platform/problem.js';
import { ChecksService } from './checks.service.js';

/** Starts checks by themselves, daily or weekly. One that fell due while the server was off is made up for at its start. */
@Injectable()
export class SchedulesService implements OnApplicationBootstrap, BeforeApplicationShutdown {
  readonly #log = new Logger('Schedules');
  readonly #rows: Repository<CheckScheduleEntity>;
  readonly #set = new Map<string, Cron>();

  constructor(
    database: DataSource,
    private readonly checks: ChecksService,
  ) {
    this.#rows = database.getRepository(CheckScheduleEntity);
  }

  async onApplicationBootstrap(): Promise<void> {
    for (const { bookId, schedule, beganAt } of await this.#rows.find()) {
      const cron = this.#begin(bookId, schedule);
      const [due] = cron.previousRuns(1);
      if (due && due > beganAt) await this.#start(bookId);
    }
  }

  beforeApplicationShutdown(): void {
    for (const cron of this.#set.values()) cron.stop();
  }

  async of(bookId: string): Promise<CheckSchedule | null> {
    return (await this.#rows.findOneBy({ bookId }))?.schedule ?? null;
  }

  /** Sets when the links of a book are checked; `null` for never. */
  async set(bookId: string, schedule: CheckSchedule | null): Promise<void> {
    this.#set.get(bookId)?.stop();
    this.#set.delete(bookId);
    if (!schedule) return void (await this.#rows.delete({ bookId }));
    const { every, weekday, time, zone } = schedule;
    this.#begin(bookId, schedule);
    await this.#rows.upsert({ bookId, schedule: { every, weekday, time, zone }, beganAt: new Date() }, [
      'bookId',
    ]);
  }

  #begin(bookId: string, schedule: CheckSchedule): Cron {
    const cron = cronOf(schedule, () => this.#start(bookId));
    this.#set.set(bookId, cron);
    return cron;
  }

  async #start(bookId: string): Promise<void> {
    await this.#rows.update({ bookId }, { beganAt: new Date() });
    try {
      await this.checks.start(bookId, {}, true);
    } catch (error) {
      // One that is under way already does as well; a book that was removed has nothing to check.
      if (!(error instanceof ProblemError)) this.#log.error(error);
    }
  }
}

/** @throws ProblemError for a time zone that nobody knows */
function cronOf({ every, weekday, time, zone }: CheckSchedule, work: () => Promise<void>): Cron {
  const [hour, minute] = time.split(':').map(Number);
  const pattern = `${minute} ${hour} * * ${every === 'week' ? weekday % 7 : '*'}`;
  try {
    return new Cron(pattern, { timezone: zone, protect: true, unref: true }, work);
  } catch {
    throw new ProblemError(422, 'No such time zone', `“${zone}” is not the name of a time zone.`);
  }
}

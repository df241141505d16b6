import { Injectable, Optional, Inject, type OnApplicationBootstrap } from '@nestjs/common';
import { PATIENCE, type Patience } from '@vennet/core/reach';
import type { CheckSettings } from '@vennet/core/wire';
import { DataSource } from 'typeorm';
import { CheckSettingsEntity } from '../database/entities/check-settings.entity.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { Prober } from '../probe/prober.js';

/** Where copies of pages are looked for when the author has not said it. */
export const TIME_GATE = 'vennet:time-gate';

export const DEFAULT_SETTINGS: CheckSettings = {
  perSecond: 5,
  atOnce: 4,
  robots: true,
  contact: '',
  timeGate: '',
  saidDays: 180,
  brokenRuns: PATIENCE.runs,
  brokenDays: PATIENCE.days,
};

/** How links are checked: what the author has chosen, and how the prober is held to it. */
@Injectable()
export class CheckSettingsService implements OnApplicationBootstrap {
  #current: CheckSettings = DEFAULT_SETTINGS;

  constructor(
    private readonly database: DataSource,
    private readonly prober: Prober,
    @Optional() @Inject(TIME_GATE) private readonly timeGate = '',
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    const stored = await this.database.getRepository(CheckSettingsEntity).findOneBy({ owner: LOCAL_AUTHOR });
    this.#current = { ...DEFAULT_SETTINGS, timeGate: this.timeGate, ...stored?.settings };
    // What a test or a benchmark says of the prober holds until an author chooses.
    if (stored) this.#hold();
  }

  get current(): CheckSettings {
    return this.#current;
  }

  get patience(): Patience {
    return { runs: this.#current.brokenRuns, days: this.#current.brokenDays };
  }

  async change(settings: CheckSettings): Promise<CheckSettings> {
    await this.database
      .getRepository(CheckSettingsEntity)
      .upsert({ owner: LOCAL_AUTHOR, settings }, ['owner']);
    this.#current = settings;
    this.#hold();
    return settings;
  }

  #hold(): void {
    const { perSecond, atOnce, robots, contact } = this.#current;
    this.prober.adjust({ rate: perSecond, perHost: atOnce, robots, contact });
  }
}

import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import { DataSource, LessThan } from 'typeorm';
import { HostRestEntity } from '../database/entities/host-rest.entity.js';
import type { Rests } from '../probe/manners.js';
import { Prober } from '../probe/prober.js';

/** The rests that hosts asked for, over a restart of the server. */
@Injectable()
export class HostRests implements Rests, OnApplicationBootstrap {
  readonly #known = new Map<string, number>();

  constructor(
    private readonly database: DataSource,
    private readonly prober: Prober,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    const rests = this.database.getRepository(HostRestEntity);
    await rests.delete({ until: LessThan(new Date()) });
    for (const { host, until } of await rests.find()) this.#known.set(host, until.getTime());
    this.prober.keepRestsIn(this);
  }

  until(host: string): number | undefined {
    return this.#known.get(host);
  }

  keep(host: string, until: number): void {
    this.#known.set(host, until);
    // A rest that is not stored is asked for anew by the host.
    this.database
      .getRepository(HostRestEntity)
      .upsert({ host: host.slice(0, 300), until: new Date(until) }, ['host'])
      .catch(() => {});
  }
}

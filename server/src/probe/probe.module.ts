import { Module, type DynamicModule, type OnApplicationShutdown } from '@nestjs/common';
import { Prober, type ProberOptions } from './prober.js';

/** The way to the network: one prober for the life of the server. */
@Module({})
export class ProbeModule implements OnApplicationShutdown {
  static with(options: ProberOptions): DynamicModule {
    return {
      module: ProbeModule,
      global: true,
      providers: [{ provide: Prober, useFactory: () => new Prober(options) }],
      exports: [Prober],
    };
  }

  constructor(private readonly prober: Prober) {}

  onApplicationShutdown(): Promise<void> {
    return this.prober.close();
  }
}

import { Module, ValidationPipe, type DynamicModule } from '@nestjs/common';
import { ConfigModule } from '@nestjs/config';
import { APP_FILTER, APP_PIPE } from '@nestjs/core';
import { HealthController } from './health.controller.js';
import { Logging } from './logging.js';
import { ProblemFilter, refusalOf } from './problem.js';
import type { AppSettings } from './settings.js';

/** What every part of the server stands on: its settings, its log, what it does with input and faults, and its health. */
@Module({})
export class PlatformModule {
  static with(settings: AppSettings): DynamicModule {
    return {
      module: PlatformModule,
      imports: [
        // The environment has been read and judged already: from here on there are settings only.
        ConfigModule.forRoot({
          isGlobal: true,
          ignoreEnvFile: true,
          skipProcessEnv: true,
          load: [() => settings],
        }),
        Logging,
      ],
      controllers: [HealthController],
      providers: [
        { provide: APP_FILTER, useClass: ProblemFilter },
        {
          provide: APP_PIPE,
          useValue: new ValidationPipe({
            whitelist: true,
            forbidNonWhitelisted: true,
            transform: true,
            stopAtFirstError: true,
            exceptionFactory: refusalOf,
          }),
        },
      ],
    };
  }
}

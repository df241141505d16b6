import 'reflect-metadata';
import { Module, type DynamicModule } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { OpenAPIObject } from '@nestjs/swagger';
import compression from 'compression';
import { Logger } from 'nestjs-pino';
import { BooksModule } from './books/books.module.js';
import { BringInModule } from './bring-in/bring-in.module.js';
import { CarryOverModule } from './carry-over/carry-over.module.js';
import { ChecksModule } from './checks/checks.module.js';
import { DatabaseModule } from './database/database.module.js';
import { GroundModule } from './ground/ground.module.js';
import { JobsModule } from './jobs/jobs.module.js';
import { serveInterface } from './platform/interface.js';
import { documentOf, serveDocument } from './platform/openapi.js';
import { PlatformModule } from './platform/platform.module.js';
import { guard } from './platform/security.js';
import type { AppSettings } from './platform/settings.js';
import type { StandIn } from './probe/connector.js';
import { ProbeModule } from './probe/probe.module.js';
import type { ProberOptions } from './probe/prober.js';
import { PublishingModule } from './publishing/publishing.module.js';
import { Reports } from './reports/reports.service.js';
import { ShelfModule } from './shelf/shelf.module.js';

export interface AppOptions extends Omit<AppSettings, 'worldPort'> {
  /** A stand-in for the network, for its own names; only the demo and the tests have one. */
  world?: StandInWorld | null;
  prober?: ProberOptions;
  /** Where copies of pages are looked for until the author says it (RFC 7089). */
  timeGate?: string;
}

/** A stand-in for the network whose sites can be visited. */
export interface StandInWorld extends StandIn {
  visitPort: number;
}

/** The whole server: a module for each noun, on top of the platform. */
@Module({})
export class AppModule {
  static with({
    world = null,
    prober,
    timeGate = '',
    requestTimeout,
    ...settings
  }: AppOptions): DynamicModule {
    return {
      module: AppModule,
      imports: [
        // What is asked most often stands first: a request goes along the routes until one fits.
        BooksModule,
        PlatformModule.with({ ...settings, worldPort: world?.visitPort ?? null }),
        DatabaseModule,
        JobsModule,
        ProbeModule.with({ ...(requestTimeout && { requestTimeout }), ...prober, standIn: world }),
        ShelfModule,
        GroundModule,
        BringInModule,
        CarryOverModule,
        ChecksModule.with(timeGate),
        PublishingModule,
      ],
    };
  }
}

/** Makes the application; the caller lets it listen and closes it. Migrations have run when it is there. */
export async function createApp(options: AppOptions): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(options), {
    bufferLogs: true,
    abortOnError: false,
    bodyParser: false,
  });
  app.useLogger(app.get(Logger));
  guard(app, options.origins);
  app.use(app.get(Reports).known);
  app.use(
    compression({
      // Answers to what is not a GET are short, and events go out one by one.
      filter: (request, response) =>
        request.method === 'GET' &&
        !request.path.endsWith('/events') &&
        compression.filter(request, response),
    }),
  );
  serveDocument(app);
  if (options.webDirectory) serveInterface(app, options.webDirectory);
  return app;
}

/** The description of the HTTP interface. Nothing is started for it: no database, no network. */
export async function describeApp(): Promise<OpenAPIObject> {
  const settings = { dataDirectory: '', databaseUrl: '', webDirectory: null, logLevel: 'silent' } as const;
  const app = await NestFactory.create(AppModule.with(settings), { preview: true, logger: false });
  return documentOf(app);
}

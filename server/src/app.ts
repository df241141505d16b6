import 'reflect-metadata';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Module, ValidationPipe, type DynamicModule } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import { MulterModule } from '@nestjs/platform-express';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { TypeOrmModule } from '@nestjs/typeorm';
import compression from 'compression';
import type { Request, Response, NextFunction } from 'express';
import { BooksController } from './books/books.controller.js';
import { BooksService } from './books/books.service.js';
import { OutlineController } from './books/outline.controller.js';
import { OutlineService } from './books/outline.service.js';
import { RepairsService } from './books/repairs.service.js';
import { SnapshotsService } from './books/snapshots.service.js';
import { BringInService } from './bring-in/bring-in.service.js';
import { ChecksController } from './checks/checks.controller.js';
import { TitlesController } from './checks/titles.controller.js';
import { ChecksService } from './checks/checks.service.js';
import type { StandIn } from './probe/connector.js';
import { Prober, type ProberOptions } from './probe/prober.js';
import { dataSourceOptions } from './database/data-source.js';
import { Facts, FactsController } from './platform/health.controller.js';
import { ProblemFilter } from './platform/problem.js';
import { sameOrigin } from './platform/same-origin.js';
import { refuseTooLarge } from './platform/refuse-too-large.js';
import { EnclosuresController } from './shelf/shelf.controller.js';
import { ShelfService } from './shelf/shelf.service.js';
import { EnclosureStore } from './shelf/enclosure-store.js';
import { JobQueue } from './jobs/queue.js';
import { PublishingController } from './publishing/publishing.controller.js';
import { ExportDirectory, PublishingService } from './publishing/publishing.service.js';

export interface AppOptions {
  databaseUrl: string;
  dataDirectory: string;
  webDirectory: string | null;
  world: (StandIn & { visitPort: number }) | null;
  prober?: ProberOptions;
}

/** The largest file that is taken in, in bytes. */
const LARGEST_UPLOAD = 200 * 2 ** 20;
/** The largest chapter that can be saved. */
const LARGEST_CHAPTER = '32mb';

@Module({})
class AppModule {
  static with(options: AppOptions): DynamicModule {
    const uploads = join(options.dataDirectory, 'uploads');
    // What was under way when the server ended is nobody's any more.
    rmSync(uploads, { recursive: true, force: true });
    mkdirSync(uploads, { recursive: true });
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRoot({ ...dataSourceOptions(options.databaseUrl), retryAttempts: 0 }),
        MulterModule.register({ dest: uploads, limits: { fileSize: LARGEST_UPLOAD, files: 1 } }),
      ],
      controllers: [
        FactsController,
        BooksController,
        OutlineController,
        ChecksController,
        TitlesController,
        PublishingController,
        EnclosuresController,
      ],
      providers: [
        BooksService,
        ShelfService,
        RepairsService,
        SnapshotsService,
        OutlineService,
        BringInService,
        ChecksService,
        PublishingService,
        JobQueue,
        { provide: Prober, useFactory: () => new Prober({ ...options.prober, standIn: options.world }) },
        {
          provide: EnclosureStore,
          useFactory: () => new EnclosureStore(join(options.dataDirectory, 'enclosures')),
        },
        { provide: ExportDirectory, useValue: { path: join(options.dataDirectory, 'exports') } },
        { provide: Facts, useValue: { worldPort: options.world?.visitPort ?? null } },
      ],
    };
  }
}

/** Makes the application; the caller lets it listen and closes it. Migrations have run when it is there. */
export async function createApp(options: AppOptions): Promise<NestExpressApplication> {
  const app = await NestFactory.create<NestExpressApplication>(AppModule.with(options), {
    logger: ['error', 'warn'],
    abortOnError: false,
  });
  app.use(sameOrigin);
  app.use(refuseTooLarge(LARGEST_UPLOAD));
  app.use(
    compression({
      filter: (request, response) =>
        !request.path.endsWith('/events') && compression.filter(request, response),
    }),
  );
  app.useBodyParser('json', { limit: LARGEST_CHAPTER });
  app.useGlobalPipes(new ValidationPipe({ whitelist: true, forbidNonWhitelisted: true, transform: true }));
  app.useGlobalFilters(new ProblemFilter());
  app.disable('x-powered-by');
  describe(app);
  if (options.webDirectory) serveInterface(app, options.webDirectory);
  return app;
}

function describe(app: NestExpressApplication): void {
  const config = new DocumentBuilder()
    .setTitle('Vennet')
    .setDescription('The HTTP interface of the link workbench')
    .setVersion('1')
    .build();
  SwaggerModule.setup('api', app, () => SwaggerModule.createDocument(app, config), {
    ui: false,
    jsonDocumentUrl: 'api/openapi.json',
    yamlDocumentUrl: 'api/openapi.yaml',
  });
}

/** The built interface; every address that is no file and not the HTTP interface's is a room of it. */
function serveInterface(app: NestExpressApplication, directory: string): void {
  app.useStaticAssets(directory, {
    index: false,
    dotfiles: 'allow',
    setHeaders: (response: Response, path: string) => {
      if (path.includes('/assets/'))
        response.setHeader('cache-control', 'public, max-age=31536000, immutable');
    },
  });
  app.use((request: Request, response: Response, next: NextFunction) => {
    if (request.method !== 'GET' || request.path.startsWith('/api/')) return next();
    response
      .set({
        'content-security-policy':
          "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; worker-src 'self' blob:; frame-ancestors 'none'",
        'referrer-policy': 'no-referrer',
        'x-content-type-options': 'nosniff',
        'cache-control': 'no-cache',
      })
      .sendFile(join(directory, 'index.html'), { dotfiles: 'allow' });
  });
}

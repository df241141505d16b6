import { Module } from '@nestjs/common';
import { ShelfModule } from '../shelf/shelf.module.js';
import { BooksController } from './books.controller.js';
import { BooksService } from './books.service.js';
import { ChaptersService } from './chapters.service.js';
import { ChangesService } from './changes.service.js';
import { LogThinning } from './log-thinning.js';
import { OutlineController } from './outline.controller.js';
import { OutlineService } from './outline.service.js';
import { RepairsService } from './repairs.service.js';
import { SnapshotsService } from './snapshots.service.js';
import { VersionsController } from './versions.controller.js';
import { VersionKeeping } from './version-keeping.js';

@Module({
  imports: [ShelfModule],
  controllers: [BooksController, OutlineController, VersionsController],
  providers: [
    ChangesService,
    ChaptersService,
    BooksService,
    LogThinning,
    OutlineService,
    RepairsService,
    SnapshotsService,
    VersionKeeping,
  ],
  exports: [BooksService, ChangesService, RepairsService, SnapshotsService],
})
export class BooksModule {}

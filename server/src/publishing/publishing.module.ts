import { Module } from '@nestjs/common';
import { BooksModule } from '../books/books.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { UploadsModule } from '../platform/uploads.module.js';
import { ReportsModule } from '../reports/reports.module.js';
import { ShelfModule } from '../shelf/shelf.module.js';
import { BundlesService } from './bundles.service.js';
import { FormChoicesService } from './form-choices.service.js';
import { PagesService } from './pages.service.js';
import { PdfSetsService } from './pdf-sets.service.js';
import { PreviewService } from './preview.service.js';
import { PublishingController } from './publishing.controller.js';
import { PublishingService } from './publishing.service.js';
import { SourcesService } from './sources.service.js';

@Module({
  imports: [BooksModule, ReportsModule, ShelfModule, JobsModule, UploadsModule],
  controllers: [PublishingController],
  providers: [
    SourcesService,
    PublishingService,
    PagesService,
    PdfSetsService,
    FormChoicesService,
    PreviewService,
    BundlesService,
  ],
})
export class PublishingModule {}

import { Module } from '@nestjs/common';
import { BooksModule } from '../books/books.module.js';
import { GroundModule } from '../ground/ground.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { UploadsModule } from '../platform/uploads.module.js';
import { BringInController } from './bring-in.controller.js';
import { BringInService } from './bring-in.service.js';

@Module({
  imports: [BooksModule, GroundModule, JobsModule, UploadsModule],
  controllers: [BringInController],
  providers: [BringInService],
})
export class BringInModule {}

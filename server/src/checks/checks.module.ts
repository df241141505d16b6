import { Module } from '@nestjs/common';
import { ReportsModule } from '../reports/reports.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { ChecksController } from './checks.controller.js';
import { ChecksService } from './checks.service.js';
import { TitlesController } from './titles.controller.js';

@Module({
  imports: [ReportsModule, JobsModule],
  controllers: [ChecksController, TitlesController],
  providers: [ChecksService],
})
export class ChecksModule {}

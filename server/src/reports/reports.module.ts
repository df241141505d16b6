import { Module } from '@nestjs/common';
import { BooksModule } from '../books/books.module.js';
import { ReportsController } from './reports.controller.js';
import { Reports } from './reports.service.js';
import { Revisions } from './revisions.js';

@Module({
  imports: [BooksModule],
  providers: [Reports, Revisions],
  controllers: [ReportsController],
  exports: [Reports, Revisions],
})
export class ReportsModule {}

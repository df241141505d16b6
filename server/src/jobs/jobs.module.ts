import { Module } from '@nestjs/common';
import { JobsController } from './jobs.controller.js';
import { Jobs } from './jobs.js';

@Module({ controllers: [JobsController], providers: [Jobs], exports: [Jobs] })
export class JobsModule {}

import { Module, type DynamicModule } from '@nestjs/common';
import { ReportsModule } from '../reports/reports.module.js';
import { JobsModule } from '../jobs/jobs.module.js';
import { ShelfModule } from '../shelf/shelf.module.js';
import { AskedController } from './asked.controller.js';
import { ChecksController } from './checks.controller.js';
import { HandOnController } from './hand-on.controller.js';
import { ChoicesController } from './choices.controller.js';
import { ChoicesService } from './choices.service.js';
import { ChecksService } from './checks.service.js';
import { Destinations } from './destinations.js';
import { HostRests } from './host-rests.js';
import { SchedulesService } from './schedules.service.js';
import { CheckSettingsService, TIME_GATE } from './settings.service.js';
import { ShelfFiles } from './shelf-files.js';
import { SurveyedService } from './surveyed.service.js';
import { SurveyController } from './survey.controller.js';
import { TitlesController } from './titles.controller.js';
import { VerdictsService } from './verdicts.service.js';

@Module({})
export class ChecksModule {
  /** @param timeGate where copies of pages are looked for until the author says it; empty for nowhere */
  static with(timeGate: string): DynamicModule {
    return {
      module: ChecksModule,
      imports: [ReportsModule, JobsModule, ShelfModule],
      controllers: [
        ChecksController,
        SurveyController,
        ChoicesController,
        HandOnController,
        TitlesController,
        AskedController,
      ],
      providers: [
        { provide: TIME_GATE, useValue: timeGate },
        // In the order in which they begin: settings and rests are known before a run goes on.
        CheckSettingsService,
        HostRests,
        Destinations,
        ShelfFiles,
        VerdictsService,
        ChoicesService,
        SurveyedService,
        ChecksService,
        SchedulesService,
      ],
    };
  }
}

import type { DataSourceOptions } from 'typeorm';
import { BookEntity } from './entities/book.entity.js';
import { ChapterEntity } from './entities/chapter.entity.js';
import { ChangeEntity } from './entities/change.entity.js';
import { ChapterStepsEntity } from './entities/chapter-steps.entity.js';
import { SnapshotEntity } from './entities/snapshot.entity.js';
import { CheckRowEntity } from './entities/check-row.entity.js';
import { CheckRunEntity } from './entities/check-run.entity.js';
import { CheckScheduleEntity } from './entities/check-schedule.entity.js';
import { CheckSettingsEntity } from './entities/check-settings.entity.js';
import { DestinationEntity } from './entities/destination.entity.js';
import { HostRestEntity } from './entities/host-rest.entity.js';
import { RuleChoiceEntity } from './entities/rule-choice.entity.js';
import { SetAsideEntity } from './entities/set-aside.entity.js';
import { EnclosureEntity } from './entities/enclosure.entity.js';
import { ExportEntity } from './entities/export.entity.js';
import { GroundPageEntity } from './entities/ground-page.entity.js';
import { FirstThread1790000000000 } from './migrations/1790000000000-first-thread.js';
import { Shelf1790200000000 } from './migrations/1790200000000-shelf.js';
import { Structure1790400000000 } from './migrations/1790400000000-structure.js';
import { Steps1790800000000 } from './migrations/1790800000000-steps.js';
import { PlaceIds1790900000000 } from './migrations/1790900000000-place-ids.js';
import { Choices1791100000000 } from './migrations/1791100000000-choices.js';
import { Publication1791200000000 } from './migrations/1791200000000-publication.js';
import { Manuscripts1791300000000 } from './migrations/1791300000000-manuscripts.js';
import { Survey1791000000000 } from './migrations/1791000000000-survey.js';
import { TableBodies1791400000000 } from './migrations/1791400000000-table-bodies.js';
import { VersionNames1791500000000 } from './migrations/1791500000000-version-names.js';
import { Ground1791600000000 } from './migrations/1791600000000-ground.js';
import { PdfSets1791700000000 } from './migrations/1791700000000-pdf-sets.js';
import { FormChoices1791800000000 } from './migrations/1791800000000-form-choices.js';
import { Tally1791900000000 } from './migrations/1791900000000-tally.js';
import { VerdictTable1790600000000 } from './migrations/1790600000000-verdict-table.js';

/** The connection to MariaDB. The tables are made by migrations only, which run at every start. */
export function dataSourceOptions(url: string): DataSourceOptions {
  return {
    type: 'mariadb',
    url,
    timezone: 'Z',
    charset: 'utf8mb4_unicode_ci',
    synchronize: false,
    migrationsRun: true,
    migrations: [
      FirstThread1790000000000,
      Shelf1790200000000,
      Structure1790400000000,
      VerdictTable1790600000000,
      Steps1790800000000,
      PlaceIds1790900000000,
      Survey1791000000000,
      Choices1791100000000,
      Publication1791200000000,
      Manuscripts1791300000000,
      TableBodies1791400000000,
      VersionNames1791500000000,
      Ground1791600000000,
      PdfSets1791700000000,
      FormChoices1791800000000,
      Tally1791900000000,
    ],
    entities: [
      BookEntity,
      ChapterEntity,
      ChangeEntity,
      ChapterStepsEntity,
      SnapshotEntity,
      EnclosureEntity,
      CheckRunEntity,
      CheckRowEntity,
      CheckScheduleEntity,
      CheckSettingsEntity,
      DestinationEntity,
      HostRestEntity,
      RuleChoiceEntity,
      SetAsideEntity,
      ExportEntity,
      GroundPageEntity,
    ],
    poolSize: 10,
  };
}

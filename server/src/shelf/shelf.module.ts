import { join } from 'node:path';
import { Module } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import type { AppSettings } from '../platform/settings.js';
import { UploadsModule } from '../platform/uploads.module.js';
import { EnclosureStore } from './enclosure-store.js';
import { ShelfController } from './shelf.controller.js';
import { ShelfService } from './shelf.service.js';

@Module({
  imports: [UploadsModule],
  controllers: [ShelfController],
  providers: [
    ShelfService,
    {
      provide: EnclosureStore,
      inject: [ConfigService],
      useFactory: (settings: ConfigService<AppSettings, true>) =>
        new EnclosureStore(join(settings.get('dataDirectory', { infer: true }), 'enclosures')),
    },
  ],
  exports: [ShelfService, EnclosureStore],
})
export class ShelfModule {}

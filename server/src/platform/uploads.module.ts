import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Module } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { MulterModule } from '@nestjs/platform-express';
import { LARGEST_UPLOAD } from './security.js';
import type { AppSettings } from './settings.js';

/** Files that are sent lie on the disk until they are taken or refused. */
@Module({
  imports: [
    MulterModule.registerAsync({
      inject: [ConfigService],
      useFactory: (settings: ConfigService<AppSettings, true>) => {
        const dest = join(settings.get('dataDirectory', { infer: true }), 'uploads');
        // What was under way when the server ended is nobody's any more.
        rmSync(dest, { recursive: true, force: true });
        mkdirSync(dest, { recursive: true });
        return { dest, limits: { fileSize: LARGEST_UPLOAD, files: 1 } };
      },
    }),
  ],
  exports: [MulterModule],
})
export class UploadsModule {}

import { Module } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { TypeOrmModule } from '@nestjs/typeorm';
import { DataSource } from 'typeorm';
import { dataSourceOptions } from './data-source.js';
import { withOneConnectionEach } from './transactions.js';

/** The connection. Migrations have run when it is there. */
@Module({
  imports: [
    TypeOrmModule.forRootAsync({
      inject: [ConfigService],
      useFactory: (settings: ConfigService<{ databaseUrl: string }, true>) => ({
        ...dataSourceOptions(settings.get('databaseUrl', { infer: true })),
        retryAttempts: 0,
      }),
      dataSourceFactory: async (options) =>
        withOneConnectionEach(await new DataSource(options!).initialize()),
    }),
  ],
})
export class DatabaseModule {}

import { Module } from '@nestjs/common';
import { BooksModule } from '../books/books.module.js';
import { ShelfModule } from '../shelf/shelf.module.js';
import { GroundController } from './ground.controller.js';
import { Grounds } from './grounds.service.js';

@Module({
  imports: [BooksModule, ShelfModule],
  controllers: [GroundController],
  providers: [Grounds],
  exports: [Grounds],
})
export class GroundModule {}

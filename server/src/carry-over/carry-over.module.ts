import { Module } from '@nestjs/common';
import { BooksModule } from '../books/books.module.js';
import { GroundModule } from '../ground/ground.module.js';
import { CarryOverController } from './carry-over.controller.js';
import { CarryOverService } from './carry-over.service.js';

@Module({
  imports: [BooksModule, GroundModule],
  controllers: [CarryOverController],
  providers: [CarryOverService],
})
export class CarryOverModule {}

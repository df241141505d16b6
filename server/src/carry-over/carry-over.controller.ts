import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { CarryItems, CarryOffer, RepairDone } from '@vennet/core/wire';
import { RepairDoneDto } from '../books/dto/repairs.dto.js';
import { CarryItemsDto, CarryOfferDto, CarryRequestDto } from './carry-over.dto.js';
import { CarryOverService } from './carry-over.service.js';

@ApiTags('books')
@Controller('api/books/:id/carry-over')
export class CarryOverController {
  constructor(private readonly carrying: CarryOverService) {}

  /** Books of which this one may be a newer version. */
  @Get('offers')
  @ApiOkResponse({ type: [CarryOfferDto] })
  offers(@Param('id', ParseUUIDPipe) id: string): Promise<CarryOffer[]> {
    return this.carrying.offers(id);
  }

  /** What would become here of everything that was made in another book. Nothing is changed. */
  @Get()
  @ApiOkResponse({ type: CarryItemsDto })
  plan(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('from', ParseUUIDPipe) from: string,
  ): Promise<CarryItems> {
    return this.carrying.plan(id, from);
  }

  /** Carries over what is taken, as one change. */
  @Post()
  @HttpCode(200)
  @ApiOkResponse({ type: RepairDoneDto })
  carry(@Param('id', ParseUUIDPipe) id: string, @Body() body: CarryRequestDto): Promise<RepairDone> {
    return this.carrying.carry(id, body);
  }
}

import { Controller, Get, Param, ParseUUIDPipe, Req, Res } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { ManuscriptDto, PlaceDto } from '../books/dto/books.dto.js';
import { DivisionLineDto } from '../books/dto/division.dto.js';
import { HandMadeNavigationDto } from '../books/dto/navigation.dto.js';
import { Reports } from './reports.service.js';

@ApiTags('books')
@Controller('api/books/:id')
export class ReportsController {
  constructor(private readonly reports: Reports) {}

  /** A book with all its text, as it is now. */
  @Get()
  @ApiOkResponse({ type: ManuscriptDto })
  manuscript(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'manuscript');
  }

  /** Every place of a book, in the order of the text. */
  @Get('places')
  @ApiOkResponse({ type: [PlaceDto] })
  places(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'places');
  }

  /** How the book is divided into chapters, and where else it could be. */
  @Get('division')
  @ApiOkResponse({ type: [DivisionLineDto] })
  division(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'division');
  }

  /** What of the navigation of a book was typed by hand, and what it can become. */
  @Get('hand-made-navigation')
  @ApiOkResponse({ type: [HandMadeNavigationDto] })
  navigation(
    @Param('id', ParseUUIDPipe) id: string,
    @Req() request: Request,
    @Res() response: Response,
  ): Promise<void> {
    return this.reports.send(request, response, id, 'navigation');
  }
}

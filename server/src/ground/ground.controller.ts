import { Controller, Get, Param, ParseIntPipe, ParseUUIDPipe, Query, Res } from '@nestjs/common';
import { ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import { headingsIn, type FoundHeading, type OughtToBeLink } from '@vennet/core/ground';
import type { PageHit } from '@vennet/core/wire';
import type { Response } from 'express';
import { sendStored } from '../platform/send-stored.js';
import { FILE_ANSWER } from '../platform/shapes.js';
import { FoundHeadingDto, OughtToBeLinkDto, PageHitDto, PageTextDto } from './ground.dto.js';
import { Grounds } from './grounds.service.js';

@ApiTags('pages')
@Controller('api/books/:id/ground')
export class GroundController {
  constructor(private readonly grounds: Grounds) {}

  /** The finished file as it was brought in; parts of it by `Range` (RFC 9110, 14). */
  @Get('file')
  @ApiOkResponse(FILE_ANSWER)
  async file(@Param('id', ParseUUIDPipe) id: string, @Res() response: Response): Promise<void> {
    const { path, name } = await this.grounds.file(id);
    response.set({ 'content-type': 'application/pdf', 'x-content-type-options': 'nosniff' });
    await sendStored(response, path, { name, again: 'Bring it in again.' });
  }

  /** The words and pictures of a page, with where they stand in shares of it. */
  @Get('pages/:number')
  @ApiOkResponse({ type: PageTextDto })
  async page(
    @Param('id', ParseUUIDPipe) id: string,
    @Param('number', ParseIntPipe) number: number,
    @Res() response: Response,
  ): Promise<void> {
    response.type('application/json').send(await this.grounds.page(id, number));
  }

  /** Words that ought to be links and are none, each with where it would lead and how sure that is. */
  @Get('ought-to-be-links')
  @ApiOkResponse({ type: [OughtToBeLinkDto] })
  ought(@Param('id', ParseUUIDPipe) id: string): Promise<OughtToBeLink[]> {
    return this.grounds.ought(id);
  }

  /** Lines in larger type than most of the text, from which an outline can be made. */
  @Get('headings')
  @ApiOkResponse({ type: [FoundHeadingDto] })
  async headings(@Param('id', ParseUUIDPipe) id: string): Promise<FoundHeading[]> {
    return headingsIn(await this.grounds.texts((await this.grounds.file(id)).sha256));
  }

  /** The lines in which words stand; the first 500. */
  @Get('search')
  @ApiQuery({ name: 'words', type: String })
  @ApiOkResponse({ type: [PageHitDto] })
  search(@Param('id', ParseUUIDPipe) id: string, @Query('words') words = ''): Promise<PageHit[]> {
    return this.grounds.search(id, words.slice(0, 200));
  }
}

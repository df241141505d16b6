import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Patch,
  Post,
  Query,
  Res,
  UploadedFile,
  UseInterceptors,
} from '@nestjs/common';
import { FileInterceptor } from '@nestjs/platform-express';
import {
  ApiBody,
  ApiConsumes,
  ApiCreatedResponse,
  ApiNoContentResponse,
  ApiOkResponse,
  ApiQuery,
  ApiTags,
} from '@nestjs/swagger';
import { couldRun } from '@vennet/core/cleaning';
import type { ShelfFile } from '@vennet/core/shelf';
import type { ShelfTaken } from '@vennet/core/wire';
import type { Response } from 'express';
import { FILE_BODY, withUpload } from '../platform/upload.js';
import { sendStored } from '../platform/send-stored.js';
import { EnclosureStore } from './enclosure-store.js';
import { FromAddressDto, ShelfChangesDto, ShelfFileDto, ShelfTakenDto } from './shelf.dto.js';
import { ShelfService } from './shelf.service.js';
import { FILE_ANSWER } from '../platform/shapes.js';

@ApiTags('enclosures')
@Controller('api')
export class ShelfController {
  constructor(
    private readonly shelf: ShelfService,
    private readonly store: EnclosureStore,
  ) {}

  @Get('books/:id/enclosures')
  @ApiQuery({ name: 'removed', enum: ['true'], required: false })
  @ApiOkResponse({ type: [ShelfFileDto] })
  async ofBook(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('removed') removed?: string,
  ): Promise<ShelfFile[]> {
    await this.shelf.bookMustBe(id);
    return this.shelf.ofBook(id, removed === 'true');
  }

  /** Takes a file onto the Shelf, sent as the multipart field `file`; with `as=picture` only if it can be shown. */
  @Post('books/:id/enclosures')
  @ApiConsumes('multipart/form-data')
  @ApiBody(FILE_BODY)
  @ApiQuery({ name: 'as', enum: ['file', 'picture'], required: false })
  @UseInterceptors(FileInterceptor('file'))
  @ApiCreatedResponse({ type: ShelfTakenDto })
  async take(
    @Param('id', ParseUUIDPipe) id: string,
    @Query('as') as?: string,
    @UploadedFile() file?: Express.Multer.File,
  ): Promise<ShelfTaken> {
    return withUpload(file, async (upload) => {
      await this.shelf.bookMustBe(id);
      return this.shelf.take(id, upload, as === 'picture');
    });
  }

  /** Takes a picture onto the Shelf that stands at an address of the web; it is asked for over the guarded way of every check. */
  @Post('books/:id/enclosures/from-address')
  @ApiCreatedResponse({ type: ShelfTakenDto })
  async takeFromAddress(
    @Param('id', ParseUUIDPipe) id: string,
    @Body() { address }: FromAddressDto,
  ): Promise<ShelfTaken> {
    await this.shelf.bookMustBe(id);
    return this.shelf.takeFromAddress(id, address);
  }

  @Patch('enclosures/:id')
  @ApiOkResponse({ type: ShelfFileDto })
  change(@Param('id') id: string, @Body() body: ShelfChangesDto): Promise<ShelfFile> {
    return this.shelf.change(id, body);
  }

  /** Puts a new version in the place of a file; everything that leads to it follows. */
  @Post('enclosures/:id/replace')
  @HttpCode(200)
  @ApiConsumes('multipart/form-data')
  @ApiBody(FILE_BODY)
  @UseInterceptors(FileInterceptor('file'))
  @ApiOkResponse({ type: ShelfTakenDto })
  async replace(@Param('id') id: string, @UploadedFile() file?: Express.Multer.File): Promise<ShelfTaken> {
    return withUpload(file, (upload) => this.shelf.replace(id, upload));
  }

  @Post('enclosures/:id/go-back')
  @HttpCode(200)
  @ApiOkResponse({ type: ShelfFileDto })
  goBack(@Param('id') id: string): Promise<ShelfFile> {
    return this.shelf.goBack(id);
  }

  @Delete('enclosures/:id')
  @HttpCode(204)
  @ApiNoContentResponse()
  remove(@Param('id') id: string): Promise<void> {
    return this.shelf.setDeleted(id, true);
  }

  /** Takes the removal of a file back. */
  @Post('enclosures/:id/put-back')
  @HttpCode(204)
  @ApiNoContentResponse()
  putBack(@Param('id') id: string): Promise<void> {
    return this.shelf.setDeleted(id, false);
  }

  /** The file itself. It may be anything, so nothing in it is allowed to run; what could run is only given to be kept. */
  @Get('enclosures/:id')
  @ApiOkResponse(FILE_ANSWER)
  async file(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const { type, sha256, name } = await this.shelf.row(id);
    const shown = type === 'image/svg+xml' || !couldRun(type);
    response.set({
      'content-type': type.startsWith('text/') ? `${type}; charset=utf-8` : type,
      'content-security-policy': "sandbox; default-src 'none'; style-src 'unsafe-inline'",
      'content-disposition': `${shown ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(name)}`,
      'x-content-type-options': 'nosniff',
      // A file can be replaced, so its bytes are asked for by their hash each time.
      'cache-control': 'private, no-cache',
      etag: `"${sha256}"`,
    });
    const again = 'Replace it on the Shelf: everything that leads to it stays.';
    await sendStored(response, this.store.pathOf(sha256), { name, again, lastModified: false });
  }
}

import { Controller, Get, Param, Res } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { InjectRepository } from '@nestjs/typeorm';
import type { Response } from 'express';
import { Repository } from 'typeorm';
import { notFound } from '../edge/problem.js';
import { EnclosureStore } from './enclosure-store.js';
import { EnclosureEntity } from './enclosure.entity.js';

@ApiTags('enclosures')
@Controller('api/enclosures')
export class EnclosuresController {
  constructor(
    @InjectRepository(EnclosureEntity) private readonly enclosures: Repository<EnclosureEntity>,
    private readonly store: EnclosureStore,
  ) {}

  /** The file itself. It may be anything, so nothing in it is allowed to run. */
  @Get(':id')
  async file(@Param('id') id: string, @Res() response: Response): Promise<void> {
    const enclosure = await this.enclosures.findOneBy({ id });
    if (!enclosure) throw notFound('file');
    response
      .set({
        'content-type': enclosure.type,
        'content-security-policy': "sandbox; default-src 'none'; style-src 'unsafe-inline'",
        'x-content-type-options': 'nosniff',
        'cache-control': 'private, max-age=31536000, immutable',
      })
      .sendFile(this.store.pathOf(enclosure.sha256), { dotfiles: 'allow' }, (error) => {
        if (error && !response.headersSent) response.status(404).end();
      });
  }
}

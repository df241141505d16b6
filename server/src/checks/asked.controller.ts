import { Body, Controller, HttpCode, Post, Res } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { parseWebAddress } from '@vennet/core/destination';
import type { AddressVerdict } from '@vennet/core/wire';
import type { Response } from 'express';
import { Prober } from '../probe/prober.js';
import { AddressVerdictDto, AskedAddressesDto } from './checks.dto.js';
import { CheckSettingsService } from './settings.service.js';
import { judged } from './told.js';

@ApiTags('checks')
@Controller('api/addresses-asked')
export class AskedController {
  constructor(
    private readonly prober: Prober,
    private readonly settings: CheckSettingsService,
  ) {}

  /** Asks for addresses that are in no book, as a check of a book does, and keeps nothing. Whoever goes away ends it. */
  @Post()
  @HttpCode(200)
  @ApiOkResponse({ type: [AddressVerdictDto] })
  async ask(
    @Body() { addresses }: AskedAddressesDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<AddressVerdict[]> {
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    const verdicts: AddressVerdict[] = [];
    // What is no address that a network knows is not asked for.
    const asked = addresses.filter((href) => href.startsWith('mailto:') || parseWebAddress(href) !== null);
    await this.prober.probeAll(
      [...new Set(asked)],
      (href, answer) => {
        const { told } = judged(href, answer, this.settings.patience);
        if (!told) return;
        const { verdict, reason, movedTo, title } = told;
        verdicts.push({ href, verdict, reason, movedTo, title });
      },
      gone.signal,
    );
    return verdicts;
  }
}

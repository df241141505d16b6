import { Controller, Get, Query } from '@nestjs/common';
import { ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import { titleIn } from '@vennet/core/page';
import { cleanTitle, recognise } from '@vennet/core/destination';
import type { PageTitle } from '@vennet/core/wire';
import { ProblemError } from '../platform/problem.js';
import { PageError } from '../probe/read-page.js';
import { failureOf } from '../probe/failure.js';
import { Prober } from '../probe/prober.js';
import { PageTitleDto } from './checks.dto.js';

@ApiTags('checks')
@Controller('api/titles')
export class TitlesController {
  constructor(private readonly prober: Prober) {}

  /** The title of a web page, as it is and as words for a link. It is read through the same guard as every check. */
  @Get()
  @ApiQuery({ name: 'href' })
  @ApiOkResponse({ type: PageTitleDto })
  async title(@Query('href') href: string): Promise<PageTitle> {
    const recognition = recognise(typeof href === 'string' ? href : '');
    if (!recognition.ok || recognition.destination.kind !== 'web')
      throw new ProblemError(422, 'Not a web address', 'Only web pages have a title that can be asked for.');
    try {
      const page = await this.prober.page(recognition.destination.href);
      const { title, site } = titleIn(page.html);
      const words = cleanTitle(title, page.href, site);
      if (words === '') throw new PageError('the page has no title');
      return { title, words };
    } catch (error) {
      const why = error instanceof PageError ? error.message : WHY[failureOf(error)];
      throw new ProblemError(
        422,
        'No title',
        `The page’s title could not be read: ${why ?? 'the site does not answer'}.`,
      );
    }
  }
}

const WHY: Partial<Record<ReturnType<typeof failureOf>, string>> = {
  'unknown-name': 'there is no site of that name',
  'private-address': 'the address is in a private network, where Vennet does not look',
  timeout: 'the site takes too long',
  certificate: 'the site’s certificate is not in order',
};

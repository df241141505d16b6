import { Controller, Get, Query } from '@nestjs/common';
import { ApiOkResponse, ApiQuery, ApiTags } from '@nestjs/swagger';
import { cleanTitle, pageAddress, recognise } from '@vennet/core/destination';
import { likened, type Failure } from '@vennet/core/reach';
import type { PageTitle } from '@vennet/core/wire';
import { ProblemError } from '../platform/problem.js';
import { Prober } from '../probe/prober.js';
import { Destinations } from './destinations.js';
import { PageTitleDto } from './checks.dto.js';

@ApiTags('checks')
@Controller('api/titles')
export class TitlesController {
  constructor(
    private readonly prober: Prober,
    private readonly destinations: Destinations,
  ) {}

  /** The title of a web page, as it is and as words for a link. It is read through the same guard as every check. */
  @Get()
  @ApiQuery({ name: 'href' })
  @ApiOkResponse({ type: PageTitleDto })
  async title(@Query('href') href: string): Promise<PageTitle> {
    const recognition = recognise(typeof href === 'string' ? href : '');
    const address = recognition.ok ? pageAddress(recognition.destination) : null;
    if (address === null)
      throw new ProblemError(422, 'Not a web address', 'Only web pages have a title that can be asked for.');
    const visited = await this.prober.page(address);
    if (visited.outcome === 'failure') throw noTitle(WHY[visited.failure] ?? 'the site does not answer');
    const { status, page, href: arrived } = visited;
    if (status < 200 || status > 299) throw noTitle(`the site answers ${status}`);
    if (page.kind !== 'html') throw noTitle('there is no web page but a file');
    const words = cleanTitle(page.title, arrived, page.site);
    if (words === '') throw noTitle('the page has no title');
    const now = new Date().toISOString();
    await this.destinations.remember(address, likened(page, arrived, status, now));
    return { title: page.title, words };
  }
}

const noTitle = (why: string) =>
  new ProblemError(422, 'No title', `The page’s title could not be read: ${why}.`);

const WHY: Partial<Record<Failure, string>> = {
  'redirect-loop': 'it redirects too often',
  'too-many-redirects': 'it redirects too often',
  'unknown-name': 'there is no site of that name',
  'private-address': 'the address is in a private network, where Vennet does not look',
  timeout: 'the site takes too long',
  certificate: 'the site’s certificate is not in order',
};

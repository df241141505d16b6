import { ApiProperty } from '@nestjs/swagger';
import type { Destination } from '@vennet/core/destination';
import {
  OUGHT_KINDS,
  SURENESS,
  type FoundHeading,
  type OughtKind,
  type OughtToBeLink,
  type PageText,
  type Sureness,
} from '@vennet/core/ground';
import type { PageHit } from '@vennet/core/wire';
import { DESTINATIONS } from '../books/dto/destination.dto.js';
import { Choice, OneOf, Whole, Words } from '../platform/shapes.js';

const BOX = {
  type: 'object' as const,
  properties: Object.fromEntries(['x', 'y', 'width', 'height'].map((side) => [side, { type: 'number' }])),
  required: ['x', 'y', 'width', 'height'],
};

/** What stands on a page, in shares of it. */
export class PageTextDto implements PageText {
  @ApiProperty({
    type: 'array',
    items: {
      type: 'array',
      items: {
        ...BOX,
        properties: { ...BOX.properties, text: { type: 'string' } },
        required: [...BOX.required, 'text'],
      },
    },
  })
  lines: PageText['lines'];

  @ApiProperty({ type: 'array', items: BOX })
  pictures: PageText['pictures'];
}

/** A line that stands out by its size. */
export class FoundHeadingDto implements FoundHeading {
  @Words()
  title: string;

  @Whole()
  level: number;

  @Whole()
  page: number;

  @ApiProperty({ type: Number, description: 'Where it stands, as a share of the page' })
  y: number;
}

/** Words of a page that lead nowhere yet. */
export class OughtToBeLinkDto implements OughtToBeLink {
  @Words({ description: 'The same each time that the same pages are read' })
  key: string;

  @Choice(OUGHT_KINDS)
  kind: OughtKind;

  @Whole()
  page: number;

  @Words()
  words: string;

  @ApiProperty({ type: 'array', items: BOX })
  lines: OughtToBeLink['lines'];

  @OneOf(DESTINATIONS)
  destination: Destination;

  @Choice(SURENESS)
  sureness: Sureness;

  @Words({ description: 'Why it is taken for a link' })
  why: string;
}

/** Words that were found on a page. */
export class PageHitDto implements PageHit {
  @Whole()
  page: number;

  @Whole({ description: 'The index of the line' })
  line: number;

  @Whole()
  from: number;

  @Whole()
  to: number;

  @Words({ description: 'The whole line' })
  text: string;
}

import { ApiProperty } from '@nestjs/swagger';
import type { Destination } from '@vennet/core/destination';
import {
  OUGHT_KINDS,
  SURENESS,
  type FoundHeading,
  type OughtKind,
  type OughtToBeLink,
  type PageText,
  type SpotToMake,
  type Sureness,
} from '@vennet/core/ground';
import type { PageHit } from '@vennet/core/wire';
import { DESTINATIONS } from '../books/dto/destination.dto.js';
import { Choice, Flag, OneOf, Whole, Words } from '../platform/shapes.js';

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
        properties: {
          ...BOX.properties,
          text: { type: 'string' },
          turned: {
            type: 'integer',
            enum: [90, 270],
            description: 'Its words run down the page as it is shown (90, in degrees clockwise), or up (270)',
          },
          edges: {
            type: 'array',
            items: { type: 'number' },
            description:
              'Where each sign begins, and where the last one ends, as shares of the length; left out where all are equally long',
          },
          unseen: {
            type: 'boolean',
            enum: [true],
            description: 'Nobody sees it: it is drawn without ink, or behind a picture',
          },
        },
        required: [...BOX.required, 'text'],
      },
    },
  })
  lines: PageText['lines'];

  @ApiProperty({
    type: 'array',
    items: {
      ...BOX,
      properties: {
        ...BOX.properties,
        look: {
          type: 'string',
          description:
            'By which the same picture is known in another file; left out where nothing can be told of it',
        },
      },
    },
  })
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

/** A spot that is to be made, since links lead to it. */
export class SpotToMakeDto implements SpotToMake {
  @Whole()
  page: number;

  @Words()
  name: string;

  @ApiProperty({ type: Number, description: 'As a share of the page' })
  x: number;

  @ApiProperty({ type: Number, description: 'As a share of the page' })
  y: number;
}

/** Something of a page that leads nowhere yet. */
export class OughtToBeLinkDto implements OughtToBeLink {
  @Words({ description: 'The same each time that the same pages are read' })
  key: string;

  @Choice(OUGHT_KINDS)
  kind: OughtKind;

  @Whole()
  page: number;

  @ApiProperty({
    type: [Number],
    description: 'Further pages on which the same stands at the same spot',
  })
  also: number[];

  @Words({ description: 'Empty where nothing is read' })
  words: string;

  @ApiProperty({ type: 'array', items: BOX })
  lines: OughtToBeLink['lines'];

  @Flag({ description: 'It is no words but a picture, which needs a name' })
  isPicture: boolean;

  @OneOf(DESTINATIONS, {
    nullable: true,
    description: 'null where a spot has to be made for it, or only the author knows',
  })
  destination: Destination | null;

  @ApiProperty({ type: SpotToMakeDto, nullable: true })
  spot: SpotToMake | null;

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

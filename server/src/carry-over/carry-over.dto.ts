import { FATES, type Carried, type Passage } from '@vennet/core/carry-over';
import type { Box } from '@vennet/core/manuscript';
import { CARRY_REASONS, type CarryItems, type CarryOffer, type CarryRequest } from '@vennet/core/wire';
import { IsUUID } from 'class-validator';
import { Choice, Moment, Quantity, Shape, ShapeList, Whole, WordList, Words } from '../platform/shapes.js';

/** A book of which another one may be a newer version. */
export class CarryOfferDto implements CarryOffer {
  @Words()
  id: string;

  @Words()
  title: string;

  @Words()
  author: string;

  @Moment()
  updatedAt: string;

  @Choice(CARRY_REASONS, { description: 'What agrees' })
  because: CarryOffer['because'];
}

/** A box in shares of its page. */
class BoxDto implements Box {
  @Quantity()
  x: number;

  @Quantity()
  y: number;

  @Quantity()
  width: number;

  @Quantity()
  height: number;
}

/** Where something stands on a page. */
class PassageOnDto implements NonNullable<Passage['on']> {
  @Whole({ description: 'From 1' })
  page: number;

  @Shape(BoxDto)
  box: Box;
}

export class PassageDto implements Passage {
  @Words()
  chapter: string;

  @Words()
  before: string;

  @Words()
  words: string;

  @Words()
  after: string;

  @Shape(PassageOnDto, { optional: true, description: 'In a book of pages: where it stands' })
  on?: Passage['on'];
}

/** One thing that was made in the older book, and what is to become of it. */
export class CarriedDto implements Carried {
  @Words()
  id: string;

  @Choice([
    'link',
    'bookmark',
    'note',
    'mark of a note',
    'reference',
    'return link',
    'picture link',
    'areas',
    'contents',
    'spot',
    'entry',
  ])
  kind: Carried['kind'];

  @Words({ description: 'Where it leads, or what it says' })
  about: string;

  @Choice(FATES)
  fate: Carried['fate'];

  @Words({ description: 'Why it is to be looked at, or has no spot; empty for any other' })
  why: string;

  @Shape(PassageDto)
  old: Passage;

  @Shape(PassageDto, { nullable: true })
  new: Passage | null;
}

export class CarryItemsDto implements CarryItems {
  @ShapeList(CarriedDto)
  items: Carried[];
}

export class CarryRequestDto implements CarryRequest {
  @Words({ description: 'The id of the older book' })
  @IsUUID()
  from: string;

  @WordList({
    most: 100_000,
    description: 'What is taken: the kind and the id of each thing, with a space between',
  })
  take: string[];
}

import { OPENS_FOR, TRAVELS, type OpensFor, type ShelfFile, type Travels } from '@vennet/core/shelf';
import type { FromAddress, ShelfChanges, ShelfTaken } from '@vennet/core/wire';
import { Choice, Shape, Whole, WordList, Words } from '../platform/shapes.js';

class PixelsDto {
  @Whole()
  width: number;

  @Whole()
  height: number;
}

export class ShelfFileDto implements ShelfFile {
  @Words()
  id: string;

  @Words()
  name: string;

  @Words({ description: 'Media type, told by the content' })
  type: string;

  @Words({ nullable: true, description: 'What its name says that it is, when its content is something else' })
  claims: string | null;

  @Whole({ description: 'In bytes' })
  size: number;

  @Words()
  sha256: string;

  @Shape(PixelsDto, {
    optional: true,
    nullable: true,
    description: 'The size of a picture, in its own pixels',
  })
  pixels?: PixelsDto | null;

  @Words()
  description: string;

  @Choice(OPENS_FOR)
  opensFor: OpensFor;

  @Choice(TRAVELS)
  travels: Travels;

  @Words({ nullable: true, description: 'Where readers get it, when it is at a public address' })
  address: string | null;

  @Whole({ optional: true, description: 'How many versions before this one can be gone back to' })
  earlier?: number;
}

export class ShelfTakenDto implements ShelfTaken {
  @Shape(ShelfFileDto)
  file: ShelfFileDto;

  @WordList({ description: 'What the author should know of the file' })
  notes: string[];
}

export class FromAddressDto implements FromAddress {
  @Words({ least: 1, most: 2000 })
  address: string;
}

/** What can be changed of a file on the Shelf. */
export class ShelfChangesDto implements ShelfChanges {
  @Words({ optional: true, least: 1, most: 200, message: 'Give the file a name of 1 to 200 characters.' })
  name?: string;

  @Words({ optional: true, most: 1000 })
  description?: string;

  @Choice(OPENS_FOR, {
    optional: true,
    message: 'A file opens for “everyone”, “reviewers” or “author”.',
  })
  opensFor?: OpensFor;

  @Choice(TRAVELS, { optional: true, message: 'A file travels “inside”, “beside” or “public”.' })
  travels?: Travels;

  @Words({ optional: true, most: 2000, description: 'A web address; empty takes it away' })
  address?: string;
}

import type { Destination } from '@vennet/core/destination';
import { Always, WordList, Words, type Union } from '../../platform/shapes.js';

type Of<Kind extends Destination['kind']> = Extract<Destination, { kind: Kind }>;

class WebDestinationDto implements Of<'web'> {
  @Always('web')
  kind: 'web';

  @Words({
    description: 'A serialised URL of http or https, or an address of tel (RFC 3966) or geo (RFC 5870)',
  })
  href: string;
}

class MailDestinationDto implements Of<'mail'> {
  @Always('mail')
  kind: 'mail';

  @WordList()
  to: string[];

  @WordList()
  cc: string[];

  @WordList()
  bcc: string[];

  @Words()
  subject: string;

  @Words()
  body: string;
}

class FileDestinationDto implements Of<'file'> {
  @Always('file')
  kind: 'file';

  @Words({ description: 'The id of a file on the Shelf' })
  enclosure: string;

  @Words({ optional: true })
  fragment?: string;
}

class PlaceDestinationDto implements Of<'place'> {
  @Always('place')
  kind: 'place';

  @Words({ description: 'The id of a place in the book' })
  place: string;
}

class BookDestinationDto implements Of<'book'> {
  @Always('book')
  kind: 'book';

  @Words({ description: 'The id of another book' })
  book: string;

  @Words({ optional: true, description: 'The id of a place in it' })
  place?: string;
}

/** Where a link leads. What the words of one may be is judged by `faultInDestination` of core. */
export const DESTINATIONS = {
  tells: 'kind',
  shapes: {
    web: WebDestinationDto,
    mail: MailDestinationDto,
    file: FileDestinationDto,
    place: PlaceDestinationDto,
    book: BookDestinationDto,
  } satisfies Record<Destination['kind'], unknown>,
} satisfies Union;

import type { Destination } from '@vennet/core/destination';
import {
  REFERENCE_FORMS,
  RETURN_LINKS,
  type LinkAbout,
  type ReferenceForm,
  type ReturnLinkTo,
} from '@vennet/core/manuscript';
import type { InsideRepair, Repair } from '@vennet/core/repair';
import {
  Always,
  Choice,
  Flag,
  OneOf,
  Quantity,
  Shape,
  Whole,
  Words,
  type Union,
} from '../../platform/shapes.js';
import { DESTINATIONS } from './destination.dto.js';
import { LinkLookDto } from './look.dto.js';

type Of<Type extends Repair['type']> = Extract<Repair, { type: Type }>;
type OfInside<Type extends InsideRepair['type']> = Extract<InsideRepair, { type: Type }>;

class DestinationRepairDto implements Of<'destination'> {
  @Always('destination')
  type: 'destination';

  @OneOf(DESTINATIONS)
  destination: Destination;
}

class TextRepairDto implements Of<'text'> {
  @Always('text')
  type: 'text';

  @Words()
  text: string;
}

class HoverNoteRepairDto implements Of<'hover-note'> {
  @Always('hover-note')
  type: 'hover-note';

  @Words()
  hoverNote: string;
}

class LookRepairDto implements Of<'look'> {
  @Always('look')
  type: 'look';

  @Shape(LinkLookDto, { nullable: true, description: '`null`: as the book’s links look' })
  look: LinkLookDto | null;
}

class TrimRepairDto implements Of<'trim'> {
  @Always('trim')
  type: 'trim';
}

class UnlinkRepairDto implements Of<'unlink'> {
  @Always('unlink')
  type: 'unlink';
}

class BesideRepairDto implements Of<'beside'> {
  @Always('beside')
  type: 'beside';

  @OneOf(DESTINATIONS)
  destination: Destination;

  @Words({ least: 1, most: 500 })
  words: string;

  @Words({ least: 1, most: 40, pattern: /^[\w-]+$/, description: 'What the ids of the new links begin with' })
  id: string;
}

class LinkAboutDto implements LinkAbout {
  @Words({ most: 4000, description: 'What is heard instead of the words; empty: the words' })
  name: string;

  @Words({ most: 35, description: 'The language of what it leads to (BCP 47), or empty' })
  language: string;

  @Flag({ description: 'On a web page it opens a new window' })
  newWindow: boolean;

  @Words({
    optional: true,
    most: 2000,
    description: 'The address that it came with and that can’t be published',
  })
  was?: string;
}

class AboutRepairDto implements Of<'about'> {
  @Always('about')
  type: 'about';

  @Shape(LinkAboutDto, { nullable: true })
  about: LinkAboutDto | null;
}

class JoinRepairDto implements Of<'join'> {
  @Always('join')
  type: 'join';

  @Words({ description: 'The link that follows this one in its line' })
  link: string;
}

class ReferenceRepairDto implements Of<'reference'> {
  @Always('reference')
  type: 'reference';

  @Choice(REFERENCE_FORMS)
  form: ReferenceForm;
}

class AreaBoxRepairDto implements Of<'area-box'> {
  @Always('area-box')
  type: 'area-box';

  @Quantity({ description: 'Shares of the picture, 0 to 1' })
  x: number;

  @Quantity()
  y: number;

  @Quantity()
  width: number;

  @Quantity()
  height: number;
}

class MakeNoteRepairDto implements Of<'make-note'> {
  @Always('make-note')
  type: 'make-note';
}

/** A change to links, as `core/repair` applies it. */
export const REPAIRS = {
  tells: 'type',
  shapes: {
    destination: DestinationRepairDto,
    text: TextRepairDto,
    'hover-note': HoverNoteRepairDto,
    look: LookRepairDto,
    trim: TrimRepairDto,
    unlink: UnlinkRepairDto,
    beside: BesideRepairDto,
    about: AboutRepairDto,
    join: JoinRepairDto,
    reference: ReferenceRepairDto,
    'area-box': AreaBoxRepairDto,
    'make-note': MakeNoteRepairDto,
  } satisfies Record<Repair['type'], unknown>,
} satisfies Union;

class RemoveBookmarkDto implements OfInside<'remove-bookmark'> {
  @Always('remove-bookmark')
  type: 'remove-bookmark';
}

class RenameBookmarkDto implements OfInside<'rename-bookmark'> {
  @Always('rename-bookmark')
  type: 'rename-bookmark';

  @Words()
  name: string;
}

class NewIdDto implements OfInside<'new-id'> {
  @Always('new-id')
  type: 'new-id';
}

class RemoveNoteDto implements OfInside<'remove-note'> {
  @Always('remove-note')
  type: 'remove-note';
}

class RemoveNodeDto implements OfInside<'remove-node'> {
  @Always('remove-node')
  type: 'remove-node';
}

class DepthDto implements OfInside<'depth'> {
  @Always('depth')
  type: 'depth';

  @Whole({ least: 1, most: 6 })
  depth: number;
}

class WholeBookDto implements OfInside<'whole-book'> {
  @Always('whole-book')
  type: 'whole-book';
}

class ReturnToDto implements OfInside<'return-to'> {
  @Always('return-to')
  type: 'return-to';

  @Choice(RETURN_LINKS)
  to: ReturnLinkTo;
}

class RemoveBlockDto implements OfInside<'remove-block'> {
  @Always('remove-block')
  type: 'remove-block';

  @Words({ description: 'The words of the block, as they were when the repair was offered' })
  words: string;
}

/** A change to a place, a note, a list of contents or a return link, as `core/repair` applies it. */
export const INSIDE_REPAIRS = {
  tells: 'type',
  shapes: {
    'remove-bookmark': RemoveBookmarkDto,
    'rename-bookmark': RenameBookmarkDto,
    'new-id': NewIdDto,
    'remove-note': RemoveNoteDto,
    'remove-node': RemoveNodeDto,
    depth: DepthDto,
    'whole-book': WholeBookDto,
    'return-to': ReturnToDto,
    'remove-block': RemoveBlockDto,
  } satisfies Record<InsideRepair['type'], unknown>,
} satisfies Union;

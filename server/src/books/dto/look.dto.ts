import {
  NOTE_COUNTS,
  NOTE_STANDS,
  NUMBERINGS,
  READERS,
  RETURNS,
  UNDERLINES,
  WEIGHTS,
  type LinkColours,
  type LinkLook,
  type NoteStand,
  type Numbering,
  type ReturnTo,
  type Readers,
  type Structure,
} from '@vennet/core/manuscript';
import { Choice, Shape, Whole, WordList, Words } from '../../platform/shapes.js';

const COLOUR = { pattern: /^#[0-9a-fA-F]{6}$/, message: 'Colours are written as #rrggbb.' };

class LinkColoursDto implements LinkColours {
  @Words(COLOUR)
  light: string;

  @Words(COLOUR)
  dark: string;
}

export class LinkLookDto extends LinkColoursDto implements LinkLook {
  @Choice(UNDERLINES)
  underline: LinkLook['underline'];

  @Choice(WEIGHTS)
  weight: LinkLook['weight'];

  @Shape(LinkColoursDto, { optional: true, description: 'Of links that a reader has followed' })
  visited?: LinkColoursDto;
}

class NotesDto {
  @Choice(NOTE_COUNTS)
  count: Structure['notes']['count'];

  @Choice(NOTE_STANDS)
  stand: NoteStand;

  @Words({ most: 100, description: 'Words for the way back from a note; empty: those of the language' })
  back: string;
}

class ReturnsDto {
  @Whole({ least: 0, most: 6, description: 'After each section down to this level of headings' })
  after: number;

  @WordList({ among: RETURNS })
  to: ReturnTo[];
}

/** How a book counts, shows notes and leads back. */
export class StructureDto implements Structure {
  @Choice(NUMBERINGS)
  numbering: Numbering;

  @Shape(NotesDto)
  notes: NotesDto;

  @Shape(ReturnsDto)
  returns: ReturnsDto;

  @Whole({ least: 1, most: 6, description: 'Headings down to this level are offered as places' })
  offered: number;

  @Whole({
    optional: true,
    least: 1,
    most: 6,
    description: 'Headings down to this level stand in the contents',
  })
  listed?: number;

  @Choice(READERS, { optional: true, description: 'Whom the book is for; everyone without' })
  readers?: Readers;
}

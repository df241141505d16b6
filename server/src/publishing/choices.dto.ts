import {
  ADDRESSES,
  BEGINNINGS,
  EDGES,
  FACES,
  FRONTS,
  HEADS,
  INKS,
  NUMBERS,
  PAGES,
  PDF_BOUNDS,
  type PdfChoices,
  type PdfSet,
} from '@vennet/core/publish';
import { WRITES, type ExportChoices, type PagePreview, type PdfSets } from '@vennet/core/wire';
import { Choice, Flag, Quantity, Shape, ShapeList, Words } from '../platform/shapes.js';

interface More {
  optional?: boolean;
}

const within = (name: keyof typeof PDF_BOUNDS, more: More & { description?: string }) => {
  const [least, most] = PDF_BOUNDS[name];
  return Quantity({ ...more, least, most });
};

/** Every choice of a PDF, each of which may be left out where `more` says so. */
function pdfChoices(more: More): new () => PdfChoices {
  class PdfChoicesShape implements PdfChoices {
    @Choice(PAGES, more)
    page: PdfChoices['page'];

    @within('width', { ...more, description: 'Of a page of one’s own, in mm' })
    width: number;

    @within('height', { ...more, description: 'Of a page of one’s own, in mm' })
    height: number;

    @within('inner', { ...more, description: 'The margin at the spine, in mm' })
    inner: number;

    @within('outer', { ...more, description: 'In mm' })
    outer: number;

    @within('top', { ...more, description: 'In mm' })
    top: number;

    @within('bottom', { ...more, description: 'In mm' })
    bottom: number;

    @Choice(FACES, more)
    face: PdfChoices['face'];

    @within('size', { ...more, description: 'Of the type, in points' })
    size: number;

    @within('lineHeight', { ...more, description: 'In sizes of the type' })
    lineHeight: number;

    @Choice(EDGES, more)
    edge: PdfChoices['edge'];

    @Flag(more)
    hyphens: boolean;

    @Choice(HEADS, { ...more, description: 'What stands above each page' })
    head: PdfChoices['head'];

    @Flag({ ...more, description: 'A way back to the contents stands at the foot of each page' })
    back: boolean;

    @Choice(NUMBERS, { ...more, description: 'Where the numbers of pages stand' })
    numbers: PdfChoices['numbers'];

    @Choice(FRONTS, { ...more, description: 'How pages before the text are counted' })
    front: PdfChoices['front'];

    @Choice(BEGINNINGS, { ...more, description: 'On which pages chapters begin' })
    chapters: PdfChoices['chapters'];

    @Choice(INKS, more)
    ink: PdfChoices['ink'];

    @Choice(ADDRESSES, { ...more, description: 'Where addresses are printed' })
    addresses: PdfChoices['addresses'];
  }
  return PdfChoicesShape;
}

export class PdfChoicesDto extends pdfChoices({}) {}

export class ExportChoicesDto
  extends (pdfChoices({ optional: true }) as new () => Partial<PdfChoices>)
  implements ExportChoices
{
  @Choice(WRITES, {
    optional: true,
    description: 'Of a book of pages: behind its old bytes, which stay as they are, or all of it anew',
  })
  write?: ExportChoices['write'];

  @Words({ optional: true, most: 80, description: 'A set of the book’s, by its id or its name' })
  set?: string;
}

class PdfSetDto implements PdfSet {
  @Words({ least: 1, most: 40 })
  id: string;

  @Words({ least: 1, most: 80, message: 'A set needs a name of 1 to 80 signs.' })
  name: string;

  @Shape(PdfChoicesDto)
  choices: PdfChoicesDto;
}

export class PdfSetsDto implements PdfSets {
  @Words({ description: 'The id of the set that holds where nothing else is said' })
  own: string;

  @ShapeList(PdfSetDto)
  sets: PdfSetDto[];
}

export class PagePreviewDto implements PagePreview {
  @Shape(PdfChoicesDto)
  choices: PdfChoicesDto;

  @Words({ optional: true, description: 'The id of the chapter; without one the first' })
  chapter?: string;
}

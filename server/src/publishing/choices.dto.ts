import { IntersectionType, OmitType } from '@nestjs/swagger';
import {
  ADDRESSES,
  BEGINNINGS,
  EDGES,
  FACES,
  FLOW_FACES,
  FRONTS,
  HEADS,
  INKS,
  NUMBERS,
  PAGES,
  PARAGRAPHS,
  PDF_BOUNDS,
  SPLITS,
  WINDOWS,
  type FlowChoices,
  type FormChoices,
  type PdfChoices,
  type PdfSet,
} from '@vennet/core/publish';
import {
  FLOWING,
  WRITES,
  type ExportChoices,
  type FlowPreview,
  type PagePreview,
  type PdfSets,
} from '@vennet/core/wire';
import { Choice, Flag, Quantity, Shape, ShapeList, WordList, Words } from '../platform/shapes.js';

interface More {
  optional?: boolean;
}

const within = (name: keyof typeof PDF_BOUNDS, more: More & { description?: string }) => {
  const [least, most] = PDF_BOUNDS[name];
  return Quantity({ ...more, least, most });
};

const SOURCES = 'A list of the pages of the web that the book leads to stands at its end';
const COMPANIONS = 'Other books without an address lie beside it, and links lead to them there';

/** Every choice of a form without pages, each of which may be left out where `more` says so. */
function flowChoices(more: More): new () => FlowChoices {
  class FlowChoicesShape implements FlowChoices {
    @Choice(FLOW_FACES, { ...more, description: 'Of the text; a PDF has no face of its reader’s' })
    face: FlowChoices['face'];

    @Choice(EDGES, more)
    edge: FlowChoices['edge'];

    @Choice(PARAGRAPHS, more)
    paragraphs: FlowChoices['paragraphs'];

    @Flag(more)
    hyphens: boolean;

    @Flag({ ...more, description: SOURCES })
    sources: boolean;

    @Words({
      ...more,
      most: 40,
      description: 'Of an e-book: the set of a PDF whose pages it lists, by its id',
    })
    pageSet: string;

    @Choice(SPLITS, { ...more, description: 'Of a web page: all on one, or each chapter on its own' })
    split: FlowChoices['split'];

    @Choice(WINDOWS, { ...more, description: 'Of a web page: how a link that opens a window is told' })
    windows: FlowChoices['windows'];

    @Flag({ ...more, description: COMPANIONS })
    companions: boolean;
  }
  return FlowChoicesShape;
}

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

    @Flag({ ...more, description: 'The first or the last line of a paragraph may stand alone on a page' })
    widows: boolean;

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

    @WordList({
      ...more,
      description:
        'The links that get a code: by their ids, or all of one look by what it is called; empty for every link',
    })
    codesFor: string[];

    @Flag({ ...more, description: SOURCES })
    sources: boolean;

    @Flag({ ...more, description: COMPANIONS })
    companions: boolean;
  }
  return PdfChoicesShape;
}

export class PdfChoicesDto extends pdfChoices({}) {}

export class FlowChoicesDto extends flowChoices({}) {}

export class FormChoicesDto implements FormChoices {
  @Shape(FlowChoicesDto)
  epub: FlowChoicesDto;

  @Shape(FlowChoicesDto)
  web: FlowChoicesDto;

  @Shape(FlowChoicesDto)
  docx: FlowChoicesDto;

  @Shape(FlowChoicesDto)
  odt: FlowChoicesDto;

  @Shape(FlowChoicesDto)
  markdown: FlowChoicesDto;
}

/** The choices of every form; which of them a form has is judged where a file is made. */
class AnyChoices extends (IntersectionType(
  OmitType(pdfChoices({ optional: true }), ['face']),
  flowChoices({ optional: true }),
) as new () => Partial<Omit<PdfChoices, 'face'> & FlowChoices>) {}

export class ExportChoicesDto extends AnyChoices implements ExportChoices {
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

export class FlowPreviewDto implements FlowPreview {
  @Choice(FLOWING)
  format: FlowPreview['format'];

  @Shape(FlowChoicesDto)
  choices: FlowChoicesDto;

  @Words({ optional: true, description: 'The id of the chapter; without one the first' })
  chapter?: string;
}

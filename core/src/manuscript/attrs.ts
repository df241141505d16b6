import type { Attrs, Node } from 'prosemirror-model';
import type { Destination } from '../destination/index.js';
import type { LinkAbout } from './about.js';
import type { LinkArea } from './area.js';
import type { ReferenceForm, ReturnLinkTo } from './inside-nodes.js';
import type { LinkLook } from './look.js';
import type { EntryAttrs, GroundPageAttrs } from './page.js';

/** A link carried by a whole figure; on words the same three stand in the link mark. */
export interface FigureLink {
  id: string;
  destination: Destination;
  hoverNote: string;
  /** What is said of it beside its words. */
  about?: LinkAbout | null;
}

/** What any block of the text has. */
export interface BlockAttrs {
  id: string | null;
}

/** Of a heading, a paragraph or a figure: it begins a new page, where there are pages. */
export interface PageAttrs {
  newPage: boolean;
}

export interface ParagraphAttrs extends BlockAttrs, PageAttrs {}

/** Room to write in, of a height in mm. */
export interface RoomAttrs extends BlockAttrs {
  height: number;
  ruled: boolean;
}

export interface HeadingAttrs extends BlockAttrs, PageAttrs {
  level: number;
  /** Left out when the headings of the book are counted. */
  uncounted: boolean;
}

export interface OrderedListAttrs extends BlockAttrs {
  start: number;
}

export interface CellAttrs extends BlockAttrs {
  colspan: number;
  rowspan: number;
}

export interface PictureAttrs extends BlockAttrs {
  enclosure: string;
  alt: string;
  decorative: boolean;
}

/** A formula in MathML, and its signs in reading order. */
export interface FormulaAttrs {
  mathml: string;
  words: string;
}

export interface FigureAttrs extends PictureAttrs, PageAttrs {
  link: FigureLink | null;
  areas: readonly LinkArea[];
  /** Share of the width of the text, in percent; `null`: as wide as the picture is, where it fits. */
  width: number | null;
}

/** What leads inside the book by itself, or is led to: it has an id in any case. */
export interface InsideAttrs {
  id: string;
}

export interface NoteAttrs extends InsideAttrs {
  back: string;
}

export interface NoteMarkAttrs extends InsideAttrs {
  to: string;
  back: string;
}

export interface ReferenceAttrs extends InsideAttrs {
  place: string;
  form: ReferenceForm;
  own: string;
  hoverNote: string;
}

export interface ReturnLinkAttrs extends InsideAttrs {
  to: ReturnLinkTo;
  place: string | null;
  own: string;
}

export interface ContentsAttrs extends InsideAttrs {
  scope: 'book' | 'section';
  section: string | null;
  depth: number;
  back: boolean;
  backWords: string;
  /** Where its lines depart from the look of the book's links. */
  look: LinkLook | null;
}

export interface LinkAttrs extends InsideAttrs {
  destination: Destination;
  hoverNote: string;
  look: LinkLook | null;
  about: LinkAbout | null;
}

/** The language of a passage (BCP 47). */
export interface LanguageAttrs {
  tag: string;
}

export interface BookmarkAttrs extends InsideAttrs {
  name: string;
}

/** Whatever has attributes: a node or a mark. */
interface Bearer {
  readonly attrs: Attrs;
}

const typed =
  <Attributes>() =>
  ({ attrs }: Bearer): Attributes =>
    attrs as Attributes;

/**
 * The attributes of a node or a mark as the schema has them, by its type. The caller knows the type; this is the one place
 * where attributes are taken for it.
 */
export const attrsOf = {
  heading: typed<HeadingAttrs>(),
  paragraph: typed<ParagraphAttrs>(),
  room: typed<RoomAttrs>(),
  orderedList: typed<OrderedListAttrs>(),
  cell: typed<CellAttrs>(),
  picture: typed<PictureAttrs>(),
  figure: typed<FigureAttrs>(),
  page: typed<GroundPageAttrs>(),
  entry: typed<EntryAttrs>(),
  formula: typed<FormulaAttrs>(),
  note: typed<NoteAttrs>(),
  noteMark: typed<NoteMarkAttrs>(),
  reference: typed<ReferenceAttrs>(),
  returnLink: typed<ReturnLinkAttrs>(),
  contents: typed<ContentsAttrs>(),
  /** Of any node that leads inside the book by itself. */
  inside: typed<InsideAttrs>(),
  link: typed<LinkAttrs>(),
  bookmark: typed<BookmarkAttrs>(),
  language: typed<LanguageAttrs>(),
};

/** The words below a picture: its caption, and its credit. */
export function figureParts(figure: Node): { caption: Node | null; credit: Node | null } {
  const part = (name: string) => figure.children.find(({ type }) => type.name === name) ?? null;
  return { caption: part('caption'), credit: part('credit') };
}

/** True for a kind of block that can begin a new page: a heading, a paragraph, a figure. */
export const canBeginPage = ({ type }: Node): boolean => 'newPage' in (type.spec.attrs ?? {});

/** True for a block that begins a new page. */
export const beginsPage = ({ attrs }: Bearer): boolean => attrs.newPage === true;

/** The id of a node or a mark, if it has one. */
export function idOf({ attrs }: Bearer): string | null {
  const id: unknown = attrs.id;
  return typeof id === 'string' && id !== '' ? id : null;
}

/** Whether a node shows a file as a picture: a figure, or a picture within a line. */
export const isPicture = ({ type }: Node): boolean => type.name === 'figure' || type.name === 'picture';

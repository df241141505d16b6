export {
  ADDRESSES,
  BEGINNINGS,
  DEFAULT_PDF,
  EDGES,
  FACES,
  faultInPdfChoices,
  FRONTS,
  HEADS,
  INKS,
  NUMBERS,
  PAGES,
  pageSize,
  PAGE_SIZES,
  PDF_BOUNDS,
} from './choices.js';
export type { PdfChoices, PdfSet } from './choices.js';
export {
  DEFAULT_FORMS,
  FLOW_FACES,
  FLOW_FORMATS,
  FLOW_USES,
  PARAGRAPHS,
  SPLITS,
  WINDOWS,
} from './flow-choices.js';
export type { FlowChoices, FlowFormat, FormChoices } from './flow-choices.js';
export { blocksOverPages, breaksIn, withBreaks, withMarks } from './edition/page-breaks.js';
export type { MarkOnPage, PageBreak } from './edition/page-breaks.js';
export type { SeenPage } from './edition/sources.js';
export {
  editionOf,
  entryId,
  filesBeside,
  filesInside,
  holdsAll,
  isFont,
  isSite,
  madeFileName,
  PICTURE_EXTENSIONS,
  toldIn,
  withPages,
} from './edition/edition.js';
export type { Edition, EditionChoices, EnclosureFile } from './edition/edition.js';
export { makeDocx } from './docx/docx.js';
export { coverDrawing } from './epub/cover.js';
export { makeEpub } from './epub/epub.js';
export type { EpubOptions } from './epub/epub.js';
export { computedLinks, expectedLinks, hrefIn } from './edition/expected.js';
export { bytesOf, companionsOf, targetIn, targetOnPages } from './edition/edition.js';
export type { ExpectedLink } from './edition/expected.js';
export type { Between } from './edition/landing.js';
export { lossesIn } from './edition/loss.js';
export type { Loss } from './edition/loss.js';
export { makeMarkdown, type MadeMarkdown } from './markdown/markdown.js';
export { makeOdt } from './odt/odt.js';
export { withPlainBlocks, type SetPlainly } from './pdf/plainly.js';
export { whereShapeless, type ShapelessSign } from './pdf/shapeless.js';
export { ownAddress, type OwnAddress } from './pdf/own-address.js';
export { saidOf } from './pdf/said-of.js';
export { qrDrawing } from './pdf/qr.js';
export type { PrintedAddress } from './pdf/printed.js';
export { typesetBook } from './pdf/typeset-book.js';
export type { TypesetBook, TypesetChapter } from './pdf/typeset-book.js';
export type { TypesetNode } from './pdf/typeset-node.js';
export { lookName } from './markup/looks.js';
export { escapeXml } from './markup/xml.js';
export { FONT_SOURCES, packagesFor, scriptFonts, scriptOf } from './pdf/scripts.js';
export type { BookFonts, ScriptFont, ScriptFonts } from './pdf/scripts.js';
export { greyDrawing } from './pdf/grey-drawing.js';
export { makeWebSite } from './web/site.js';
export { makeWebPage } from './web/web.js';
export { withBook } from './edition/with-book.js';
export type { WithBook, WithBookEntry } from './edition/with-book.js';

export { aboutOrNothing, NOTHING_ABOUT } from './about.js';
export type { LinkAbout } from './about.js';
export {
  boxAround,
  boxBetween,
  holdsMiddle,
  overlapOf,
  saidOfArea,
  sharedBy,
  SMALLEST_ON_PAGE,
  SMALLEST_SIDE,
  withinPicture,
} from './area.js';
export type { Box, LinkArea } from './area.js';
export { AreaStep, setAreas, setSpots } from './area-step.js';
export { attrsOf, beginsPage, canBeginPage, figureParts, idOf, isPicture } from './attrs.js';
export type { ContentsAttrs, FigureAttrs, FigureLink, LinkAttrs, ReferenceAttrs } from './attrs.js';
export {
  countWords,
  wordsBetween,
  emptyChapter,
  FORMATS,
  isManuscript,
  MATTERS,
  readBook,
  readChapter,
  saidOfPicture,
  titleOf,
  wordsOf,
  wordsOfLeaf,
} from './book.js';
export type { Book, BookDetails, Chapter, Format, Matter, ReadBook, ReadChapter, Saying } from './book.js';
export { entriesOf, hasAreas, isOfPages, keepsPages, pageName, pagesOf, placesOnPages } from './page.js';
export type { EntryAttrs, EntryInText, Ground, GroundPageAttrs, PagePlace, PageSpot } from './page.js';
export { mapOf } from './book-map.js';
export type { BookMap } from './book-map.js';
export type { ContentsLine, ContentsList } from './contents.js';
export { BOUNDS, CONTAINERS, faultInBounds } from './bounds.js';
export { contentWithinBounds, docWithinBounds, FITTED } from './within-bounds.js';
export type { Fitted, TellFitted } from './within-bounds.js';
export { faultInChapter } from './fault.js';
export type { Fault } from './bounds.js';
export { groupedBy } from './grouped.js';
export { ID_BYTES, idFrom, idFromWords, isId } from './id.js';
export {
  idsHeldBy,
  idsIn,
  linkHeldBy,
  linkMark,
  linksOnFigure,
  noteMarkOf,
  placesLedToBy,
  renamed,
  renameId,
  withFigureIds,
  withSpotIds,
} from './holders.js';
export type { Rename } from './holders.js';
export { contentOf, linksByChapter, linksOf, linksOfChapter, linksOfFigure } from './link.js';
export type { Carrier, ChapterLinks, Link } from './link.js';
export {
  DEFAULT_FRAME,
  DEFAULT_LOOK,
  DEFAULT_VISITED,
  lookStyle,
  faultInLook,
  FRAME_LINES,
  isColour,
  PAGE_LINES,
  THICKEST_FRAME,
  underlineOf,
  UNDERLINES,
  WEIGHTS,
} from './look.js';
export type { AreaFrame, LinkColours, LinkLook } from './look.js';
export { roman } from './numbering.js';
export { flatText, OBJECT } from './flat-text.js';
export { LEADING_NODES, markIdOf, REFERENCE_FORMS, RETURN_LINKS } from './inside-nodes.js';
export type { ReferenceForm, ReturnLinkTo } from './inside-nodes.js';
export { originsOf, returnsOf, sectionFinder } from './returns.js';
export type { Return } from './returns.js';
export type { Note, NoteMark, Notes } from './note.js';
export { chapterIndexOf, CONTENTS, orderOf, placesOf, positionOf, TOP } from './place.js';
export type { Place } from './place.js';
export { composedOf, formsFor, OWN_PARTS, readsPage, referenceWords, sayingOf } from './reference.js';
export type { ReferenceAsk, ReferenceSurroundings } from './reference.js';
export { itemNumber, PLACE_KINDS, placeIds, spotsOf } from './spots.js';
export type { ChapterSpots, InsideNode, PlaceKind, Spot } from './spots.js';
export { openLevels } from './open-levels.js';
export { sectionsOf } from './section.js';
export type { Section } from './section.js';
export { sharedWith } from './shared.js';
export { SMALL_CAPITALS } from './marks.js';
export { ROOM, roomHeight, SCHEMA_VERSION, schema, spans } from './schema.js';
export { rowsOf, tableCaption, tableOf, upgradedChapter } from './table.js';
export { DEFAULT_STRUCTURE, NOTE_COUNTS, NOTE_STANDS, NUMBERINGS, READERS, RETURNS } from './structure.js';
export type { Numbering, NoteStand, Readers, ReturnTo, Structure } from './structure.js';
export { isbnIn, isIsbn } from './isbn.js';
export { authorLine, authorList, authorsOf, DRAWN_COVER, imprintOf, NO_PUBLICATION } from './publication.js';
export type { Contributor, Publication } from './publication.js';
export { CREDIT, NEW_PAGE, roomClass, roomLines, roomName, roomNamed, roomRows, RULED } from './layout.js';
export { BETWEEN_RETURNS, linksOfLine, listsIn, returnLines, returnLists } from './return-lines.js';
export type { ReturnLine, ReturnLists } from './return-lines.js';

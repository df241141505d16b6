import { phrases } from '../../language/index.js';
import {
  authorsOf,
  CONTENTS,
  imprintOf,
  openLevels,
  TOP,
  type BookDetails,
  type Matter,
} from '../../manuscript/index.js';
import { filesInside, isFont, onceEach, type Edition } from '../edition/edition.js';
import { block, notesAfterBook, notesAfterChapter } from './typeset-blocks.js';
import { fitting, type Room, type TypesetNode } from './typeset-node.js';
import { pageSize, type PdfChoices } from '../choices.js';
import { lookName } from '../markup/looks.js';
import { PrintedAddresses, type PrintedAddress } from './printed.js';
import { sheetOf } from './table-fit.js';
import { withBook, type WithBook } from '../edition/with-book.js';

export interface TypesetChapter {
  title: string;
  matter: Matter;
  /** The chapter has no heading at its top, so its title stands in the outline only. */
  untitled: boolean;
  blocks: TypesetNode[];
}

/** The book as the typesetter's template reads it: data only, so that no text can become code. */
export interface TypesetBook extends Pick<
  BookDetails,
  'title' | 'subtitle' | 'author' | 'language' | 'look'
> {
  /** What is said of the book in the file itself. */
  about: { authors: string[]; description: string; keywords: string[] };
  /** The lines at the foot of the title page. */
  imprint: string[];
  /** The picture of the cover, which stands before everything else; `null`: none. */
  cover: string | null;
  chapters: TypesetChapter[];
  /** Notes that stand after the text of the whole book. */
  notes: TypesetNode[];
  /** The title of the contents, the place at its top, the place at the top of the book, and the level down to which headings are listed. */
  contents: { title: string; id: string; top: string; listed: number };
  /** What goes with the book; each entry is a place. */
  list: WithBook;
  /** How its pages are set: lengths in mm, type in points. */
  set: SetOfPages;
  /** Every address that is printed, and the list of them at the end, by chapter. */
  printed: PrintedAddress[];
  addresses: { title: string; chapters: { chapter: string; lines: { number: number; address: string }[] }[] };
  /** Families of fonts of the Shelf, for letters that the usual ones have no shapes for. */
  fonts: string[];
  /** Files that are put into the PDF, by the paths at which the typesetter finds them. */
  attached: { path: string; name: string; type: string; description: string }[];
}

/** What of the choices the template needs. */
export interface SetOfPages extends Pick<
  PdfChoices,
  | 'inner'
  | 'outer'
  | 'top'
  | 'bottom'
  | 'face'
  | 'size'
  | 'lineHeight'
  | 'hyphens'
  | 'widows'
  | 'head'
  | 'numbers'
> {
  width: number;
  height: number;
  justified: boolean;
  /** Chapters begin on right-hand pages. */
  right: boolean;
  /** Pages before the text are counted by Roman numbers. */
  roman: boolean;
  grey: boolean;
  /** The words of the way back at the foot of each page; empty: none. */
  back: string;
  /** Addresses stand at the foot of their page, or as codes in the margin. */
  foot: boolean;
  qr: boolean;
}

/** Headings down to this level stand in the contents where nothing else was chosen. */
const LISTED = 2;

/** How wide a sign of the text is on average, in points. */
const TEXT_SIGN = 5.8;

/** The data of one book; `pictures` says by which path the typesetter finds each picture. Attached files are at `/` and their path. */
export function typesetBook(edition: Edition, pictures: Map<string, string>): TypesetBook {
  const { title, subtitle, author, language, look, structure, description, publication } = edition.book;
  const once = onceEach();
  let keys = 0;
  const { pdf } = edition;
  const sheet = sheetOf(pdf);
  const room = { width: sheet.width, sign: TEXT_SIGN * sheet.scale };
  const printed = new PrintedAddresses(pdf.addresses, wantsCode(edition));
  const shared = {
    edition,
    once,
    pictures,
    key: () => String(++keys),
    room,
    sheet,
    printed,
    chapter: '',
    links: new Map(edition.links.map((link) => [link.id, link])),
    outer: true,
  };
  const chapters = edition.book.chapters.map((chapter): TypesetChapter => {
    // PDF/UA-1 (ISO 14289-1, 7.4.2) wants no level of headings skipped.
    const context = { ...shared, chapter: chapter.id, level: openLevels() };
    const top = once(chapter.id);
    return {
      title: fitting(chapter.title, room),
      matter: chapter.matter,
      untitled: chapter.doc.firstChild?.type.name !== 'heading',
      blocks: [
        ...chapter.doc.children.map((node, index) => block(node, context, index === 0 && top ? [top] : [])),
        ...notesAfterChapter(chapter.id, context),
      ],
    };
  });
  const attached = filesInside(edition).map(([path, { type, description, name }]) => ({
    path,
    name,
    type,
    description: description || name,
  }));
  const notes = notesAfterBook({ ...shared, level: openLevels() });
  const words = phrases(language);
  const titles = new Map(edition.book.chapters.map(({ id, title: said }) => [id, said]));
  return {
    title,
    subtitle,
    author,
    language,
    look,
    about: { authors: authorsOf(edition.book), description, keywords: publication?.subjects ?? [] },
    imprint: imprintOf(publication).map((line) => fitting(line, room)),
    cover: pictures.get(publication?.cover ?? '') ?? null,
    chapters,
    attached,
    fonts: [...edition.enclosures.values()].filter(isFont).map(({ name }) => name),
    notes,
    contents: {
      title: words.contents,
      id: CONTENTS,
      top: TOP,
      listed: structure.listed ?? LISTED,
    },
    list: fittingList(withBook(edition), room),
    set: setOf(pdf, words.toContents),
    printed: printed.all,
    addresses: {
      title: words.addresses,
      chapters: printed.list.map(({ chapter, lines }) => ({
        chapter: fitting(titles.get(chapter) ?? '', room),
        lines: lines.map(({ number, address }) => ({ number, address: fitting(address, room) })),
      })),
    },
  };
}

/** Whether a link gets a code: any does, but where some are chosen, by themselves or by their look. */
function wantsCode({ pdf, links }: Edition): (link: string) => boolean {
  if (pdf.addresses !== 'qr' || pdf.codesFor.length === 0) return () => true;
  const chosen = new Set(pdf.codesFor);
  const wanted = new Set(
    links.flatMap(({ id, look }) => (chosen.has(id) || chosen.has(lookName(look)) ? [id] : [])),
  );
  return (link) => wanted.has(link);
}

function setOf(choices: PdfChoices, toContents: string): SetOfPages {
  const { inner, outer, top, bottom, face, size, lineHeight, hyphens, widows, head, numbers } = choices;
  return {
    ...pageSize(choices),
    ...{ inner, outer, top, bottom, face, size, lineHeight, hyphens, widows, head, numbers },
    justified: choices.edge === 'justified',
    right: choices.chapters === 'right',
    roman: choices.front === 'roman',
    grey: choices.ink === 'grey',
    back: choices.back ? toContents : '',
    foot: choices.addresses === 'foot',
    qr: choices.addresses === 'qr',
  };
}

const fittingList = (list: WithBook, room: Room): WithBook => ({
  ...list,
  entries: list.entries.map((entry) => ({
    ...entry,
    name: fitting(entry.name, room),
    about: fitting(entry.about, room),
  })),
});

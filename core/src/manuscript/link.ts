import type { Node } from 'prosemirror-model';
import { hrefOf, type Destination, type DestinationKind } from '../destination/index.js';
import { sentenceEnds } from '../language/index.js';
import type { LinkAbout } from './about.js';
import { attrsOf, figureParts, type FigureLink, type LinkAttrs } from './attrs.js';
import { mapOf } from './book-map.js';
import { saidOfPicture, wordsOf, wordsOfLeaf, type ReadBook, type Saying } from './book.js';
import { saidOfArea, type LinkArea } from './area.js';
import { linkHeldBy, linksOnFigure } from './holders.js';
import type { LinkLook } from './look.js';
import { hasAreas } from './page.js';
import { spotsOf } from './spots.js';

/** What carries a link: words, a whole picture, a part of one, or words that are computed from the place. */
export type Carrier = 'text' | 'picture' | 'area' | 'reference';

/** One use of a link: the words or the picture that carry it, and the sentence they stand in. */
export interface Link {
  id: string;
  kind: DestinationKind;
  destination: Destination;
  /** The address as a web page would have it. */
  href: string;
  /** The link text exactly as it stands, ends included; for a picture its alternative text, for an area its name. */
  text: string;
  carrier: Carrier;
  hoverNote: string;
  /** What is said of it beside its words. */
  about: LinkAbout | null;
  /** The language of its words where it is marked as another than the book's (BCP 47); empty: the book's. */
  language: string;
  /** Where it departs from the look of the book's links. */
  look: LinkLook | null;
  chapter: string;
  /** Positions in the chapter's doc: the first and just after the last inline node, or those of the figure. */
  from: number;
  to: number;
  /** The words of the same sentence before and after the link, at most `CONTEXT` characters each. */
  before: string;
  after: string;
}

/** Longest piece of a sentence that is kept at either side of a link, in UTF-16 units. */
export const CONTEXT = 160;

/**
 * Every link of a book, in reading order. This is the only place where links are read out of a manuscript:
 * the margin, the Register, the audit, the checks, every export and every proof use it.
 */
export function linksOf(book: ReadBook, say: Saying = mapOf(book).say): Link[] {
  return ([] as Link[]).concat(...linksByChapter(book, say).map(({ links }) => links));
}

/** The links of one chapter, in reading order. */
export interface ChapterLinks {
  id: string;
  links: readonly Link[];
}

/** The same links by chapter; those of a text that is as it was are the very same list. */
export function linksByChapter(book: ReadBook, say: Saying = mapOf(book).say): ChapterLinks[] {
  return book.chapters.map(({ id, doc }) => {
    const before = known.get(doc);
    const isKnown = before?.chapter === id;
    if (spotsOf(doc, id).references.length > 0) {
      const links = linksOfChapter(doc, id, say);
      if (isKnown && isOneList(before.links, links)) return { id, links: before.links };
      known.set(doc, { chapter: id, links });
      return { id, links };
    }
    const links = isKnown ? before.links : linksOfChapter(doc, id);
    known.set(doc, { chapter: id, links });
    return { id, links };
  });
}

const isOneList = (one: readonly Link[], other: readonly Link[]): boolean =>
  one.length === other.length && one.every((link, at) => link === other[at]);

/** Links that do not depend on the rest of the book are read once for each doc. */
const known = new WeakMap<Node, { chapter: string; links: Link[] }>();

/**
 * The links of one chapter, in reading order; those of a note follow those of the paragraph that it stands in. `say` gives
 * the words of references.
 */
export function linksOfChapter(doc: Node, chapter: string, say?: Saying): Link[] {
  const links: Link[] = [];
  doc.descendants((node, position) => {
    if (hasAreas(node)) links.push(...linksOfFigure(node, position, chapter));
    if (node.isTextblock) links.push(...linksOfLine(node, position + 1, chapter, say));
    return true;
  });
  return links;
}

/** The links of a line as they were last read, and where it stood then. */
interface ReadLine {
  chapter: string;
  start: number;
  /** The words of its references, which depend on the rest of the book. */
  said: string;
  links: readonly Link[];
}

const readLines = new WeakMap<Node, ReadLine>();
const NO_LINKS: readonly Link[] = [];

/** The links of a line. One that stands where it stood has the very same links; one that has moved has them with other positions. */
function linksOfLine(line: Node, start: number, chapter: string, say?: Saying): readonly Link[] {
  const before = readLines.get(line);
  const said = say ? saidIn(line, say) : '';
  if (before?.chapter === chapter && before.said === said) {
    if (before.start === start || before.links.length === 0) return before.links;
    const by = start - before.start;
    const moved = before.links.map((link) => {
      const now = { ...link, from: link.from + by, to: link.to + by };
      contents.set(now, contentOf(link));
      return now;
    });
    readLines.set(line, { chapter, start, said, links: moved });
    return moved;
  }
  const links: Link[] = [];
  collect(line, start, chapter, links, say);
  readLines.set(line, { chapter, start, said, links: links.length > 0 ? links : NO_LINKS });
  return links;
}

/** The words of the references of a line. */
function saidIn(line: Node, say: Saying): string {
  let said = '';
  line.forEach((child) => {
    if (child.type.name === 'reference') said += `${say(child)}\n`;
  });
  return said;
}

const contents = new WeakMap<Link, object>();

/** What is the same for a link as long as nothing but its position has changed. */
export const contentOf = (link: Link): object => contents.get(link) ?? link;

/** The links of a figure or a page: that of the whole picture first, then its areas in their order. */
export function linksOfFigure(figure: Node, position: number, chapter: string): Link[] {
  const caption = figureParts(figure).caption;
  const links = linksOnFigure(figure);
  return (figure.type.name === 'page' ? links.sort(asRead) : links).map((link): Link => {
    const { id, destination, hoverNote } = link;
    const isArea = 'name' in link;
    return {
      id,
      kind: destination.kind,
      destination,
      href: hrefOf(destination),
      text: isArea ? saidOfArea(link) : saidOfPicture(figure),
      carrier: isArea ? 'area' : 'picture',
      hoverNote,
      about: ('about' in link ? link.about : null) ?? null,
      language: '',
      look: null,
      chapter,
      from: position,
      to: position + figure.nodeSize,
      before: '',
      after: caption ? wordsOf(caption).slice(0, CONTEXT) : '',
    };
  });
}

/** Links of a page are read from the top down, those on one line from the left to the right. */
function asRead(one: FigureLink | LinkArea, other: FigureLink | LinkArea): number {
  if (!('y' in one) || !('y' in other)) return 0;
  const areOnOneLine =
    Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y) >
    Math.min(one.height, other.height) / 2;
  return areOnOneLine ? one.x - other.x : one.y - other.y;
}

interface Run {
  link: LinkAttrs;
  carrier: Carrier;
  from: number;
  to: number;
  start: number;
  end: number;
  language: string;
}

/** Neighbours whose link marks bear one id are one link, whatever other marks they carry. */
function collect(block: Node, start: number, chapter: string, links: Link[], say?: Saying): void {
  const runs: Run[] = [];
  let words = '';
  let open: Run | null = null;
  block.forEach((child, offset) => {
    const { name } = child.type;
    const link = linkHeldBy(child);
    const said = wordsOfLeaf(child, say);
    const to = start + offset + child.nodeSize;
    if (link && open?.link.id === link.id) {
      open.to = to;
      open.end = words.length + said.length;
      // Words in two languages are in none of them.
      if (said.trim() !== '' && languageOf(child) !== open.language) open.language = '';
      if (name === 'picture') open.carrier = 'picture';
    } else if (link) {
      open = {
        link,
        carrier: CARRIERS[name] ?? 'text',
        from: start + offset,
        to,
        start: words.length,
        end: words.length + said.length,
        language: languageOf(child),
      };
      runs.push(open);
    } else open = null;
    words += said;
  });
  for (const run of runs) links.push(linkOfRun(run, words, chapter));
}

const CARRIERS: Record<string, Carrier> = { picture: 'picture', reference: 'reference' };

function languageOf({ marks }: Node): string {
  const mark = marks.find(({ type }) => type.name === 'language');
  return mark ? attrsOf.language(mark).tag : '';
}

function linkOfRun(
  { link, carrier, from, to, start, end, language }: Run,
  words: string,
  chapter: string,
): Link {
  const { id, destination, hoverNote, look, about } = link;
  return {
    id,
    kind: destination.kind,
    destination,
    href: hrefOf(destination),
    text: words.slice(start, end),
    carrier,
    hoverNote,
    about,
    language,
    look,
    chapter,
    from,
    to,
    before: sentenceEnd(words.slice(Math.max(0, start - CONTEXT), start)),
    after: sentenceStart(words.slice(end, end + CONTEXT)),
  };
}

/** What follows the last full stop of these words. */
function sentenceEnd(words: string): string {
  const last = sentenceEnds(words).at(-1);
  return last ? words.slice(last.index + last[0].length) : words;
}

/** These words up to and with their first full stop. */
function sentenceStart(words: string): string {
  const [first] = sentenceEnds(words);
  return first ? words.slice(0, first.index + first[0].trimEnd().length) : words;
}

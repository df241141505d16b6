import type { Mark, Node } from 'prosemirror-model';
import { hrefOf, type Destination, type DestinationKind } from '../destination/index.js';
import { wordsOf, wordsOfLeaf, type ReadBook } from './book.js';
import type { LinkArea } from './area.js';
import type { LinkLook } from './look.js';
import type { FigureLink } from './schema.js';

/** What carries a link: words, a whole picture, or a part of one. */
export type Carrier = 'text' | 'picture' | 'area';

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
export function linksOf(book: ReadBook): Link[] {
  return book.chapters.flatMap((chapter) => linksOfChapter(chapter.doc, chapter.id));
}

/** The links of one chapter, in reading order. */
export function linksOfChapter(doc: Node, chapter: string): Link[] {
  const links: Link[] = [];
  doc.descendants((node, position) => {
    if (node.type.name === 'figure') links.push(...linksOfFigure(node, position, chapter));
    if (!node.isTextblock) return true;
    collect(node, position + 1, chapter, links);
    return false;
  });
  return links;
}

/** The link of the whole picture first, then its areas in their order. */
export function linksOfFigure(node: Node, position: number, chapter: string): Link[] {
  const whole = node.attrs.link as FigureLink | null;
  const areas = node.attrs.areas as readonly LinkArea[];
  const caption = node.firstChild;
  const at = {
    ...{ chapter, from: position, to: position + node.nodeSize, look: null, before: '' },
    after: caption ? wordsOf(caption).slice(0, CONTEXT) : '',
  };
  const links = areas.map(({ id, destination, hoverNote, name }): Link => ({
    ...{ id, kind: destination.kind, destination, href: hrefOf(destination), text: name, carrier: 'area' },
    ...{ hoverNote, ...at },
  }));
  if (!whole) return links;
  const { id, destination, hoverNote } = whole;
  const text = node.attrs.decorative ? '' : (node.attrs.alt as string);
  return [
    {
      ...{ id, kind: destination.kind, destination, href: hrefOf(destination), text, carrier: 'picture' },
      ...{ hoverNote, ...at },
    },
    ...links,
  ];
}

interface Run {
  mark: Mark;
  from: number;
  to: number;
  start: number;
  end: number;
  picture: boolean;
}

/** Neighbours whose link marks bear one id are one link, whatever other marks they carry. */
function collect(block: Node, start: number, chapter: string, links: Link[]): void {
  const runs: Run[] = [];
  let words = '';
  let open: Run | null = null;
  block.forEach((child, offset) => {
    const mark = linkMark(child);
    const said = wordsOfLeaf(child);
    const to = start + offset + child.nodeSize;
    if (mark && open && open.mark.attrs.id === mark.attrs.id) {
      open.to = to;
      open.end = words.length + said.length;
      open.picture ||= child.type.name === 'picture';
    } else if (mark) {
      const picture = child.type.name === 'picture';
      open = {
        mark,
        from: start + offset,
        to,
        start: words.length,
        end: words.length + said.length,
        picture,
      };
      runs.push(open);
    } else open = null;
    words += said;
  });
  for (const run of runs) links.push(linkOfRun(run, words, chapter));
}

function linkOfRun(run: Run, words: string, chapter: string): Link {
  const destination = run.mark.attrs.destination as Destination;
  return {
    id: run.mark.attrs.id as string,
    kind: destination.kind,
    destination,
    href: hrefOf(destination),
    text: words.slice(run.start, run.end),
    carrier: run.picture ? 'picture' : 'text',
    hoverNote: run.mark.attrs.hoverNote as string,
    look: run.mark.attrs.look as LinkLook | null,
    chapter,
    from: run.from,
    to: run.to,
    before: sentenceEnd(words.slice(Math.max(0, run.start - CONTEXT), run.start)),
    after: sentenceStart(words.slice(run.end, run.end + CONTEXT)),
  };
}

const FULL_STOP = /[.!?…]["'”’)\]]*\s+(?=["'“‘([]*[\p{Lu}\p{N}])/gu;

/** What follows the last full stop of these words. */
function sentenceEnd(words: string): string {
  const last = [...words.matchAll(FULL_STOP)].at(-1);
  return last ? words.slice(last.index + last[0].length) : words;
}

/** These words up to and with their first full stop. */
function sentenceStart(words: string): string {
  const first = words.matchAll(FULL_STOP).next().value;
  return first ? words.slice(0, first.index + first[0].trimEnd().length) : words;
}

/** The link mark of an inline node, if it has one. */
export function linkMark(node: Node): Mark | undefined {
  return node.marks.find((mark) => mark.type.name === 'link');
}

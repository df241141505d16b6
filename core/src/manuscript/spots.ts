import type { Node } from 'prosemirror-model';
import { attrsOf, idOf, type BookmarkAttrs } from './attrs.js';
import { wordsOf } from './book.js';
import { markIdOf } from './inside-nodes.js';
import { entriesOf, isOfPages, pageName, pagesOf } from './page.js';
import { rowsOf } from './table.js';

/** What kind of spot a link can lead to. */
export const PLACE_KINDS = [
  'top',
  'contents',
  'page',
  'chapter',
  'heading',
  'figure',
  'table',
  'bookmark',
  'item',
  'note',
  'mark',
  'spot',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** A spot of one chapter that can be led to. `at` is its position in the chapter's doc. */
export interface Spot {
  id: string;
  kind: PlaceKind;
  at: number;
  /** What it is called: a heading's words, a bookmark's name, how the text there begins. */
  words: string;
  /** What stands there: of a bookmark the words that it is on, of a figure its caption. */
  text: string;
  /** Of a heading its level, 1 to 6; else `null`. */
  level: number | null;
  /** Of an item of a numbered list the number before it; else empty. */
  number: string;
  /** It takes part in the numbering: a heading that is counted, a figure or table with a caption. */
  counted: boolean;
}

/** A node of a chapter by which the book leads to places in itself. */
export interface InsideNode {
  node: Node;
  at: number;
}

/** What one chapter has of places, notes, references, lists of contents and return links, each in their order. */
export interface ChapterSpots {
  spots: Spot[];
  notes: InsideNode[];
  marks: InsideNode[];
  references: InsideNode[];
  contents: InsideNode[];
  returns: InsideNode[];
}

const WORDS = 60;
const known = new WeakMap<Node, Map<string, ChapterSpots>>();

/** Read once for each doc, since docs never change. */
export function spotsOf(doc: Node, chapter: string): ChapterSpots {
  const byChapter = known.get(doc) ?? new Map<string, ChapterSpots>();
  const read = byChapter.get(chapter) ?? readSpots(doc, chapter);
  known.set(doc, byChapter.set(chapter, read));
  return read;
}

/** How ids begin that are made for places which have none. */
const LETTERS: Record<string, string> = { heading: 'h', figure: 'f', table: 't' };

/**
 * Ids for headings, figures and tables that have none, by their order in the chapter: the same whenever the same text is
 * read. Call it for each node of a doc in document order.
 */
export function placeIds(chapter: string): (node: Node) => string | null {
  const counts: Record<string, number> = {};
  return (node) => {
    const id = idOf(node);
    const letter = LETTERS[node.type.name];
    if (!letter) return id;
    const count = (counts[letter] = (counts[letter] ?? -1) + 1);
    return id ?? `${chapter}-${letter}${count}`;
  };
}

function readSpots(doc: Node, chapter: string): ChapterSpots {
  const found: ChapterSpots = {
    spots: [],
    notes: [],
    marks: [],
    references: [],
    contents: [],
    returns: [],
  };
  const idOf = placeIds(chapter);
  doc.descendants((node, at, parent, index) => {
    const { name } = node.type;
    const id = idOf(node);
    if (name === 'note') found.notes.push({ node, at });
    else if (name === 'note_mark') found.marks.push({ node, at });
    else if (name === 'reference') found.references.push({ node, at });
    else if (name === 'contents') found.contents.push({ node, at });
    else if (name === 'return_link') found.returns.push({ node, at });
    if (id && !LEADS_ONLY.has(name)) found.spots.push(spotOf(node, id, at, parent, index));
    if (name === 'page') found.spots.push(...spotsOnPage(node, at));
    if (name === 'note' && id)
      found.spots.push({ ...plainSpot(markIdOf(id), 'mark', at), words: begin(parent) });
    for (const mark of node.marks)
      if (mark.type.name === 'bookmark') addBookmark(found.spots, node, attrsOf.bookmark(mark), at);
    return true;
  });
  // The entries of an outline stand at the pages that they lead to.
  if (isOfPages(doc)) placeEntries(doc, found.spots);
  return found;
}

/** These lead to places and are none; the mark of a note is one, for its way back. */
const LEADS_ONLY = new Set(['reference', 'return_link']);

const plainSpot = (id: string, kind: PlaceKind, at: number): Spot => ({
  id,
  kind,
  at,
  words: '',
  text: '',
  level: null,
  number: '',
  counted: false,
});

function spotOf(node: Node, id: string, at: number, parent: Node | null, index: number): Spot {
  const { name } = node.type;
  const words = begin(node);
  switch (name) {
    case 'heading':
      return {
        ...plainSpot(id, 'heading', at),
        words: wordsOf(node),
        text: wordsOf(node),
        level: attrsOf.heading(node).level,
        counted: !attrsOf.heading(node).uncounted,
      };
    case 'figure':
    case 'table': {
      const text = captionOf(node);
      const otherwise = name === 'table' ? headOf(node) : words;
      return { ...plainSpot(id, name, at), words: text || otherwise, text, counted: text !== '' };
    }
    case 'note':
      return { ...plainSpot(id, 'note', at), words: beginOfNote(node), text: beginOfNote(node) };
    case 'note_mark':
      return { ...plainSpot(id, 'mark', at), words: begin(parent) };
    case 'contents':
      return plainSpot(id, 'contents', at);
    case 'page': {
      const number = pageName(attrsOf.page(node));
      return { ...plainSpot(id, 'page', at), words: number, number };
    }
    case 'entry':
      return {
        ...plainSpot(id, 'heading', at),
        words: wordsOf(node),
        text: wordsOf(node),
        level: attrsOf.entry(node).level,
      };
    case 'list_item': {
      const number = itemNumber(parent, index);
      return { ...plainSpot(id, number ? 'item' : 'spot', at), words, text: number && words, number };
    }
    case 'anchor':
      return { ...plainSpot(id, 'spot', at), words: begin(parent) };
    default:
      return { ...plainSpot(id, 'spot', at), words };
  }
}

const spotsOnPage = (page: Node, at: number): Spot[] =>
  attrsOf
    .page(page)
    .spots.map(({ id, name }) => ({ ...plainSpot(id, name ? 'bookmark' : 'spot', at), words: name }));

function placeEntries(doc: Node, spots: Spot[]): void {
  const pages = new Map(pagesOf(doc).map(({ attrs, at }) => [attrs.id, at]));
  const pageOf = new Map(entriesOf(doc).map(({ attrs }) => [attrs.id, attrs.page]));
  for (const spot of spots) spot.at = pages.get(pageOf.get(spot.id) ?? '') ?? spot.at;
  const rank = ({ kind }: Spot) => (kind === 'page' ? 0 : kind === 'heading' ? 1 : 2);
  spots.sort((one, other) => one.at - other.at || rank(one) - rank(other));
}

/** The number that stands before an item; empty in a list without numbers. */
export const itemNumber = (list: Node | null, index: number): string =>
  list?.type.name === 'ordered_list' ? String(Number(list.attrs.start) + index) : '';

/** A bookmark on words that other marks divide is one bookmark. */
function addBookmark(spots: Spot[], node: Node, { id, name }: BookmarkAttrs, at: number): void {
  const said = node.isText ? (node.text ?? '') : wordsOf(node);
  const open = spots.findLast((spot) => spot.kind === 'bookmark' && spot.id === id);
  if (open) {
    open.text += said;
    if (name === '') open.words = cut(open.text);
  } else
    spots.push({
      ...plainSpot(id, 'bookmark', at),
      words: name || cut(said),
      text: said,
    });
}

function captionOf(node: Node): string {
  const caption = node.children.find(({ type }) => type.name === 'caption' || type.name === 'table_caption');
  return caption ? wordsOf(caption) : '';
}

/** What the first row of a table says, cell by cell: tables without a caption are told apart by it. */
const headOf = (table: Node): string =>
  cut(
    (rowsOf(table)[0]?.children ?? [])
      .map((cell) => wordsOf(cell))
      .filter((words) => words !== '')
      .join(' · '),
  );

function begin(node: Node | null): string {
  if (!node) return '';
  return cut(node.type.name === 'figure' ? wordsOf(node) || attrsOf.figure(node).alt : wordsOf(node));
}

const beginOfNote = (note: Node): string => cut(note.children.map((one) => wordsOf(one)).join(' '));
const cut = (words: string): string => (words.length > WORDS ? `${words.slice(0, WORDS).trimEnd()}…` : words);

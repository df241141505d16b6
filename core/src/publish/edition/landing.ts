import type { Node } from 'prosemirror-model';
import { phrases } from '../../language/index.js';
import {
  BETWEEN_RETURNS,
  CONTENTS,
  idOf,
  noteMarkOf,
  saidOfPicture,
  TOP,
  wordsOfLeaf,
  type Format,
} from '../../manuscript/index.js';
import type { Edition } from './edition.js';

/** Longest piece of a text that tells where a link lands, in UTF-16 units. */
const LENGTH = 40;

/** The words around a spot that has none of its own; empty where something else than words stands on that side. */
export interface Between {
  before: string;
  after: string;
}

/** What a made file must have where an address within it leads. */
export interface LandingWords {
  /** How the text begins there, up to the end of its block. Empty where no words stand, as at a picture. */
  landing: string;
  /** Where no words stand: what stands around. */
  between?: Between;
}

/** What the made file must have at the place that an address within it leads to. */
export function landingOf(href: string, edition: Edition): LandingWords {
  if (!href.startsWith('#')) return { landing: '' };
  const id = href.slice(1);
  if (id === TOP) return { landing: edition.book.title.slice(0, LENGTH) };
  if (id === CONTENTS) return { landing: phrases(edition.book.language).contents };
  const { words, spots } = landings(edition);
  const landing = words.get(id) ?? '';
  const spot = landing === '' ? spots.get(id) : undefined;
  return spot ? { landing, between: betweenAt(spot) } : { landing };
}

interface Landings {
  words: Map<string, string>;
  spots: Map<string, Spot>;
}

/** Where a place stands in what a chapter shows. */
interface Spot {
  text: string;
  at: number;
}

const known = new WeakMap<Edition, Landings>();

/** Read once for an edition: a long book has many links. */
function landings(edition: Edition): Landings {
  const read = known.get(edition) ?? readLandings(edition);
  known.set(edition, read);
  return read;
}

function readLandings(edition: Edition): Landings {
  const { book, map, places, format } = edition;
  const found = new Map<string, string>();
  const spots = new Map<string, Spot>();
  for (const chapter of book.chapters) {
    found.set(chapter.id, firstWords(chapter.doc));
    for (const [id, spot] of spotsIn(chapter.doc, edition)) spots.set(id, spot);
    chapter.doc.descendants((node, _at, parent, index) => {
      const id = idOf(node);
      const { name } = node.type;
      if (id && name === 'contents') found.set(id, map.contents.get(id)?.lines[0]?.words ?? '');
      else if (id && places.has(id) && parent && node.isInline) found.set(id, wordsFrom(parent, index));
      else if (id && places.has(id))
        found.set(id, name === 'figure' ? pictureWords(node, format) : firstWords(node));
      for (const mark of node.marks) {
        const marked = idOf(mark);
        if (marked && parent && !found.has(marked)) found.set(marked, wordsFrom(parent, index));
      }
      return true;
    });
  }
  // At a mark stands its number, at a note its remark.
  for (const { id, node, number, marks } of map.notes) {
    found.set(id, firstWords(node));
    for (const mark of marks) found.set(mark.id, format === 'markdown' ? '' : number);
  }
  return { words: found, spots };
}

/** Outside of PDF, a picture says its alternative text. */
function pictureWords(figure: Node, format: Format): string {
  if (format === 'pdf') return '';
  // A program for documents knows a picture by its caption.
  if ((format === 'docx' || format === 'odt') && figure.childCount > 0) return firstWords(figure);
  const alt = saidOfPicture(figure);
  return alt === '' ? firstWords(figure) : alt.slice(0, LENGTH);
}

/** How the first block within a node begins. */
function firstWords(node: Node): string {
  const first = node.firstChild;
  return node.isTextblock || !first || node.type.name === 'figure' ? wordsFrom(node, 0) : firstWords(first);
}

/** The plain words of a block from one of its children on, up to the first thing that is no text. */
function wordsFrom(block: Node, index: number): string {
  let words = '';
  for (const child of block.children.slice(index)) {
    if (!child.isText && words !== '') break;
    if (child.isText) words += wordsOfLeaf(child);
    else if (child.type.name !== 'anchor') break;
    if (words.length >= LENGTH) break;
  }
  return words.slice(0, LENGTH).trim();
}

/** Stands for what is met in a text and is no word of it. */
const OTHER = '\ufffc';
/** The same, where it is too long to be looked past. */
const LONG = '\ufffb';
/** A formula, whose signs every form sets in an order of its own: what stands beside one can't be judged by them. */
const FORMULA = '\ufff9';
/** Stands between blocks. */
const BLOCK = '\n';
/** How much of the words before and after a spot is looked for. */
const BESIDE = 24;

/** Where each place of a text stands in what is shown of it; a note stands elsewhere. */
function spotsIn(doc: Node, edition: Edition): [string, Spot][] {
  let text = '';
  const spots: [string, number][] = [];
  doc.descendants((node) => {
    const isNote = node.type.name === 'note';
    for (const id of [isNote ? null : idOf(node), ...node.marks.map(idOf)])
      if (id) spots.push([id, text.length]);
    if (node.isBlock && text.at(-1) !== BLOCK) text += BLOCK;
    text += shownFor(node, edition);
    return !isNote;
  });
  return spots.map(([id, at]) => [id, { text, at }]);
}

/** The words within one block before a spot, and those after it. */
function betweenAt({ text, at }: Spot): Between {
  if (/\ufff9\s*$/.test(text.slice(0, at)) || /^\s*\ufff9/.test(text.slice(at)))
    return { before: '', after: '' };
  const before =
    text
      .slice(Math.max(0, at - 10 * BESIDE), at)
      .trimEnd()
      .split(/[\n\ufff9\ufffb\ufffc]/)
      .at(-1) ?? '';
  const [after = ''] = text
    .slice(at, at + 10 * BESIDE)
    .replace(/^[\s\ufffc]+/, '')
    .split(/[\n\ufff9\ufffb\ufffc]/);
  return { before: telling(before.slice(-BESIDE)), after: telling(after.slice(0, BESIDE)) };
}

/** What a reader meets of a node itself, as far as words of the text can be told by it. */
function shownFor(node: Node, { format, say, map, places, returnsOf }: Edition): string {
  switch (node.type.name) {
    case 'text':
      return node.text ?? '';
    case 'heading':
      // Documents count their headings themselves.
      return format === 'docx' || format === 'odt' ? '' : (places.get(idOf(node) ?? '')?.label ?? '');
    case 'reference':
      return say(node);
    case 'note':
    case 'note_mark':
      return format === 'markdown' ? '' : (map.byId.get(noteMarkOf(node).of)?.number ?? '');
    case 'return_link':
      return returnsOf(node)
        .map(({ words }) => words)
        .join(BETWEEN_RETURNS);
    case 'contents':
      return LONG;
    case 'formula':
      return FORMULA;
    case 'picture':
    case 'figure':
    case 'caption':
    case 'table_caption':
      return OTHER;
    default:
      return '';
  }
}

/** Words by which a spot is known: signs alone stand everywhere. */
const telling = (words: string): string => (/[\p{L}\p{N}]/u.test(words) ? words.trim() : '');

import type { Node } from 'prosemirror-model';
import { phrases } from '../../language/index.js';
import { CONTENTS, idOf, saidOfPicture, TOP, wordsOfLeaf, type Format } from '../../manuscript/index.js';
import type { Edition } from './edition.js';

/** Longest piece of a text that tells where a link lands, in UTF-16 units. */
const LENGTH = 40;

/**
 * How the text begins at the place that an address within a file leads to, up to the end of its block: what the made file
 * must have there. Empty where no words stand, as at a picture.
 */
export function landingOf(href: string, edition: Edition): string {
  if (!href.startsWith('#')) return '';
  const id = href.slice(1);
  if (id === TOP) return edition.book.title.slice(0, LENGTH);
  if (id === CONTENTS) return phrases(edition.book.language).contents;
  return landings(edition).get(id) ?? '';
}

const known = new WeakMap<Edition['book'], Map<string, string>>();

/** Read once for an edition: a long book has many links. */
function landings(edition: Edition): Map<string, string> {
  const read = known.get(edition.book) ?? readLandings(edition);
  known.set(edition.book, read);
  return read;
}

function readLandings({ book, map, places, format }: Edition): Map<string, string> {
  const found = new Map<string, string>();
  for (const chapter of book.chapters) {
    found.set(chapter.id, firstWords(chapter.doc));
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
    for (const mark of marks) found.set(mark.id, number);
  }
  return found;
}

/** Outside of PDF, a picture says its alternative text. */
function pictureWords(figure: Node, format: Format): string {
  if (format === 'pdf') return '';
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

import type { Mark, Node } from 'prosemirror-model';
import { mapOf, noteMarkOf, rowsOf, type Format, type ReadBook } from '../manuscript/index.js';

/** A line of what a reader of a manuscript meets: what it is, and its words with what leads from them. */
type Line = string;

/**
 * The text of a book as a row of lines, each with its kind, its words, links, notes, references and bookmarks: what has to be the same when a
 * manuscript goes out and comes in again. Ids are not part of it, nor where chapters begin.
 */
export function manuscriptOf(book: ReadBook, format: Format): Line[] {
  const { byId, places, say } = mapOf(book);
  const lines: Line[] = [];
  /** A note stands at its first mark, wherever it was. */
  const remarks: Line[] = [];
  const said = (node: Node): string => {
    let words = '';
    let link: Mark | null = null;
    node.forEach((leaf) => {
      const next = leaf.marks.find(({ type }) => type.name === 'link') ?? null;
      if (link && (!next || next.attrs.id !== link.attrs.id)) words += ']';
      if (next && next.attrs.id !== link?.attrs.id) words += `[${toOf(next)}|`;
      link = next;
      words += leafOf(leaf);
    });
    return (words + (link ? ']' : '')).replace(/\s+/g, ' ').replace(/ \]/g, '] ').replace(/ +/g, ' ').trim();
  };
  const placeWords = (id: string): string => {
    const place = places.get(id);
    // A picture is known by its caption there, by what it says here.
    return place ? (place.kind === 'note' || place.kind === 'mark' ? 'note' : 'place') : 'nowhere';
  };
  const toOf = ({ attrs }: Mark): string => {
    const to = attrs.destination as { kind: string; place?: string; href?: string };
    return to.kind === 'place' ? placeWords(to.place ?? '') : (to.href ?? to.kind);
  };
  const leafOf = (leaf: Node): string => {
    const { name } = leaf.type;
    if (leaf.isText) return leaf.text ?? '';
    if (name === 'note' || name === 'note_mark') return byId.has(noteMarkOf(leaf).of) ? '^' : '';
    if (name === 'reference') return places.has(String(leaf.attrs.place)) ? `{${formOf(leaf)}}` : say(leaf);
    if (name === 'picture') return '(picture)';
    if (name === 'formula') return '(formula)';
    return name === 'hard_break' ? ' ' : '';
  };
  const formOf = ({ attrs }: Node): string => {
    const target = places.get(String(attrs.place));
    const { form, own } = attrs as { form: string; own: string };
    if (format === 'markdown') return form;
    if (target?.kind === 'note' && form !== 'page' && form !== 'where' && form !== 'own') return 'number';
    // What has no number reads its words.
    if ((form === 'number' || form === 'number-words') && target?.label === '') return 'words';
    if (form !== 'own') return form;
    if (target?.kind === 'note') return `own ${own.replace('{words}', '{number}')}`;
    return `own ${target?.label === '' ? own.replace('{number}', '{words}') : own}`;
  };
  for (const { doc } of book.chapters)
    doc.descendants((node) => {
      const { name } = node.type;
      if (node.isTextblock) {
        const words = said(node);
        const kind = name === 'heading' ? `heading ${String(node.attrs.level)}` : name;
        if (words !== '' || name === 'heading')
          (name === 'note_paragraph' ? remarks : lines).push(`${kind}: ${words}`);
        return name !== 'code_block';
      }
      if (name === 'contents') lines.push(`contents ${String(node.attrs.scope)}`);
      if (name === 'figure' || name === 'rule') lines.push(name);
      if (name === 'table') lines.push(`table of ${rowsOf(node).length}`);
      return true;
    });
  return [...lines, ...remarks.sort()];
}

/**
 * A book without what documents and Markdown can't hold, which `lossesIn` tells of: parts of pictures that are links, return links, chapters
 * before and after the text, and numbers that are not 1, 1.1, 1.1.1.
 */
export function withoutLosses(book: ReadBook): ReadBook {
  const { structure, chapters } = book;
  return {
    ...book,
    structure: {
      ...structure,
      numbering: structure.numbering === 'parts' ? 'decimal' : structure.numbering,
      returns: { after: 0, to: [] },
    },
    chapters: chapters.map((chapter) => ({ ...chapter, matter: 'main', doc: without(chapter.doc) })),
  };
}

function without(node: Node): Node {
  if (node.isText) return node;
  const children = node.children.filter(({ type }) => type.name !== 'return_link').map(without);
  const attrs =
    node.type.name === 'figure'
      ? { ...node.attrs, areas: [] }
      : node.type.name === 'contents'
        ? { ...node.attrs, back: false }
        : node.attrs;
  return node.type.create(attrs, children, node.marks);
}

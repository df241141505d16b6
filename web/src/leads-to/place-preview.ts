import { chapterIndexOf, positionOf, readChapter, type Chapter, type Place } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { useEditor } from '../editor/state/store.js';
import { useBook } from '../book/store.js';
import { saidBy } from '../book/said.js';

/** How much of the text at a place is shown, in UTF-16 units. */
const LENGTH = 150;
const read = new WeakMap<Chapter, Node>();

/** The text of a chapter as it stands now. */
function docOf(chapter: Chapter): Node {
  const { view, chapter: open } = useEditor.getState();
  if (view && open === chapter.id) return view.state.doc;
  const doc = read.get(chapter) ?? readChapter(chapter).doc;
  read.set(chapter, doc);
  return doc;
}

/** How the text reads at a place: a heading’s first words, the sentence around a bookmark, a note’s remark. */
export function previewOf({ order, kind, words }: Place): string {
  const chapter = useBook.getState().book?.chapters[chapterIndexOf(order)];
  if (!chapter || kind === 'top' || kind === 'contents') return '';
  const doc = docOf(chapter);
  const at = Math.min(positionOf(order), doc.content.size);
  const text = textFrom(doc, kind === 'bookmark' || kind === 'mark' ? startOfBlock(doc, at) : at);
  // What it is called stands above the preview already.
  return kind === 'heading' || kind === 'chapter' ? text.slice(words.length).trim() : text;
}

function startOfBlock(doc: Node, at: number): number {
  const $at = doc.resolve(at);
  return $at.depth > 0 ? $at.start() : at;
}

function textFrom(doc: Node, at: number): string {
  const end = endFrom(doc, at);
  const say = (leaf: Node) => (leaf.type.name === 'reference' ? saidBy(leaf) : ' ');
  const text = doc.textBetween(at, end, ' ', say).replace(/\s+/g, ' ').trim();
  return text.length > LENGTH ? `${text.slice(0, LENGTH).replace(/\s\S*$/, '')}…` : text;
}

/** Where the text of a place ends: at the next heading, once there were other words than headings. */
function endFrom(doc: Node, at: number): number {
  let end = Math.min(doc.content.size, at + 1200);
  let hasText = false;
  doc.nodesBetween(at, end, (node, pos) => {
    if (node.type.name !== 'heading') hasText ||= node.isTextblock && node.content.size > 0;
    else if (hasText) end = Math.min(end, pos);
    return !node.isTextblock;
  });
  return end;
}

import { linksOfChapter, type Link } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorState } from 'prosemirror-state';

const known = new WeakMap<Node, Link[]>();

/** The links of the chapter in the editor; read once for each state of the text. */
export function linksIn(doc: Node, chapter: string): Link[] {
  const read = known.get(doc) ?? linksOfChapter(doc, chapter);
  known.set(doc, read);
  return read;
}

/** The link at the caret, or around the whole selection. Between two links that touch, it is the one after. */
export function linkAtSelection({ doc, selection }: EditorState, chapter: string): Link | null {
  const { from, to } = selection;
  const around = linksIn(doc, chapter).filter((link) => link.from <= from && to <= link.to);
  return around.at(-1) ?? null;
}

/** The word at the caret, or nothing where there is none. */
export function wordAt({ doc, selection }: EditorState): { from: number; to: number } {
  const { $from, from } = selection;
  const empty = { from, to: from };
  if (!$from.parent.isTextblock) return empty;
  const text = doc.textBetween($from.start(), $from.end(), '\ufffc', '\ufffc');
  const at = $from.parentOffset;
  const before = /[\p{L}\p{N}\p{M}'’-]*$/u.exec(text.slice(0, at))?.[0].length ?? 0;
  const after = /^[\p{L}\p{N}\p{M}'’-]*/u.exec(text.slice(at))?.[0].length ?? 0;
  return before + after === 0 ? empty : { from: from - before, to: from + after };
}

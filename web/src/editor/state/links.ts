import { recognise } from '@vennet/core/destination';
import { attrsOf, flatText, hasAreas, linksOfChapter, type Link } from '@vennet/core/manuscript';
import { bookmarksIn, type BookmarkSpan } from '@vennet/core/edits';
import { trimmedEnds } from '@vennet/core/repair';
import type { Node } from 'prosemirror-model';
import { NodeSelection, type EditorState } from 'prosemirror-state';
import { useOpenArea } from './open-area.js';

const known = new WeakMap<Node, Link[]>();

/** The links of the chapter in the editor; read once for each state of the text. What references read is left to `said`. */
export function linksIn(doc: Node, chapter: string): Link[] {
  const read = known.get(doc) ?? linksOfChapter(doc, chapter);
  known.set(doc, read);
  return read;
}

/** Something that leads inside the book by itself and is selected: a note or its mark, a return link, a list of contents. */
export function insideNodeAt({ selection }: EditorState): { node: Node; position: number } | null {
  if (!(selection instanceof NodeSelection) || !INSIDE.has(selection.node.type.name)) return null;
  return { node: selection.node, position: selection.from };
}

const INSIDE = new Set(['note', 'note_mark', 'return_link', 'contents', 'room']);

/** The bookmark at the caret or around the selection. */
export function bookmarkAt({ doc, selection }: EditorState): BookmarkSpan | null {
  const { from, to, $from } = selection;
  const marks = [...($from.nodeBefore?.marks ?? []), ...($from.nodeAfter?.marks ?? [])];
  const ids = new Set(
    marks.filter(({ type }) => type.name === 'bookmark').map((mark) => attrsOf.bookmark(mark).id),
  );
  if (ids.size === 0) return null;
  return bookmarksIn(doc).find((one) => ids.has(one.id) && one.from <= from && to <= one.to) ?? null;
}

/** The picture or page that is selected, and where it stands. */
export function figureAt({ selection }: EditorState): { node: Node; position: number } | null {
  const isFigure = selection instanceof NodeSelection && hasAreas(selection.node);
  return isFigure ? { node: selection.node, position: selection.from } : null;
}

/**
 * The link at the caret, or around the whole selection. Between two links that touch, it is the one after. Of a picture
 * it is the area that is open, or else the link of the whole.
 */
export function linkAtSelection(state: EditorState, chapter: string): Link | null {
  const { from, to } = state.selection;
  const around = linksIn(state.doc, chapter).filter((link) => link.from <= from && to <= link.to);
  if (!figureAt(state)) return around.at(-1) ?? null;
  const { area } = useOpenArea.getState();
  return around.find(({ id, carrier }) => (area ? id === area : carrier === 'picture')) ?? null;
}

/** The address or the word at the caret, or nothing where there is none. */
export function wordAt({ doc, selection }: EditorState): { from: number; to: number } {
  const { $from, from } = selection;
  const empty = { from, to: from };
  if (!$from.parent.isTextblock) return empty;
  const text = flatText(doc, $from.start(), $from.end());
  const at = $from.parentOffset;
  const around = (pattern: string) => ({
    before: new RegExp(`${pattern}$`, 'u').exec(text.slice(0, at))?.[0].length ?? 0,
    after: new RegExp(`^${pattern}`, 'u').exec(text.slice(at))?.[0].length ?? 0,
  });
  const wide = around('[^\\s\ufffc<>“”"]*');
  const token = text.slice(at - wide.before, at + wide.after);
  const ends = trimmedEnds(token);
  if (recognise(token.slice(ends.start, ends.end)).ok)
    return { from: from - wide.before + ends.start, to: from - wide.before + ends.end };
  const { before, after } = around("[\\p{L}\\p{N}\\p{M}'’-]*");
  return before + after === 0 ? empty : { from: from - before, to: from + after };
}

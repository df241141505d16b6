import { recognise } from '@vennet/core/destination';
import { linksOfChapter, type Link } from '@vennet/core/manuscript';
import { trimmedEnds } from '@vennet/core/repair';
import type { Node } from 'prosemirror-model';
import { NodeSelection, type EditorState } from 'prosemirror-state';
import { useOpenArea } from '../picture/open-area.js';

const known = new WeakMap<Node, Link[]>();

/** The links of the chapter in the editor; read once for each state of the text. */
export function linksIn(doc: Node, chapter: string): Link[] {
  const read = known.get(doc) ?? linksOfChapter(doc, chapter);
  known.set(doc, read);
  return read;
}

/** The picture that is selected, and where it stands. */
export function figureAt({ selection }: EditorState): { node: Node; position: number } | null {
  const isFigure = selection instanceof NodeSelection && selection.node.type.name === 'figure';
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
  const text = doc.textBetween($from.start(), $from.end(), '\ufffc', '\ufffc');
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

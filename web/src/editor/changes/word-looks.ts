import { schema } from '@vennet/core/manuscript';
import { toggleMark } from 'prosemirror-commands';
import type { MarkType } from 'prosemirror-model';
import type { Command, EditorState } from 'prosemirror-state';

const { marks } = schema;

/** Looks of words; what they lead to and what they are called is none. */
const LOOKS: readonly MarkType[] = [
  marks.emphasis,
  marks.strong,
  marks.struck,
  marks.small_capitals,
  marks.code,
  marks.subscript,
  marks.superscript,
  marks.language,
];

/** Turns a look of the selected words on or off. The words of a note are not those of the line that it stands in. */
export const turnLook = (type: MarkType): Command => toggleMark(type, null, { enterInlineAtoms: false });

/** Whether words at the selection have a look, or what is typed there would. */
export function hasLook(state: EditorState, type: MarkType): boolean {
  const { empty, $from, from, to } = state.selection;
  if (empty) return Boolean(type.isInSet(state.storedMarks ?? $from.marks()));
  return state.doc.rangeHasMark(from, to, type);
}

/** Takes all looks off the selected words; links and bookmarks stay. */
export const plainWords: Command = (state, dispatch) => {
  const { tr } = state;
  for (const { $from, $to } of state.selection.ranges)
    for (const type of LOOKS) tr.removeMark($from.pos, $to.pos, type);
  if (state.selection.empty) {
    const kept = (state.storedMarks ?? state.selection.$from.marks()).filter(
      ({ type }) => !LOOKS.includes(type),
    );
    tr.setStoredMarks(kept);
  }
  dispatch?.(tr);
  return true;
};

/** Says in which language the selected words are, or those that are typed next; `null`: in that of the book. */
export const inLanguage =
  (tag: string | null): Command =>
  (state, dispatch) => {
    const { tr, selection } = state;
    if (selection.empty) {
      if (tag === null) tr.removeStoredMark(marks.language);
      else tr.addStoredMark(marks.language.create({ tag }));
    } else
      for (const { $from, $to } of selection.ranges) {
        tr.removeMark($from.pos, $to.pos, marks.language);
        if (tag !== null) tr.addMark($from.pos, $to.pos, marks.language.create({ tag }));
      }
    dispatch?.(tr.scrollIntoView());
    return true;
  };

/** Puts a sign in the place of the selection. */
export const putSign =
  (sign: string): Command =>
  (state, dispatch) => {
    if (!state.selection.$from.parent.isTextblock) return false;
    dispatch?.(state.tr.insertText(sign).scrollIntoView());
    return true;
  };

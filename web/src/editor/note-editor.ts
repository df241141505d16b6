import { schema } from '@vennet/core/manuscript';
import { baseKeymap } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import type { Node } from 'prosemirror-model';
import { EditorState, type Transaction } from 'prosemirror-state';
import { StepMap } from 'prosemirror-transform';
import { EditorView } from 'prosemirror-view';
import { autolink } from './plugins/autolink.js';
import { besideSelected } from './plugins/beside-selected.js';
import { textCommands } from './keys.js';
import { pastedText } from './plugins/paste.js';
import { quotes } from './plugins/quotes.js';
import { slipPlugin } from './plugins/slip-plugin.js';
import { typedRules } from './plugins/typed-rules.js';
import { openSlip } from './state/slip.js';
import { removeLink } from './changes/change-links.js';
import { toLink } from './going/links.js';
import { computedViews } from './views/computed-views.js';
import { goToPlace } from './going/visited.js';

/** Marks a change that was taken over from the text around the note. */
const FROM_TEXT = 'from-text';

export interface NoteEditorOptions {
  place: HTMLElement;
  /** The text that the note is part of. */
  outer: EditorView;
  chapter: string;
  /** Where the note stands in it now. */
  position(): number;
  changed(view: EditorView): void;
  /** Enter: the author goes on in the text. */
  accept(): void;
  /** Esc. */
  leave(): void;
}

/**
 * An editor of the remark of a note. Every change goes into the text around it, so saving, undo and the ids are those of
 * the chapter; changes made there come back by `update`.
 */
export class NoteEditor {
  readonly view: EditorView;

  constructor(
    note: Node,
    readonly options: NoteEditorOptions,
  ) {
    const { outer, chapter, accept, leave } = options;
    const inText = (command: (typeof textCommands)['undo']) => (): boolean =>
      command(outer.state, outer.dispatch);
    this.view = new EditorView(options.place, {
      state: EditorState.create({
        doc: note,
        plugins: [
          besideSelected(),
          ...typedRules(quotes),
          autolink(),
          pastedText(),
          keymap({
            'Mod-k': openSlip(chapter),
            'Mod-Alt-k': removeLink(chapter),
            'Alt-PageDown': toLink(chapter, 1),
            'Alt-PageUp': toLink(chapter, -1),
            'Mod-z': inText(textCommands.undo),
            'Mod-y': inText(textCommands.redo),
            'Shift-Mod-z': inText(textCommands.redo),
            'Mod-b': textCommands.strong,
            'Mod-i': textCommands.emphasis,
            'Shift-Enter': (state, dispatch) => {
              dispatch?.(state.tr.replaceSelectionWith(schema.nodes.hard_break.create()).scrollIntoView());
              return true;
            },
            // As in every slip, Enter accepts; a new paragraph has a key of its own.
            Enter: () => {
              accept();
              return true;
            },
            'Mod-Enter': baseKeymap.Enter!,
            Escape: () => {
              leave();
              return true;
            },
          }),
          keymap(baseKeymap),
          slipPlugin(chapter),
        ],
      }),
      nodeViews: computedViews(goToPlace),
      attributes: {
        class: 'book-text note-text',
        role: 'textbox',
        'aria-label': 'Words of the note',
        'aria-multiline': 'true',
        spellcheck: 'true',
      },
      dispatchTransaction: (transaction) => this.#dispatch(transaction),
      handleClickOn(_view, _position, _node, _at, event) {
        if ((event.target as HTMLElement).closest('a')) event.preventDefault();
        return false;
      },
    });
  }

  #dispatch(transaction: Transaction): void {
    const { outer, position, changed } = this.options;
    this.view.updateState(this.view.state.apply(transaction));
    changed(this.view);
    if (transaction.getMeta(FROM_TEXT) || !transaction.docChanged) return;
    const whole = outer.state.tr;
    const offset = StepMap.offset(position() + 1);
    for (const step of transaction.steps) {
      const mapped = step.map(offset);
      if (mapped) whole.step(mapped);
    }
    if (whole.docChanged) outer.dispatch(whole);
  }

  /** Takes over what has changed of the note in the text around it: by undo, or by new ids. */
  update(note: Node): void {
    const { state } = this.view;
    const start = note.content.findDiffStart(state.doc.content);
    if (start === null) {
      if (!note.eq(state.doc)) this.#takeOver(note, 0, state.doc.content.size, note.content.size);
      return;
    }
    const ends = note.content.findDiffEnd(state.doc.content);
    if (!ends) return;
    const overlap = start - Math.min(ends.a, ends.b);
    const [mine, theirs] = overlap > 0 ? [ends.b + overlap, ends.a + overlap] : [ends.b, ends.a];
    this.#takeOver(note, start, mine, theirs);
  }

  #takeOver(note: Node, from: number, mine: number, theirs: number): void {
    const { tr } = this.view.state;
    this.view.dispatch(tr.replace(from, mine, note.slice(from, theirs)).setMeta(FROM_TEXT, true));
  }

  destroy(): void {
    this.view.destroy();
  }
}

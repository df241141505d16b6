import { schema } from '@vennet/core/manuscript';
import { EditorState } from 'prosemirror-state';
import { EditorView } from 'prosemirror-view';

declare global {
  interface Window {
    showBare(place: Element, doc: unknown): void;
  }
}

/** The floor: the editor alone, with the text and nothing that Vennet adds to it. It runs in the browser. */
function showBare(place: Element, doc: unknown): void {
  const state = EditorState.create({ doc: schema.nodeFromJSON(doc) });
  new EditorView(place, {
    state,
    attributes: { class: 'book-text', role: 'textbox', 'aria-label': 'Text of the chapter' },
  });
}

Object.assign(window, { showBare });

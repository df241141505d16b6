import { useEditor } from '../state/store.js';

/** When a dialog that was opened from the text is gone, the text has the focus again. */
export function backToText(event: Event): void {
  event.preventDefault();
  useEditor.getState().view?.focus();
}

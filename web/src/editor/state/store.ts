import type { Link } from '@vennet/core/manuscript';
import type { EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { create } from 'zustand';

/** The editor that is on the screen, for the parts of the room around it. */
export interface EditorStore {
  view: EditorView | null;
  chapter: string;
  /** The newest state, handed on once a frame so that typing never waits for what stands beside the text. */
  state: EditorState | null;
  /** Words whose mentions are to be linked or unlinked, and the link that they are to get. */
  mentions: { words: string; link: Link } | null;
  /** A link that is about to be followed, once the author has read where it leads. */
  following: Link | null;
}

export const useEditor = create<EditorStore>(() => ({
  view: null,
  chapter: '',
  state: null,
  following: null,
  mentions: null,
}));

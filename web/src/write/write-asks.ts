import type { Command } from 'prosemirror-state';
import { create } from 'zustand';

/** What is asked in a dialog over the text. */
export type WriteAsk = 'table' | 'language' | 'sign';

/** `accepted` is done once the dialog is gone. */
export const useWriteAsk = create<{ ask: WriteAsk | null; accepted: Command | null }>(() => ({
  ask: null,
  accepted: null,
}));
export const askFor = (ask: WriteAsk | null): void => useWriteAsk.setState({ ask, accepted: null });
export const accept = (accepted: Command): void => useWriteAsk.setState({ ask: null, accepted });

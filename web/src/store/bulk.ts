import type { MentionsRequest, RepairDone, RepairRequest } from '@vennet/core/wire';
import type { Command } from 'prosemirror-state';
import { api } from '../api/client.js';
import { useBook } from './book.js';
import { tellFault, useNotices } from './notices.js';
import { saveAll } from './saver.js';

/** The last change all over the book, while it can be taken back. */
let last: { book: string; snapshot: string } | null = null;

/** Repairs links all over the book, and offers to take it back. True when it was done. */
export const repairInBook = (book: string, request: RepairRequest) =>
  inBook(book, () => api.repair(book, request), 'changed');

/** Makes links of mentions all over the book, and offers to take it back. True when it was done. */
export const linkMentionsInBook = (book: string, request: MentionsRequest) =>
  inBook(book, () => api.linkMentions(book, request), 'made');

async function inBook(
  book: string,
  change: () => Promise<RepairDone>,
  done: 'changed' | 'made',
): Promise<boolean> {
  try {
    await saveAll();
    const { changed, snapshot } = await change();
    await useBook.getState().open(book);
    last = { book, snapshot };
    const words = changed === 1 ? `One link was ${done}.` : `${changed} links were ${done}.`;
    useNotices.getState().tell(words, { action: { label: 'Take it back', run: () => void takeBack() } });
    return true;
  } catch (error) {
    tellFault(error);
    return false;
  }
}

async function takeBack(): Promise<void> {
  if (!last) return;
  const { book, snapshot } = last;
  last = null;
  try {
    await saveAll();
    await api.restore(book, snapshot);
    await useBook.getState().open(book);
    useNotices.getState().tell('The book is as it was before.');
  } catch (error) {
    tellFault(error);
  }
}

/** Undo, when everything typed since is undone: the last change all over the book goes in one step. */
export const undoInBook: Command = (_state, dispatch) => {
  if (!last || last.book !== useBook.getState().book?.id) return false;
  if (dispatch) void takeBack();
  return true;
};

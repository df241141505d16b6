import type { SectionMove } from '@vennet/core/edits';
import type { InsideRepairRequest, MentionsRequest, RepairDone, RepairRequest } from '@vennet/core/wire';
import type { Command } from 'prosemirror-state';
import { api } from '../api/client.js';
import { useBook } from './store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { saveAll } from './saver.js';

/** The last change all over the book, while it can be taken back. */
let last: { book: string; snapshot: string } | null = null;

/** Repairs links all over the book, and offers to take it back. True when it was done. */
export const repairInBook = (book: string, request: RepairRequest) =>
  inBook(
    book,
    () => api.repair(book, request),
    request.repair.type === 'make-note' ? notesWereMade : linksWere('changed'),
  );

/** Repairs a place, a note or a list, and offers to take it back. */
export const repairPlaceInBook = (book: string, request: InsideRepairRequest) =>
  inBook(
    book,
    () => api.repairInside(book, request),
    (changed) => (changed > 0 ? 'It is repaired.' : 'There was nothing to repair any more.'),
  );

/** Moves a section, and offers to take it back. */
export const moveSectionInBook = (book: string, move: SectionMove) =>
  inBook(
    book,
    () => api.moveSection(book, move),
    () => 'The section was moved.',
  );

/** Makes links of mentions all over the book, and offers to take it back. True when it was done. */
export const linkMentionsInBook = (book: string, request: MentionsRequest) =>
  inBook(book, () => api.linkMentions(book, request), linksWere('made'));

const notesWereMade = (changed: number): string =>
  changed === 1 ? 'One mark leads to a real note.' : `${changed} marks lead to real notes.`;

function linksWere(done: string): (changed: number) => string {
  return (changed) => (changed === 1 ? `One link was ${done}.` : `${changed} links were ${done}.`);
}

async function inBook(
  book: string,
  change: () => Promise<RepairDone>,
  said: (changed: number) => string,
): Promise<boolean> {
  try {
    await saveAll();
    const { changed, snapshot } = await change();
    await useBook.getState().open(book);
    last = { book, snapshot };
    useNotices
      .getState()
      .tell(said(changed), { action: { label: 'Take it back', run: () => void takeBack() } });
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

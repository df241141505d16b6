import type { RepairRequest } from '@vennet/core/wire';
import { api } from '../api/client.js';
import { useBook } from '../store/book.js';
import { tellFault, useNotices } from '../store/notices.js';
import { saveAll } from '../store/saver.js';

/** Repairs links all over the book, and offers to take it back. True when it was done. */
export async function repairInBook(book: string, request: RepairRequest): Promise<boolean> {
  try {
    await saveAll();
    const { changed, snapshot } = await api.repair(book, request);
    await useBook.getState().open(book);
    const words = changed === 1 ? 'One link was changed.' : `${changed} links were changed.`;
    useNotices
      .getState()
      .tell(words, { action: { label: 'Take it back', run: () => void takeBack(book, snapshot) } });
    return true;
  } catch (error) {
    tellFault(error);
    return false;
  }
}

async function takeBack(book: string, snapshot: string): Promise<void> {
  try {
    await api.restore(book, snapshot);
    await useBook.getState().open(book);
    useNotices.getState().tell('The book is as it was before.');
  } catch (error) {
    tellFault(error);
  }
}

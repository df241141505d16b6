import type { InsideSubject } from '@vennet/core/audit';
import { applyInsideRepair, type InsideRepair } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import { mint } from '../state/mint.js';
import { useEditor } from '../state/store.js';
import { openBook } from '../../book/open-book.js';

/** Repairs something of the book: in the text that is open, where undo takes it back, else on the server. */
export async function repairInside(subject: InsideSubject, repair: InsideRepair): Promise<void> {
  const { view, chapter } = useEditor.getState();
  if (view && chapter === subject.chapter) {
    const transaction = closeHistory(view.state.tr);
    applyInsideRepair(transaction, subject, repair, mint);
    if (transaction.docChanged) view.dispatch(transaction);
    view.focus();
    return;
  }
  const { id, at } = subject;
  await openBook().bulk.repairInside({ target: { id, at, chapter: subject.chapter }, repair });
}

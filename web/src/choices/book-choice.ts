import type { Manuscript } from '@vennet/core/wire';
import { useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';

type Choices = Pick<Manuscript, 'look' | 'structure'>;

/**
 * What is chosen once for the whole book, in a dialog: it begins with what the book has, is kept when it is accepted,
 * and can be taken back. A choice that could not be kept leaves the dialog open.
 */
export function useBookChoice<Key extends keyof Choices>(key: Key, otherwise: Choices[Key], said: string) {
  const book = useBook((store) => store.book);
  const [open, setOpen] = useState(false);
  const [chosen, choose] = useState<Choices[Key]>(otherwise);
  const show = (now: boolean) => {
    if (now && book) choose(book[key]);
    setOpen(now);
  };
  const accept = async () => {
    if (!book) return;
    const { id, [key]: before } = book;
    try {
      await keep(id, key, chosen);
    } catch (error) {
      tellFault(error);
      return;
    }
    setOpen(false);
    useNotices.getState().tell(said, {
      action: { label: 'Take it back', run: () => void keep(id, key, before).catch(tellFault) },
    });
  };
  return { open, show, chosen, choose, accept: () => void accept() };
}

async function keep<Key extends keyof Choices>(id: string, key: Key, choice: Choices[Key]) {
  const changes = { [key]: choice } as Pick<Choices, Key>;
  await api.changeBook(id, changes);
  const { book, setDetails } = useBook.getState();
  if (book?.id === id) setDetails(changes);
}

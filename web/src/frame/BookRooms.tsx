import { underlineOf, type LinkLook } from '@vennet/core/manuscript';
import { useCallback, useEffect, useState } from 'react';
import { Outlet, useParams } from 'react-router';
import { useBook } from '../book/store.js';
import { useTheme, type Theme } from './theme.js';
import { Frame } from './Frame.js';
import { Waiting } from './Waiting.js';
import { openBook } from '../book/open-book.js';

/** The look of the book's links, for every text on the page. */
function showLook(look: LinkLook, theme: Theme): void {
  const { style } = document.documentElement;
  style.setProperty('--link', look[theme]);
  style.setProperty('--link-line', underlineOf(look));
  style.setProperty('--link-weight', look.weight === 'strong' ? '650' : 'inherit');
}

/** The rooms of one book: they share the frame, the text and everything computed from it. */
export function BookRooms() {
  const { book: id = '' } = useParams();
  const book = useBook((state) => (state.book?.id === id ? state.book : null));
  const [fault, setFault] = useState<string | null>(null);
  const { theme } = useTheme();
  const load = useCallback(() => {
    setFault(null);
    openBook()
      .open(id)
      // What an earlier page has left to be sent.
      .then(() => openBook().details.goOn())
      .catch((error: Error) => setFault(error.message));
  }, [id]);
  useEffect(load, [load]);
  useEffect(() => {
    if (!book) return;
    document.title = `${book.title} · Vennet`;
    showLook(book.look, theme);
  }, [book, theme]);
  return <Frame book={book ?? undefined}>{book ? <Outlet /> : <Waiting fault={fault} retry={load} />}</Frame>;
}

import { QueryObserver, type QueryClient } from '@tanstack/react-query';
import { queries as known } from '../api/queries.js';
import type { BookNews } from '@vennet/core/wire';
import type { Opening } from './opening.js';
import type { OpenBookStore } from './store.js';
import type { Texts } from './texts.js';

/**
 * Keeps what the store has of the Shelf and of the verdicts in step with the server: they can change in another window or
 * by a check. The observers watch the book that is open.
 */
export function keepInStep(store: OpenBookStore, queries: QueryClient): void {
  let watched: string | null = null;
  let leave = () => {};
  const watch = (book: string) => {
    const verdicts = new QueryObserver(queries, known.verdicts(book));
    const survey = new QueryObserver(queries, known.survey(book));
    const files = new QueryObserver(queries, known.files(book));
    const stops = [
      verdicts.subscribe(({ data }) => data && store.getState().setVerdicts(data)),
      survey.subscribe(({ data }) => data && store.getState().setChoices(data)),
      files.subscribe(({ data }) => {
        if (data && data !== store.getState().book?.files) store.getState().setDetails({ files: data });
      }),
    ];
    const { data } = verdicts.getCurrentResult();
    if (data) store.getState().setVerdicts(data);
    const { data: choices } = survey.getCurrentResult();
    if (choices) store.getState().setChoices(choices);
    return () => stops.forEach((stop) => stop());
  };
  store.subscribe(({ book }) => {
    if ((book?.id ?? null) === watched) return;
    leave();
    watched = book?.id ?? null;
    leave = watched ? watch(watched) : () => {};
  });
}

/** What keeping the texts in step needs. */
export interface NewsNeeds {
  store: OpenBookStore;
  texts: Pick<Texts, 'catchUp'>;
  open: Opening;
  /** Listens to how a book's chapters stand; the function that comes back stops listening. */
  listen(book: string, heard: (news: BookNews) => void): () => void;
}

/** Takes in what other windows and changes all over the book do to the texts of the open book, as soon as the server tells. */
export function keepTextsInStep({ store, texts, open, listen }: NewsNeeds): void {
  let watched: string | null = null;
  let leave = () => {};
  const hear = async (book: string, { chapters }: BookNews) => {
    const here = store.getState().book;
    if (here?.id !== book) return;
    const isSame =
      here.chapters.length === chapters.length &&
      chapters.every(({ id }, index) => here.chapters[index]?.id === id);
    // What can't be asked for now is told of again with the next news, and when the connection is back.
    if (!isSame) await open(book).catch(() => {});
    for (const { id, version } of chapters) await texts.catchUp(id, version).catch(() => {});
  };
  store.subscribe(({ book }) => {
    if ((book?.id ?? null) === watched) return;
    leave();
    watched = book?.id ?? null;
    leave = book ? listen(book.id, (news) => void hear(book.id, news)) : () => {};
  });
}

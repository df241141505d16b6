import { groundFile } from '@vennet/client';
import type { PageText } from '@vennet/core/ground';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { api } from '../api/client.js';
import { openPdf } from '../parts/pdfjs.js';
import { useBook } from './store.js';

interface Opened {
  book: string;
  file: Promise<PDFDocumentProxy>;
  close(): void;
}

let opened: Opened | null = null;
const texts = new Map<string, Promise<PageText>>();
const known = new Map<string, PageText>();

/** The finished file of the open book, or of one that is about to be, as it is drawn; only what is looked at is fetched. */
export function groundOpen(book = useBook.getState().book): Promise<PDFDocumentProxy> {
  const id = book?.id ?? '';
  if (opened?.book === id) return opened.file;
  opened?.close();
  let isClosed = false;
  let destroy = () => {};
  const file = (async () => {
    const reading = await openPdf(groundFile(id), book?.ground?.password);
    destroy = () => void reading.destroy();
    if (isClosed) destroy();
    return reading.promise;
  })();
  opened = {
    book: id,
    file,
    close() {
      isClosed = true;
      destroy();
    },
  };
  return file;
}

/** Lets the finished file go. */
export function closeGround(): void {
  opened?.close();
  opened = null;
  texts.clear();
  known.clear();
}

const keyOf = (number: number): string => `${useBook.getState().book?.id ?? ''} ${number}`;

/** What stands on a page of the open book. @param number from 1 */
export function pageText(number: number): Promise<PageText> {
  const key = keyOf(number);
  let text = texts.get(key);
  if (!text) {
    text = api.pageText(useBook.getState().book?.id ?? '', number);
    texts.set(key, text);
    text.then(
      (read) => known.set(key, read),
      () => texts.delete(key),
    );
  }
  return text;
}

/** What stands on a page, as far as it was asked for before. */
export const knownText = (number: number): PageText | null => known.get(keyOf(number)) ?? null;

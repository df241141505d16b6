import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS, type Edition } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { filesOf } from './files.js';
import type { PublishInput } from './publish-work.js';

/** What a book is looked at by, before a file of it is made. */
export type PageInput = Pick<PublishInput, 'source' | 'enclosures' | 'format'> &
  Partial<Pick<PublishInput, 'pdf' | 'flow'>>;

/** A book as it is set to be looked at: with its pictures, and no other file. @throws FileRefusal */
export function pageEdition({ source, enclosures, format, pdf, flow }: PageInput): Edition {
  const book = manuscriptFrom(source);
  const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
  return editionOf(readBook(book), files, format, surroundingsOf(book), {
    ...(pdf && { pdf }),
    ...(flow && { flow }),
  });
}

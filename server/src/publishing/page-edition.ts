import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS, type Edition } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { filesOf } from './files.js';
import type { PublishInput } from './publish-work.js';

/** A book as its pages are set to be looked at: with its pictures, and no other file. @throws FileRefusal */
export function pageEdition({
  source,
  enclosures,
  pdf,
}: Pick<PublishInput, 'source' | 'enclosures' | 'pdf'>): Edition {
  const book = manuscriptFrom(source);
  const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
  return editionOf(readBook(book), files, 'pdf', surroundingsOf(book), pdf);
}

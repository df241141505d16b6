import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { filesOf, refusalWords } from './files.js';
import type { PublishInput } from './publish.process.js';

work<Pick<PublishInput, 'source' | 'enclosures'>, never, [string, string][]>(
  refusalWords,
  ({ source, enclosures }) => {
    const book = manuscriptFrom(source);
    const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
    const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book));
    return [...setPages(edition).labels];
  },
);

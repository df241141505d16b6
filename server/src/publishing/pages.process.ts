import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { filesOf, refusalWords } from './files.js';
import type { PublishInput } from './publish.process.js';

work<Pick<PublishInput, 'book' | 'enclosures'>, never, [string, string][]>(
  refusalWords,
  ({ book, enclosures }) => {
    const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
    const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book));
    return [...setPages(edition).labels];
  },
);

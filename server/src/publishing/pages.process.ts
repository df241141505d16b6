import { readFileSync } from 'node:fs';
import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { work } from '../jobs/work.js';
import { setPages, TypesettingError } from '../typesetting/typeset.js';
import type { PublishInput } from './publish.process.js';

work<Pick<PublishInput, 'book' | 'enclosures'>, never, [string, string][]>(
  TypesettingError,
  ({ message }) => message,
  ({ book, enclosures }) => {
    const files = enclosures.map(({ path, ...file }) => ({
      ...file,
      bytes: new Uint8Array(PICTURE_EXTENSIONS[file.type] ? readFileSync(path) : []),
    }));
    const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book));
    return [...setPages(edition).labels];
  },
);

import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS, whereShapeless } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { filesOf, refusalWords } from './files.js';
import type { SetWhole } from './pages.service.js';
import type { PublishInput } from './publish-work.js';

work<Pick<PublishInput, 'source' | 'enclosures' | 'pdf'>, never, SetWhole>(
  refusalWords,
  ({ source, enclosures, pdf }) => {
    const book = manuscriptFrom(source);
    const files = filesOf(enclosures, ({ type }) => Boolean(PICTURE_EXTENSIONS[type]));
    const edition = editionOf(readBook(book), files, 'pdf', surroundingsOf(book), pdf);
    const set = setPages(edition);
    return { pages: [...set.labels], shapeless: whereShapeless(edition.book, set.write().unseen) };
  },
);

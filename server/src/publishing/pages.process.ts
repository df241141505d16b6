import { whereShapeless } from '@vennet/core/publish';
import { work } from '../jobs/work.js';
import { setPages } from '../typesetting/typeset.js';
import { refusalWords } from './files.js';
import { pageEdition } from './page-edition.js';
import type { SetWhole } from './pages.service.js';
import type { PublishInput } from './publish-work.js';

work<Pick<PublishInput, 'source' | 'enclosures' | 'pdf'>, never, SetWhole>(refusalWords, (input) => {
  const edition = pageEdition({ ...input, format: 'pdf' });
  const set = setPages(edition);
  return { pages: [...set.labels], shapeless: whereShapeless(edition.book, set.write().unseen) };
});

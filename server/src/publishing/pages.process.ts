import { isFont, scriptFonts, whereShapeless } from '@vennet/core/publish';
import { fontsByScript } from '@vennet/core/readback';
import { work } from '../jobs/work.js';
import { fontNamed } from '../typesetting/fonts.js';
import { setPages } from '../typesetting/typeset.js';
import { refusalWords } from './files.js';
import { pageEdition } from './page-edition.js';
import type { SetWhole } from './pages.service.js';
import type { PublishInput } from './publish-work.js';

work<Pick<PublishInput, 'source' | 'enclosures' | 'pdf'>, never, SetWhole>(refusalWords, async (input) => {
  const { edition, refused } = await pageEdition({ ...input, format: 'pdf' });
  const set = setPages(edition);
  const { bytes, unseen } = set.write();
  const shelf = [...edition.enclosures.values()].filter(isFont).map(({ name }) => name);
  const used = await fontsByScript(bytes);
  return {
    pages: [...set.labels],
    shapeless: whereShapeless(edition.book, unseen),
    refused,
    scripts: scriptFonts(edition.book, used, unseen, (name) => fontNamed(name, shelf)),
  };
});

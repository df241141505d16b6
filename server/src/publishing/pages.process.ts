import { scriptFonts, whereShapeless } from '@vennet/core/publish';
import { fontsByScript } from '@vennet/core/readback';
import { work } from '../jobs/work.js';
import { familyOf, ships } from '../typesetting/fonts.js';
import { setPages } from '../typesetting/typeset.js';
import { refusalWords } from './files.js';
import { pageEdition } from './page-edition.js';
import type { SetWhole } from './pages.service.js';
import type { PublishInput } from './publish-work.js';

work<Pick<PublishInput, 'source' | 'enclosures' | 'pdf'>, never, SetWhole>(refusalWords, async (input) => {
  const { edition, refused } = await pageEdition({ ...input, format: 'pdf' });
  const set = setPages(edition);
  const { bytes, unseen } = set.write();
  const plain = (name: string) => name.replace(/[^A-Za-z0-9]/g, '').toLowerCase();
  const own = [...edition.enclosures.values()].filter(({ type }) => type.startsWith('font/'));
  const shelf = own.map(({ name }) => name);
  const used = new Map<string, Map<string, number>>();
  for (const [script, fonts] of await fontsByScript(bytes)) {
    const families = new Map<string, number>();
    for (const [name, count] of fonts) {
      const family = shelf.find((one) => plain(name.replace(/^[A-Z]{6}\+/, '')).startsWith(plain(one)));
      const called = family ?? spaced(familyOf(name));
      families.set(called, (families.get(called) ?? 0) + count);
    }
    used.set(script, families);
  }
  return {
    pages: [...set.labels],
    shapeless: whereShapeless(edition.book, unseen),
    refused,
    scripts: scriptFonts(edition.book, used, unseen, (family) =>
      shelf.includes(family) ? 'shelf' : ships(family) ? 'shipped' : 'machine',
    ),
  };
});

/** `NotoSansThai` as people write it. */
const spaced = (name: string): string => name.replace(/([a-z])([A-Z0-9])/g, '$1 $2');

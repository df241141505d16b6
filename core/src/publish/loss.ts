import { accessibleName, contrastsOf } from '../audit/index.js';
import { entryId, targetIn, type Edition } from './edition.js';

/** Something that will not be in the made file as it is in the book; told before the file is made. */
export interface Loss {
  what: string;
  count: number;
  why: string;
}

/** What would be lost or change in a form, before it is made. */
export function lossesIn(edition: Edition): Loss[] {
  const { format, links, book } = edition;
  const losses: Loss[] = [];
  const add = (what: string, count: number, why: string) => {
    if (count > 0) losses.push({ what, count, why });
  };
  const nowhere = links.filter((link) => targetIn(edition, link.destination) === null);
  add(
    nowhere.length === 1 ? 'link that leads nowhere' : 'links that lead nowhere',
    nowhere.length,
    'What they led to is not there, or has no address yet. Their words stay, without a link.',
  );
  const listed = links.filter(({ destination }) => {
    const target = targetIn(edition, destination);
    const id =
      destination.kind === 'file'
        ? destination.enclosure
        : destination.kind === 'book'
          ? destination.book
          : null;
    return id !== null && target !== null && 'place' in target && target.place === entryId(id);
  });
  add(
    `${listed.length === 1 ? 'link' : 'links'} to what is not in the text`,
    listed.length,
    'Readers are led to a list at the end, which says how readers come by the file or the book.',
  );
  if (contrastsOf(book.look).some(({ readable, told }) => !readable || !told))
    add(
      'look of the links',
      1,
      'It is hard to read or to tell from the words around; see “Link look” in Write.',
    );
  if (format === 'pdf') {
    const wordless = links.filter((link) => accessibleName(link) === '' && link.carrier === 'text');
    add(
      wordless.length === 1 ? 'link without words' : 'links without words',
      wordless.length,
      'A link in a PDF needs something to press, so the address itself is printed.',
    );
    const moving = [...edition.enclosures.values()].filter((file) => file.type === 'image/gif');
    add(
      moving.length === 1 ? 'moving picture' : 'moving pictures',
      moving.length,
      'A PDF shows the first picture of each.',
    );
  }
  return losses;
}

import { accessibleName } from '../audit/index.js';
import { targetIn, type Edition } from './edition.js';

export type Format = 'epub' | 'pdf';

/** Something that will not be in the made file as it is in the book; told before the file is made. */
export interface Loss {
  what: string;
  count: number;
  why: string;
}

/** What would be lost or change in a form, before it is made. */
export function lossesIn(edition: Edition, format: Format): Loss[] {
  const losses: Loss[] = [];
  const add = (what: string, count: number, why: string) => {
    if (count > 0) losses.push({ what, count, why });
  };
  const nowhere = edition.links.filter((link) => targetIn(edition, link.destination) === null);
  add(
    'links that lead nowhere',
    nowhere.length,
    'The place they led to is not in the book. Their words stay, without a link.',
  );
  if (format === 'pdf') {
    const wordless = edition.links.filter((link) => accessibleName(link) === '' && link.carrier === 'text');
    add(
      'links without words',
      wordless.length,
      'A link in a PDF needs something to press, so the address itself is printed.',
    );
    const moving = [...edition.enclosures.values()].filter((file) => file.type === 'image/gif');
    add('moving pictures', moving.length, 'A PDF shows the first picture of each.');
  }
  return losses;
}

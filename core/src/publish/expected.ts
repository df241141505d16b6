import { accessibleName, nameInFile } from '../audit/index.js';
import { hrefOf } from '../destination/index.js';
import type { Link } from '../manuscript/index.js';
import { targetIn, type Edition, type ExpectedLink } from './edition.js';

/**
 * Every link of the book as the made file must have it. Links that lead nowhere are expected too: the proof says that
 * they are lost.
 */
export function expectedLinks(edition: Edition): ExpectedLink[] {
  return edition.links.map((link) => {
    const href = hrefIn(edition, link) ?? hrefOf(link.destination);
    return { id: link.id, href, text: shownText(link, href, edition), chapter: link.chapter };
  });
}

/** The address of a link in the made file, `#` before a place of it; `null` where it leads nowhere. */
export function hrefIn(edition: Edition, { destination }: Pick<Link, 'destination'>): string | null {
  const target = targetIn(edition, destination);
  return target && ('place' in target ? `#${target.place}` : target.href);
}

/** In a PDF, a link without words shows its address, and pictures have no text of their own. */
function shownText(link: Link, href: string, edition: Edition): string {
  if (edition.format !== 'pdf') return nameInFile(link, edition.surroundings);
  if (link.carrier !== 'text') return '';
  return accessibleName(link) === '' ? href : link.text;
}

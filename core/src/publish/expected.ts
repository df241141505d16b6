import { accessibleName } from '../audit/index.js';
import { hrefOf } from '../destination/index.js';
import { targetIn, type Edition, type ExpectedLink } from './edition.js';
import type { Format } from './loss.js';

/**
 * Every link of the book as a made file of this form must have it. Links that lead nowhere are expected too: the proof
 * says that they are lost.
 */
export function expectedLinks(edition: Edition, format: Format): ExpectedLink[] {
  return edition.links.map((link) => {
    const target = targetIn(edition, link.destination);
    const href = target && 'place' in target ? `#${target.place}` : hrefOf(link.destination);
    return {
      id: link.id,
      href,
      text: shownText(link.text, link.carrier, href, format),
      chapter: link.chapter,
    };
  });
}

/** In a PDF, a link without words shows its address, and a picture has no text of its own. */
function shownText(text: string, carrier: 'text' | 'picture', href: string, format: Format): string {
  if (format === 'pdf' && carrier === 'picture') return '';
  return format === 'pdf' && accessibleName({ text }) === '' ? href : text;
}

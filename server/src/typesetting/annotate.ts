import { PdfString, type PDF } from '@libpdf/core';
import { hrefIn, ownAddress, saidOf, type Edition } from '@vennet/core/publish';
import { linkAnnotations } from './pdf-tree.js';

/**
 * Writes where links lead and what is said of them (`Contents`, ISO 32000-1, table 164) into the annotations that the typesetter
 * gave addresses of its own. The typesetter puts the bare address of every other link there.
 *
 * @param names the named destinations of the file
 */
export function annotate(document: PDF, edition: Edition, names: ReadonlySet<string>): void {
  const links = new Map(edition.links.map((link) => [link.id, link]));
  for (const { annotation, address, action } of linkAnnotations(document)) {
    const own = ownAddress(address);
    if (!own) continue;
    const link = 'link' in own ? links.get(own.link) : undefined;
    const href = 'place' in own ? `#${own.place}` : link ? (hrefIn(edition, link) ?? '') : '';
    const said = 'place' in own ? own.words : link ? saidOf(link, edition) : '';
    annotation.set('Contents', PdfString.fromString(said || href.slice(1)));
    if (!href.startsWith('#')) action.set('URI', new PdfString(new TextEncoder().encode(href)));
    else {
      annotation.delete('A');
      const place = href.slice(1);
      if (names.has(place)) annotation.set('Dest', PdfString.fromString(place));
    }
  }
}

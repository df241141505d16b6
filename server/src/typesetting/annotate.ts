import { PdfString, type PDF } from '@libpdf/core';
import { fileTold } from '@vennet/core/reader';
import type { Link } from '@vennet/core/manuscript';
import { computedLinks, hrefIn, toldIn, type Edition } from '@vennet/core/publish';
import { PLACE_SCHEME } from './named-places.js';
import { addressOf, linkElements } from './pdf-tree.js';

/**
 * Writes what is said of links into their annotations (`Contents`, ISO 32000-1, table 164): the hover note, the name of a
 * picture or of a part of one, a file's type and size; of a link inside the file its words. The typesetter puts the bare
 * address there. Links are met in the order of the structure tree, one `Link` element each, and matched with those of the
 * book by where they lead.
 */
export function annotate(document: PDF, edition: Edition): void {
  const waiting = new Map<string, string[]>();
  const wait = (href: string, contents: string) => {
    const queue = waiting.get(href);
    if (queue) queue.push(contents);
    else waiting.set(href, [contents]);
  };
  for (const link of edition.links) {
    const href = hrefIn(edition, link);
    if (href !== null) wait(href, contentsOf(link, edition));
  }
  for (const { href, text } of computedLinks(edition)) wait(href, text);
  for (const annotations of linkElements(document)) {
    const address = (annotations[0] && addressOf(annotations[0], document)) ?? '';
    const inside = address.startsWith(PLACE_SCHEME);
    const href = inside ? `#${address.slice(PLACE_SCHEME.length)}` : address;
    const contents = waiting.get(href)?.shift() ?? '';
    if (contents === '' && !inside) continue;
    for (const annotation of annotations)
      annotation.set('Contents', PdfString.fromString(contents || href.slice(1)));
  }
}

/** What is said of a link; nothing where its address says all. */
function contentsOf(link: Link, edition: Edition): string {
  const name = link.about?.name
    ? link.about.name
    : link.carrier === 'text' && link.kind !== 'place'
      ? ''
      : link.text;
  const told = fileTold(link, toldIn(edition)) ?? '';
  return [name, told, link.hoverNote].filter((words) => words.trim() !== '').join('. ');
}

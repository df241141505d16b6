import type { Node } from 'prosemirror-model';
import { phrases } from '../language/index.js';
import { attrsOf } from './attrs.js';
import type { Link } from './link.js';
import { CONTENTS, headingsByChapter, TOP, type Place } from './place.js';

/** Where one return link leads: a place of the book, or the spot of a link by its id. */
export interface Return {
  to: string;
  words: string;
}

/** Finds the section in which a link stands: the heading above it, or its chapter. */
export function sectionFinder(
  places: ReadonlyMap<string, Place>,
  chapters: readonly { id: string }[],
  orderOf: (chapterIndex: number, at: number) => number,
): (link: Pick<Link, 'chapter' | 'from'>) => string {
  const headings = headingsByChapter(places);
  const index = new Map(chapters.map(({ id }, at) => [id, at]));
  return ({ chapter, from }) => {
    const order = orderOf(index.get(chapter) ?? 0, from);
    return headings.get(chapter)?.findLast((heading) => heading.order <= order)?.id ?? chapter;
  };
}

/** The links that lead into each section from outside of it, by the id of its heading or chapter, in reading order. */
export function originsOf(
  links: readonly Link[],
  places: ReadonlyMap<string, Place>,
  sectionOf: (link: Link) => string,
): Map<string, Link[]> {
  const origins = new Map<string, Link[]>();
  for (const link of links) {
    if (link.destination.kind !== 'place') continue;
    const place = places.get(link.destination.place);
    if (!place || UNRETURNED.has(place.kind)) continue;
    const section = place.kind === 'heading' ? place.id : place.section;
    if (sectionOf(link) === section) continue;
    const own = origins.get(section);
    if (own) own.push(link);
    else origins.set(section, [link]);
  }
  return origins;
}

/** Readers who follow a link to these do not read on there. */
const UNRETURNED = new Set(['top', 'contents', 'note', 'mark']);

/**
 * Where a return link leads, and its words. One to where readers came from leads to every link by which they can have
 * come; in a section that nothing leads to, it leads nowhere.
 *
 * @param from the links that lead to the section in which the return link stands
 * @param nameOf what the section of a link is called
 */
export function returnsOf(
  node: Node,
  language: string,
  from: readonly Link[],
  nameOf: (link: Link) => string,
): Return[] {
  const { to, place, own } = attrsOf.returnLink(node);
  const said = phrases(language);
  if (to === 'top') return [{ to: TOP, words: own || said.toTop }];
  if (to === 'contents') return [{ to: CONTENTS, words: own || said.toContents }];
  if (to === 'list') return place ? [{ to: place, words: own || said.toList }] : [];
  const used = new Map<string, number>();
  return from.map((link) => {
    const words = own || `${said.backTo} ${nameOf(link)}`;
    const count = (used.get(words) ?? 0) + 1;
    used.set(words, count);
    return { to: link.id, words: count > 1 ? `${words} (${count})` : words };
  });
}

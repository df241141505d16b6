import type { Node } from 'prosemirror-model';
import {
  attrsOf,
  listsIn,
  returnLines,
  returnLists,
  linksOf,
  mapOf,
  orderOf,
  originsOf,
  returnsOf,
  sectionFinder,
  type BookMap,
  type Link,
  type ReadBook,
  type Return,
} from '../../manuscript/index.js';
import { withReturnLines } from './return-lines.js';

/** A book with the return links that are computed for it, and where each leads. */
export interface WithReturns {
  book: ReadBook;
  map: BookMap;
  /** Where a return link leads, as far as it is there. */
  returnsOf(node: Node): Return[];
  /** Ids of links to which return links lead. */
  origins: ReadonlySet<string>;
}

/** Puts the computed return links into a book. */
export function returnsIn(plain: ReadBook): WithReturns {
  const before = mapOf(plain);
  const links = linksOf(plain, before.say);
  const sectionOf = sectionFinder(before.places, plain.chapters, orderOf);
  const docs = new Map(plain.chapters.map(({ id, doc }) => [id, doc]));
  const origins = new Map(
    [...originsOf(links, before.places, sectionOf)].map(([section, from]) => [
      section,
      oneABlock(from, docs),
    ]),
  );
  const lists = returnLists(
    before.contents,
    plain.chapters.flatMap(({ doc }) => listsIn(doc)),
  );
  const chapters = plain.chapters.map((chapter) => ({
    ...chapter,
    doc: withReturnLines(
      chapter.doc,
      returnLines(chapter.doc, plain.structure, lists, (section) => origins.has(section)),
    ),
  }));
  const book = { ...plain, chapters };
  const map = mapOf(book);
  const sectionAt = sectionFinder(map.places, chapters, orderOf);
  const nameOf = (link: Link) => map.places.get(sectionAt(link))?.words ?? '';
  const sections = sectionsOfReturns(book, sectionAt);
  const leadsTo = (node: Node) => {
    const { id, place } = attrsOf.returnLink(node);
    const section = place ?? sections.get(id) ?? '';
    return returnsOf(node, book.language, origins.get(section) ?? [], nameOf);
  };
  const led = new Set<string>();
  for (const { doc } of chapters)
    doc.descendants((node) => {
      if (node.type.name !== 'return_link' || attrsOf.returnLink(node).to !== 'origin') return;
      for (const { to } of leadsTo(node)) led.add(to);
    });
  const isThere = ({ to }: Return) => map.places.has(to) || led.has(to);
  return { book, map, returnsOf: (node) => leadsTo(node).filter(isThere), origins: led };
}

/** Of the links in one paragraph the first: readers who come back to it have the others before their eyes. */
function oneABlock(links: readonly Link[], docs: ReadonlyMap<string, Node>): Link[] {
  const seen = new Set<string>();
  return links.filter(({ chapter, from }) => {
    const $from = docs.get(chapter)?.resolve(from);
    const block = `${chapter} ${$from && $from.depth > 0 ? $from.before() : from}`;
    return !seen.has(block) && Boolean(seen.add(block));
  });
}

/** The section in which each return link stands that was put by hand. */
function sectionsOfReturns(
  { chapters }: ReadBook,
  sectionOf: (spot: Pick<Link, 'chapter' | 'from'>) => string,
): Map<string, string> {
  const sections = new Map<string, string>();
  for (const { id: chapter, doc } of chapters)
    doc.descendants((node, from) => {
      if (node.type.name === 'return_link')
        sections.set(attrsOf.inside(node).id, sectionOf({ chapter, from }));
    });
  return sections;
}

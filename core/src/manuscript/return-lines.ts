import type { Node } from 'prosemirror-model';
import { attrsOf, type ContentsAttrs } from './attrs.js';
import type { ContentsList } from './contents.js';
import type { ReturnLinkTo } from './inside-nodes.js';
import { schema } from './schema.js';
import { sectionsOf } from './section.js';
import type { Structure } from './structure.js';

/** A return link as it is put into the text after a section. */
interface Wanted {
  to: ReturnLinkTo;
  place: string | null;
  own: string;
}

/** Lists of contents that want a return link after each section that they list, by the id of the section. */
export type ReturnLists = ReadonlyMap<string, Wanted[]>;

/** The return links that stand after a section. */
export interface ReturnLine {
  section: string;
  wanted: Wanted[];
}

/** The lists of contents that stand in a text, on no other block. */
export const listsIn = (doc: Node): ContentsAttrs[] =>
  doc.children.filter(({ type }) => type.name === 'contents').map((node) => attrsOf.contents(node));

/** Which sections want to lead back to which of some lists. */
export function returnLists(
  contents: ReadonlyMap<string, ContentsList>,
  nodes: readonly Pick<ContentsAttrs, 'id' | 'back' | 'backWords'>[],
): ReturnLists {
  const lists = new Map<string, Wanted[]>();
  for (const { id, back, backWords } of nodes) {
    if (!back) continue;
    for (const { place } of contents.get(id)?.lines ?? [])
      lists.set(place, [...(lists.get(place) ?? []), { to: 'list', place: id, own: backWords }]);
  }
  return lists;
}

/**
 * The computed return links of a chapter, by where they stand in its doc: after each section down to the level that the author chose,
 * and after each section whose list wants one. Where several sections end at one spot, they share one line.
 *
 * @param hasOrigins says whether anything leads to a section from outside of it
 */
export function returnLines(
  doc: Node,
  { returns }: Pick<Structure, 'returns'>,
  lists: ReturnLists,
  hasOrigins: (section: string) => boolean,
): Map<number, ReturnLine> {
  const lines = new Map<number, ReturnLine>();
  // The innermost of the sections that end at one spot comes first.
  for (const { id, level, to } of sectionsOf(doc).reverse()) {
    if (!id) continue;
    const chosen = level <= returns.after ? returns.to : [];
    const wanted = [
      ...(lists.get(id) ?? []),
      ...chosen
        .filter((one) => one !== 'origin' || hasOrigins(id))
        .map((one): Wanted => ({ to: one, place: one === 'origin' ? id : null, own: '' })),
    ];
    const line = lines.get(to) ?? { section: id, wanted: [] };
    for (const one of wanted)
      if (!line.wanted.some((other) => other.to === one.to && other.place === one.place))
        line.wanted.push(one);
    if (line.wanted.length > 0) lines.set(to, line);
  }
  return lines;
}

/** Between two return links of one line. */
export const BETWEEN_RETURNS = ' · ';

/** The return links of a line. */
export const linksOfLine = ({ section, wanted }: ReturnLine): Node[] =>
  wanted.map((one, index) => schema.node('return_link', { id: `${section}-return-${index + 1}`, ...one }));

import type { Node } from 'prosemirror-model';
import {
  attrsOf,
  idOf,
  schema,
  sectionsOf,
  type BookMap,
  type ReturnLinkTo,
  type Structure,
} from '../../manuscript/index.js';

/** A return link as it is put into the text after a section. */
interface Wanted {
  to: ReturnLinkTo;
  place: string | null;
  own: string;
}

/** Lists of contents that want a return link after each section that they list, by the id of the section. */
export type ReturnLists = ReadonlyMap<string, Wanted[]>;

/** Which sections want to lead back to which list. */
export function returnLists(
  { contents }: Pick<BookMap, 'contents'>,
  chapters: readonly { doc: Node }[],
): ReturnLists {
  const lists = new Map<string, Wanted[]>();
  for (const { doc } of chapters)
    doc.forEach((node) => {
      if (node.type.name !== 'contents') return;
      const { id, back, backWords } = attrsOf.contents(node);
      if (!back) return;
      for (const { place } of contents.get(id)?.lines ?? [])
        lists.set(place, [...(lists.get(place) ?? []), { to: 'list', place: id, own: backWords }]);
    });
  return lists;
}

/**
 * A chapter with its computed return links: a line after each section down to the level that the author chose, and after
 * each section whose list wants one. Where several sections end at one spot, they share one line.
 *
 * @param hasOrigins says whether anything leads to a section from outside of it
 */
export function withReturnLines(
  doc: Node,
  { returns }: Structure,
  lists: ReturnLists,
  hasOrigins: (section: string) => boolean,
): Node {
  const lines = new Map<number, { section: string; wanted: Wanted[] }>();
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
  if (lines.size === 0) return doc;
  const children: Node[] = [];
  const lineAt = (at: number) => {
    const line = lines.get(at);
    if (line) children.push(paragraphOf(line.section, line.wanted));
  };
  doc.forEach((node, offset) => {
    if (offset > 0) lineAt(offset);
    children.push(node);
  });
  lineAt(doc.content.size);
  return schema.node('doc', null, children);
}

/** True for a line of return links that was computed. */
export const isReturnLine = (node: Node): boolean =>
  node.firstChild?.type.name === 'return_link' && /-return-\d+$/.test(idOf(node.firstChild) ?? '');

/** Between two return links of one line. */
export const BETWEEN_RETURNS = ' · ';

function paragraphOf(section: string, wanted: readonly Wanted[]): Node {
  const links = wanted.map((one, index) =>
    schema.node('return_link', { id: `${section}-return-${index + 1}`, ...one }),
  );
  return schema.node(
    'paragraph',
    null,
    links.flatMap((link, index) => (index === 0 ? [link] : [schema.text(BETWEEN_RETURNS), link])),
  );
}

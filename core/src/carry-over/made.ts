import type { Mark, Node } from 'prosemirror-model';
import { attrsOf, idOf, type LinkArea, type ReadBook } from '../manuscript/index.js';

/** What an author has put into a book that a new version of its text does not have: where it stands in the doc of its chapter. */
export type Made = { id: string; chapter: string; from: number; to: number } & (
  | { kind: 'link' | 'bookmark'; mark: Mark }
  | { kind: 'note' | 'mark of a note' | 'reference' | 'return link'; node: Node }
  | { kind: 'picture link' | 'areas'; figure: Node }
  | { kind: 'contents'; node: Node }
);
export type MadeKind = Made['kind'];

const POINTS: Readonly<Record<string, 'note' | 'mark of a note' | 'reference' | 'return link'>> = {
  note: 'note',
  note_mark: 'mark of a note',
  reference: 'reference',
  return_link: 'return link',
};

/** Everything of that kind in a book, in its order. What stands in a note comes along with it. */
export function madeIn({ chapters }: Pick<ReadBook, 'chapters'>): Made[] {
  return chapters.flatMap(({ id: chapter, doc }) => {
    const made: Made[] = [];
    doc.descendants((node, from) => {
      const { name } = node.type;
      const to = from + node.nodeSize;
      const id = idOf(node) ?? '';
      const point = POINTS[name];
      if (point) made.push({ kind: point, id, chapter, from, to, node });
      else if (name === 'contents') made.push({ kind: 'contents', id, chapter, from, to, node });
      else if (name === 'figure') made.push(...onFigure(node, chapter, from));
      if (node.isInline) for (const mark of node.marks) onWords(made, mark, chapter, from, to);
      return name !== 'note';
    });
    return made;
  });
}

function onFigure(figure: Node, chapter: string, from: number): Made[] {
  const { link, areas } = attrsOf.figure(figure);
  const place = { chapter, from, to: from + 1, figure };
  return [
    ...(link ? [{ kind: 'picture link' as const, id: link.id, ...place }] : []),
    ...(areas.length > 0
      ? [{ kind: 'areas' as const, id: areas.map((area: LinkArea) => area.id).join(' '), ...place }]
      : []),
  ];
}

/** A link or a bookmark goes on over neighbours that bear it. */
function onWords(made: Made[], mark: Mark, chapter: string, from: number, to: number): void {
  const { name } = mark.type;
  if (name !== 'link' && name !== 'bookmark') return;
  const id = idOf(mark) ?? '';
  const open = made.findLast((one) => one.kind === name && one.id === id);
  if (open?.chapter === chapter && open.to === from) open.to = to;
  else made.push({ kind: name, id, chapter, from, to, mark });
}

import { chapterIndexOf, type FigureLink, type LinkArea } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { useBook } from '../../book/store.js';
import { useEditor } from './store.js';

/** Every id that stands in a text. */
function idsIn(doc: Node): Set<string> {
  const ids = new Set<string>();
  doc.descendants((node) => {
    if (node.attrs.id) ids.add(node.attrs.id as string);
    for (const mark of node.marks) if (mark.attrs.id) ids.add(mark.attrs.id as string);
    if (node.type.name !== 'figure') return;
    const { link, areas } = node.attrs as { link: FigureLink | null; areas: readonly LinkArea[] };
    for (const { id } of [...(link ? [link] : []), ...areas]) ids.add(id);
  });
  return ids;
}

/** Every id that the other chapters of the book have. */
function idsElsewhere(chapter: string): Set<string> {
  const { places, links, orders, book } = useBook.getState();
  const ids = new Set<string>();
  for (const place of places.values()) if (place.chapter !== chapter) ids.add(place.id);
  for (const link of links) if (link.chapter !== chapter) ids.add(link.id);
  const own = book?.chapters.findIndex(({ id }) => id === chapter);
  for (const [id, order] of orders) if (chapterIndexOf(order) !== own) ids.add(id);
  return ids;
}

/** Says of an id whether the book has it now, in whatever chapter. */
export function takenIds(): (id: string) => boolean {
  const { view, chapter } = useEditor.getState();
  const here = view ? idsIn(view.state.doc) : new Set<string>();
  const elsewhere = idsElsewhere(chapter);
  return (id) => here.has(id) || elsewhere.has(id);
}

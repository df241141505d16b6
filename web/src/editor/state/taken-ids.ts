import { chapterIndexOf, idsIn } from '@vennet/core/manuscript';
import { useBook } from '../../book/store.js';
import { useEditor } from './store.js';

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
  const here = view ? new Set(idsIn(view.state.doc)) : new Set<string>();
  const elsewhere = idsElsewhere(chapter);
  return (id) => here.has(id) || elsewhere.has(id);
}

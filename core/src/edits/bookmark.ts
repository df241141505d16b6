import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import { attrsOf, idFromWords, schema } from '../manuscript/index.js';

/** The words that a bookmark is on: positions in its chapter's doc. */
export interface BookmarkSpan {
  id: string;
  name: string;
  from: number;
  to: number;
}

/** The bookmarks of a doc in the order of the text. */
export function bookmarksIn(doc: Node): BookmarkSpan[] {
  const spans = new Map<string, BookmarkSpan>();
  doc.descendants((node, position) => {
    for (const mark of node.marks) {
      if (mark.type !== schema.marks.bookmark) continue;
      const { id, name } = attrsOf.bookmark(mark);
      const to = position + node.nodeSize;
      spans.set(id, { id, name, from: spans.get(id)?.from ?? position, to });
    }
  });
  return [...spans.values()];
}

/** Marks words as a bookmark. Its id is derived from its name once and stays when the name changes. */
export function addBookmark(
  transform: Transform,
  { from, to, name }: Omit<BookmarkSpan, 'id'>,
  isTaken: (id: string) => boolean,
): string {
  const id = idFromWords(name, isTaken);
  transform.addMark(from, to, schema.marks.bookmark.create({ id, name }));
  return id;
}

export function renameBookmark(transform: Transform, id: string, name: string): void {
  const span = bookmarksIn(transform.doc).find((one) => one.id === id);
  if (!span) return;
  transform.removeMark(span.from, span.to, schema.marks.bookmark.create({ id, name: span.name }));
  transform.addMark(span.from, span.to, schema.marks.bookmark.create({ id, name }));
}

export function removeBookmark(transform: Transform, id: string): void {
  const span = bookmarksIn(transform.doc).find((one) => one.id === id);
  if (span) transform.removeMark(span.from, span.to, schema.marks.bookmark.create({ id, name: span.name }));
}

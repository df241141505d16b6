import type { Node } from 'prosemirror-model';
import { isOfPages, spotsOf } from '../../manuscript/index.js';
import type { InsideBook, InsideRule, InsideSubject } from './inside-finding.js';

/** The bookmarks of a book in the order of the text. */
const bookmarksOf = ({ book }: InsideBook): InsideSubject[] =>
  book.chapters.flatMap(({ id, doc }) => bookmarksIn(doc, id));

/** Those of a text that stays as it was are looked up once. */
const known = new WeakMap<Node, { chapter: string; bookmarks: InsideSubject[] }>();

function bookmarksIn(doc: Node, chapter: string): InsideSubject[] {
  const before = known.get(doc);
  if (before?.chapter === chapter) return before.bookmarks;
  const bookmarks = spotsOf(doc, chapter)
    // The named spots of a finished file are its maker's.
    .spots.filter(({ kind }) => kind === 'bookmark' && !isOfPages(doc))
    .map(({ id, at, words }): InsideSubject => ({ id, kind: 'bookmark', chapter, at, words }));
  known.set(doc, { chapter, bookmarks });
  return bookmarks;
}

/** A bookmark that nothing leads to. */
export const unusedBookmark: InsideRule = {
  id: 'unused-bookmark',
  title: 'Bookmarks that nothing leads to',
  severity: 'consider',
  criterion: 'Common practice',
  find(inside) {
    const bookmarks = bookmarksOf(inside);
    if (bookmarks.length === 0) return [];
    const used = new Set<string>();
    for (const { destination } of inside.links) if (destination.kind === 'place') used.add(destination.place);
    return bookmarks
      .filter(({ id }) => !used.has(id))
      .map((subject) => ({
        subject,
        message: `Nothing in the book leads to the bookmark “${subject.words}”.`,
        repairs: [{ label: 'Remove the bookmark', repair: { type: 'remove-bookmark' } }],
      }));
  },
};

/** Two bookmarks of one name can’t be told apart where one is picked. */
export const bookmarkNameTwice: InsideRule = {
  id: 'bookmark-name-twice',
  title: 'Bookmarks of one name',
  severity: 'should-fix',
  criterion: 'Common practice',
  find(inside) {
    const counts = new Map<string, number>();
    return bookmarksOf(inside).flatMap((subject) => {
      const count = (counts.get(subject.words) ?? 0) + 1;
      counts.set(subject.words, count);
      if (count === 1) return [];
      const name = `${subject.words} (${count})`;
      return [
        {
          subject,
          message: `There is another bookmark called “${subject.words}”, so they can’t be told apart.`,
          repairs: [{ label: `Call it “${name}”`, repair: { type: 'rename-bookmark', name } }],
        },
      ];
    });
  },
};

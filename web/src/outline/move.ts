import { moveWithin } from '@vennet/core/edits';
import { MATTERS, sectionsOf, type Matter } from '@vennet/core/manuscript';
import type { VersionedChapter } from '@vennet/core/wire';
import { closeHistory } from 'prosemirror-history';
import { useEditor } from '../editor/state/store.js';
import { showPlace } from '../editor/going/show-place.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { openBook } from '../book/open-book.js';

/** Puts the chapters into another order: at once here, and then at the server. */
async function arrange(chapters: VersionedChapter[], said: string): Promise<void> {
  const { book, setChapters } = useBook.getState();
  if (!book) return;
  setChapters(chapters);
  if (!(await openBook().bulk.arrange(chapters, said))) setChapters(book.chapters);
}

/** Moves a chapter one step; at the edge of front, main or back matter it goes over into the next. */
export async function stepChapter(id: string, direction: 1 | -1): Promise<void> {
  const chapters = useBook.getState().book?.chapters ?? [];
  const at = chapters.findIndex((chapter) => chapter.id === id);
  const chapter = chapters[at];
  if (!chapter) return;
  const beside = chapters[at + direction];
  if (beside?.matter === chapter.matter) {
    const order = chapters.filter((one) => one.id !== id);
    order.splice(at + direction, 0, chapter);
    return arrange(order, `“${chapter.title}” was moved.`);
  }
  const matter = MATTERS[MATTERS.indexOf(chapter.matter) + direction];
  if (!matter) return;
  const order = chapters.map((one) => (one.id === id ? { ...one, matter } : one));
  return arrange(order, `“${chapter.title}” was moved.`);
}

/** Moves a chapter before or after another one, into its matter. */
export async function placeChapter(id: string, beside: string, after: boolean): Promise<void> {
  const chapters = useBook.getState().book?.chapters ?? [];
  const chapter = chapters.find((one) => one.id === id);
  const target = chapters.find((one) => one.id === beside);
  if (!chapter || !target || id === beside) return;
  const order = chapters.filter((one) => one.id !== id);
  const at = order.findIndex((one) => one.id === beside) + (after ? 1 : 0);
  order.splice(at, 0, { ...chapter, matter: target.matter });
  return arrange(order, `“${chapter.title}” was moved.`);
}

/** Puts a chapter into another matter: at the end of it, or before what it has where it comes from further front. */
export async function moveToMatter(id: string, matter: Matter): Promise<void> {
  const chapters = useBook.getState().book?.chapters ?? [];
  const chapter = chapters.find((one) => one.id === id);
  if (!chapter || chapter.matter === matter) return;
  const isLater = MATTERS.indexOf(matter) > MATTERS.indexOf(chapter.matter);
  const rank = (one: VersionedChapter) => MATTERS.indexOf(one.matter);
  const others = chapters.filter((one) => one.id !== id);
  const at = others.findIndex((one) =>
    isLater ? rank(one) >= MATTERS.indexOf(matter) : rank(one) > MATTERS.indexOf(matter),
  );
  const order = [...others];
  order.splice(at < 0 ? order.length : at, 0, { ...chapter, matter });
  return arrange(order, `“${chapter.title}” was moved.`);
}

/** Moves a section of the open chapter before another of its sections, or to its end. Undo takes it back. */
export function moveHere(section: string, before: string | null): void {
  const { view, chapter } = useEditor.getState();
  if (!view) return;
  const transaction = closeHistory(view.state.tr);
  const refused = moveWithin(transaction, section, before);
  if (refused) return tellFault(new Error(refused));
  if (!transaction.docChanged) return;
  view.dispatch(transaction);
  showPlace(view, chapter, section);
  useNotices.getState().announce('The section was moved.');
}

/** Moves a section of the open chapter into another chapter, before a section or to its end. */
export async function moveAway(section: string, to: string, before: string | null): Promise<void> {
  const { chapter } = useEditor.getState();
  const book = useBook.getState().book?.id;
  if (book) await openBook().bulk.moveSection({ from: { chapter, section }, to: { chapter: to, before } });
}

/** Moves a section one step among its sisters; from the first or last it goes over into the next chapter. */
export async function stepSection(section: string, direction: 1 | -1): Promise<void> {
  const { view, chapter } = useEditor.getState();
  if (!view) return;
  const sections = sectionsOf(view.state.doc);
  const at = sections.findIndex(({ id }) => id === section);
  const own = sections[at];
  if (!own) return;
  const parent = sections.slice(0, at).findLast(({ level }) => level < own.level);
  const sisters = sections.filter(
    (one) => one.level === own.level && (!parent || (one.from > parent.from && one.from < parent.to)),
  );
  const index = sisters.indexOf(own);
  const sister = sisters[index + direction];
  if (sister && direction === -1) return moveHere(section, sister.id);
  if (sister) return moveHere(section, sections.find(({ from }) => from === sister.to)?.id ?? null);
  const chapters = useBook.getState().book?.chapters ?? [];
  const beside = chapters[chapters.findIndex(({ id }) => id === chapter) + direction];
  if (!beside) return;
  const first = [...useBook.getState().places.values()].find(
    (place) => place.chapter === beside.id && place.kind === 'heading' && place.level === own.level,
  );
  return moveAway(section, beside.id, direction === 1 ? (first?.id ?? null) : null);
}

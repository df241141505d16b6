import { attrsOf, CONTENTS, TOP } from '../../manuscript/index.js';
import { onceEach, PICTURE_EXTENSIONS, type Edition, type EnclosureFile } from '../edition/edition.js';
import { afterBook, idsInNotes } from '../edition/note-backs.js';
import type { PageContext } from './page-context.js';

/** What the files of a form are called that has one for each chapter. */
export interface FileNames {
  top: string;
  contents: string;
  notes: string;
  withBook: string;
  chapter(index: number): string;
}

/** How a chapter is written into a file of its own: places of other chapters are in other files, pictures beside them. */
export function contextOfFiles(
  edition: Edition,
  names: FileNames,
  pictures: ReadonlyMap<string, EnclosureFile>,
): PageContext {
  const fileOf = new Map(edition.book.chapters.map(({ id }, index) => [id, names.chapter(index)]));
  const pathOf = new Map([...pictures].map(([path, { id }]) => [id, path]));
  const chapterOfLink = new Map(edition.links.map(({ id, chapter }) => [id, chapter]));
  const once = onceEach();
  const files = new Map([
    [TOP, names.top],
    [CONTENTS, names.contents],
    ...(afterBook(edition) ? idsInNotes(edition) : []).map((id): [string, string] => [id, names.notes]),
  ]);
  const fileWith = (id: string): string => {
    const chapter = edition.places.get(id)?.chapter ?? chapterOfLink.get(id) ?? '';
    return files.get(id) ?? fileOf.get(chapter) ?? names.withBook;
  };
  return {
    edition,
    once,
    origin: (id) => (edition.origins.has(id) ? once(id) : null),
    addressOfPlace: (place) => `${fileWith(place)}#${place}`,
    addressOfEnclosure: (id) => pathOf.get(id) ?? null,
  };
}

/** The name of the file of a chapter, from 0. */
export const chapterFile = (ending: string) => (index: number) =>
  `chapter-${String(index + 1).padStart(3, '0')}.${ending}`;

/** The pictures that the text shows, and others by their ids, by their paths. */
export function picturesOf(edition: Edition, more: readonly string[] = []): Map<string, EnclosureFile> {
  const used = new Map<string, EnclosureFile>();
  const add = (id: string) => {
    const file = edition.enclosures.get(id);
    const extension = file && PICTURE_EXTENSIONS[file.type];
    if (file && extension) used.set(`pictures/${file.id}.${extension}`, file);
  };
  more.forEach(add);
  for (const { doc } of edition.book.chapters)
    doc.descendants((node) => {
      add(attrsOf.picture(node).enclosure);
    });
  return used;
}

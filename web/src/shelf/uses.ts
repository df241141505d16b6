import { attrsOf, isPicture, readChapter, wordsOf, type Link } from '@vennet/core/manuscript';
import type { Manuscript } from '@vennet/core/wire';

/** One place where a file is used: a link that leads to it, or a picture that shows it. */
export interface FileUse {
  key: string;
  chapter: string;
  /** The link to go to; a shown picture has none. */
  link: string | null;
  before: string;
  text: string;
  after: string;
}

/** Where each file of a book is used, by its id. */
export function usesOf(book: Manuscript, links: readonly Link[]): Map<string, FileUse[]> {
  const uses = new Map<string, FileUse[]>();
  const add = (file: string, use: FileUse) => uses.set(file, [...(uses.get(file) ?? []), use]);
  for (const { id, chapter, destination, before, text, after } of links)
    if (destination.kind === 'file')
      add(destination.enclosure, { key: id, chapter, link: id, before, text: text || '(no words)', after });
  const cover = book.publication?.cover;
  if (cover)
    add(cover, {
      key: 'cover',
      chapter: book.chapters[0]?.id ?? '',
      link: null,
      before: 'Shown as ',
      text: 'the cover',
      after: ' of the book',
    });
  for (const chapter of book.chapters) {
    const { doc } = readChapter(chapter);
    doc.descendants((node, position) => {
      if (!isPicture(node)) return;
      const { enclosure: shown, alt } = attrsOf.picture(node);
      const caption = wordsOf(node) || alt || 'a picture without words';
      add(shown, {
        key: `${chapter.id}:${position}`,
        chapter: chapter.id,
        link: null,
        before: 'Shown in the text: ',
        text: caption,
        after: '',
      });
    });
  }
  return uses;
}

import { fileWords, type ShelfFile } from '../../shelf/index.js';
import { entryId, filesBeside, filesInside, targetIn, type Edition } from './edition.js';

/** A file or book in the list of what goes with the book; links that can't lead to the thing itself lead here. */
export interface WithBookEntry {
  /** The place of the entry. */
  id: string;
  name: string;
  /** What it is and how readers come by it. */
  about: string;
}

/** The list at the end of a made file: files and books that its links lead to and how readers come by them. */
export interface WithBook {
  title: string;
  entries: WithBookEntry[];
}

const TITLE: Record<string, string> = {
  de: 'Zu diesem Buch',
  en: 'With this book',
  es: 'Con este libro',
  fr: 'Avec ce livre',
  it: 'Con questo libro',
  nl: 'Bij dit boek',
  pt: 'Com este livro',
};

/** The list of an edition; without entries when every link leads to the thing itself. */
export function withBook(edition: Edition): WithBook {
  const wanted = new Set(
    edition.links.flatMap(({ destination }) => {
      const target = targetIn(edition, destination);
      return target && 'place' in target ? [target.place] : [];
    }),
  );
  const inside = filesInside(edition);
  // In an e-book a file stands in the list as well, for readers whose program can't open it.
  if (edition.format === 'epub') for (const [, { id }] of inside) wanted.add(entryId(id));
  const { files, books } = edition.surroundings;
  const paths = new Map([...inside, ...filesBeside(edition)].map(([path, { id }]) => [id, path]));
  const entries = [
    ...[...files.values()]
      .filter(({ id }) => wanted.has(entryId(id)))
      .map((file) => ({ id: entryId(file.id), name: file.name, about: aboutFile(file, edition, paths) })),
    ...[...books.values()]
      .filter(({ id }) => wanted.has(entryId(id)))
      .map(({ id, title, author }) => ({
        id: entryId(id),
        name: title,
        about: `${author === '' ? 'A book' : `A book by ${author}`}. Ask the author of this book where it is to be had.`,
      })),
  ].sort((one, other) => (one.name < other.name ? -1 : 1));
  const title = TITLE[edition.book.language.split('-')[0].toLowerCase()] ?? TITLE.en;
  return { title, entries };
}

function aboutFile(file: ShelfFile, { format }: Edition, paths: Map<string, string>): string {
  const path = paths.get(file.id);
  const how = !path
    ? 'It does not come with the book: ask the author for it.'
    : file.travels === 'beside'
      ? `It lies next to this book, as ${path}.`
      : format === 'pdf'
        ? 'It is attached to this document: open it from the list of attachments in your reading program.'
        : `It is inside this book, as ${path}.`;
  // What was written of a file that is not for readers is not for them either.
  const about = file.opensFor === 'everyone' ? file.description.replace(/[.\s]+$/, '') : '';
  return [`${fileWords(file)}.`, about && `${about}.`, how].filter(Boolean).join(' ');
}

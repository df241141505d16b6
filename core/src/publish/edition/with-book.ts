import { fileWords, phrases } from '../../language/index.js';
import type { ShelfFile } from '../../shelf/index.js';
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

/** The list of an edition; without entries when every link leads to the thing itself. */
export function withBook(edition: Edition): WithBook {
  const { withBook: said } = phrases(edition.book.language);
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
        about: said.otherBook(author),
      })),
  ].sort((one, other) => (one.name < other.name ? -1 : 1));
  return { title: said.title, entries };
}

function aboutFile(file: ShelfFile, { book, format }: Edition, paths: Map<string, string>): string {
  const { language } = book;
  const said = phrases(language).withBook;
  const path = paths.get(file.id);
  const how = !path
    ? said.apart
    : file.travels === 'beside'
      ? said.beside(path)
      : format === 'pdf'
        ? said.attached
        : said.inside(path);
  // What was written of a file that is not for readers is not for them either.
  const about = file.opensFor === 'everyone' ? file.description.replace(/[.\s]+$/, '') : '';
  return [`${fileWords(file, language)}.`, about && `${about}.`, how].filter(Boolean).join(' ');
}

import { authorLine, authorList, authorsOf, type Contributor } from '@vennet/core/manuscript';
import type { Manuscript } from '@vennet/core/wire';
import type { DetailChanges } from '../book/details.js';

const AUTHOR = 'aut';

/** Everybody who took part in a book: its authors first, then the others in their order. */
export const peopleOf = (book: Manuscript): Contributor[] => [
  ...authorsOf(book).map((name) => ({ name, role: AUTHOR })),
  ...(book.publication?.contributors ?? []),
];

/** What a book says when these people took part in it. */
export function withPeople(people: readonly Contributor[]): DetailChanges {
  const named = people
    .map(({ name, role }) => ({ name: name.trim(), role }))
    .filter(({ name }) => name !== '');
  const authors = named.filter(({ role }) => role === AUTHOR).map(({ name }) => name);
  return {
    author: authorLine(authors),
    publication: {
      authors: authorList(authors),
      contributors: named.filter(({ role }) => role !== AUTHOR),
    },
  };
}

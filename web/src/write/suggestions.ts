import { hrefOf, type Destination } from '@vennet/core/destination';
import { fileWords } from '@vennet/core/shelf';
import { useMemo } from 'react';
import { useBook, type BookStore } from '../store/book.js';

/** Something that the field “Leads to” offers: a destination, or a companion book that is to be started. */
export type Suggestion =
  | { key: string; words: string; about: string; destination: Destination }
  | { key: string; words: string; about: string; companion: { title: string; goThere: boolean } };

/** Most suggestions of one kind that are shown at one time. */
const OF_A_KIND = 4;

/**
 * What fits the words: places of this book, files, other books, and addresses that the book leads to already; those used
 * most first. Words that are no address can become a companion book.
 */
export function useSuggestions(typed: string, isWords: boolean): Suggestion[] {
  const links = useBook((store) => store.links);
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const chapters = useBook((store) => store.book?.chapters);
  return useMemo(() => {
    const wanted = typed.trim();
    if (wanted.length < 2) return [];
    const titles = new Map(chapters?.map(({ id, title }) => [id, title]));
    const found = [
      ...inPlaces(wanted, places, titles),
      ...onShelf(wanted, surroundings),
      ...inLibrary(wanted, surroundings),
      ...usedBefore(wanted, links),
    ];
    const exact = found.some(({ words }) => fold(words) === fold(wanted));
    return isWords && !exact ? [...found, ...companions(wanted)] : found;
  }, [typed, isWords, links, places, surroundings, chapters]);
}

const fold = (words: string) => words.normalize('NFKD').replace(/\p{M}/gu, '').toLocaleLowerCase();

/** Every word that was typed begins a word, in any order; those that begin the whole come first. */
function fits(wanted: string, words: string): number {
  const text = fold(words);
  if (text.startsWith(fold(wanted))) return 2;
  const parts = fold(wanted).split(/\s+/);
  return parts.every((part) => new RegExp(`(?:^|[^\\p{L}\\p{N}])${escape(part)}`, 'u').test(text)) ? 1 : 0;
}

const escape = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

function best<Item>(items: Iterable<Item>, wanted: string, words: (item: Item) => string): Item[] {
  return [...items]
    .map((item) => ({ item, fit: fits(wanted, words(item)) }))
    .filter(({ fit }) => fit > 0)
    .sort((one, other) => other.fit - one.fit)
    .slice(0, OF_A_KIND)
    .map(({ item }) => item);
}

function inPlaces(wanted: string, places: BookStore['places'], titles: Map<string, string>): Suggestion[] {
  const named = [...places.values()].filter(({ kind, words }) => kind !== 'spot' && words !== '');
  // A chapter and its first heading are one place to a reader.
  const told = named.filter(
    ({ kind, words, chapter }) => kind !== 'heading' || words !== titles.get(chapter),
  );
  return best(told, wanted, ({ words }) => words).map(({ id, words, chapter, kind }) => ({
    key: `place ${id}`,
    words,
    about: kind === 'chapter' ? 'Chapter' : `In “${titles.get(chapter) ?? ''}”`,
    destination: { kind: 'place', place: id },
  }));
}

function onShelf(wanted: string, { files }: BookStore['surroundings']): Suggestion[] {
  return best(files.values(), wanted, ({ name, description }) => `${name} ${description}`).map((file) => ({
    key: `file ${file.id}`,
    words: file.name,
    about: fileWords(file),
    destination: { kind: 'file', enclosure: file.id },
  }));
}

function inLibrary(wanted: string, { books }: BookStore['surroundings']): Suggestion[] {
  return best(books.values(), wanted, ({ title }) => title).map(({ id, title, author }) => ({
    key: `book ${id}`,
    words: title,
    about: author ? `Another book, by ${author}` : 'Another book',
    destination: { kind: 'book', book: id },
  }));
}

function usedBefore(wanted: string, links: BookStore['links']): Suggestion[] {
  const uses = new Map<string, { destination: Destination; count: number }>();
  for (const { kind, href, destination } of links) {
    if (kind !== 'web' && kind !== 'mail') continue;
    if (!href.toLowerCase().includes(wanted.toLowerCase()) || href === wanted) continue;
    uses.set(href, { destination, count: (uses.get(href)?.count ?? 0) + 1 });
  }
  return [...uses]
    .sort(([, one], [, other]) => other.count - one.count)
    .slice(0, OF_A_KIND)
    .map(([href, { destination, count }]) => ({
      key: href,
      words: destination.kind === 'mail' ? destination.to.join(', ') : hrefOf(destination),
      about: count === 1 ? 'Used once' : `Used ${count} times`,
      destination,
    }));
}

function companions(title: string): Suggestion[] {
  return [
    {
      key: 'companion',
      words: `Start a companion book called “${title}”`,
      about: 'and stay here',
      companion: { title, goThere: false },
    },
    {
      key: 'companion-go',
      words: `Start “${title}” and go there`,
      about: 'the way back is kept',
      companion: { title, goThere: true },
    },
  ];
}

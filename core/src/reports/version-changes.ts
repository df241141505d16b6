import { countWords, linksOf, type ReadBook } from '../manuscript/index.js';

/** A link as one of two texts has it. */
export interface VersionLink {
  id: string;
  text: string;
  href: string;
}

/** What became of a link between two texts. */
export interface LinkThenAndNow {
  id: string;
  before: VersionLink;
  after: VersionLink;
}

/** How a chapter stands in a later text: as it was, otherwise, or no more. */
export const CHAPTER_FATES = ['same', 'changed', 'gone'] as const;

export interface VersionChapter {
  id: string;
  title: string;
  words: number;
  fate: (typeof CHAPTER_FATES)[number];
}

/** What a later text has otherwise than an earlier one. */
export interface VersionChanges {
  words: { before: number; after: number };
  /** Of the earlier text, in its order. */
  chapters: VersionChapter[];
  /** Titles of chapters that the later text has alone. */
  added: string[];
  links: { added: VersionLink[]; gone: VersionLink[]; changed: LinkThenAndNow[] };
}

/** What is otherwise in `after` than in `before`: links by their ids, chapters by theirs. */
export function versionChanges(before: ReadBook, after: ReadBook): VersionChanges {
  const [were, are] = [linkTable(before), linkTable(after)];
  const now = new Map(after.chapters.map((chapter) => [chapter.id, chapter]));
  const then = new Set(before.chapters.map(({ id }) => id));
  const links: VersionChanges['links'] = { added: [], gone: [], changed: [] };
  for (const [id, link] of were) {
    const other = are.get(id);
    if (!other) links.gone.push(link);
    else if (other.href !== link.href || other.text !== link.text)
      links.changed.push({ id, before: link, after: other });
  }
  for (const [id, link] of are) if (!were.has(id)) links.added.push(link);
  return {
    words: { before: wordsOf(before), after: wordsOf(after) },
    chapters: before.chapters.map(({ id, title, doc }) => {
      const other = now.get(id);
      return {
        id,
        title,
        words: countWords(doc),
        fate: !other ? 'gone' : other.doc.eq(doc) ? 'same' : 'changed',
      };
    }),
    added: after.chapters.filter(({ id }) => !then.has(id)).map(({ title }) => title),
    links,
  };
}

/** A link that other marks divide is one. */
const linkTable = (book: ReadBook): Map<string, VersionLink> =>
  new Map(linksOf(book).map(({ id, text, href }) => [id, { id, text, href }]));

const wordsOf = ({ chapters }: ReadBook): number =>
  chapters.reduce((sum, { doc }) => sum + countWords(doc), 0);

import {
  DEFAULT_LOOK,
  DEFAULT_STRUCTURE,
  linksOfChapter,
  readBook,
  schema,
  type Book,
  type Link,
  type ReadBook,
  type Structure,
  tableOf,
} from '../manuscript/index.js';
import type { Destination } from '../destination/index.js';
import type { Node } from 'prosemirror-model';

/** Ids in their order: x1, x2, and so on. */
export function counter(prefix = 'x'): () => string {
  let count = 0;
  return () => `${prefix}${++count}`;
}

export const web = (href: string): Destination => ({ kind: 'web', href });

export const place = (id: string) => ({ kind: 'place' as const, place: id });

let made = 0;

/** Words that are a link. */
export function linked(text: string, destination: Destination | string, id = `l${++made}`): Node {
  const to = typeof destination === 'string' ? web(destination) : destination;
  return schema.text(text, [schema.marks.link.create({ id, destination: to })]);
}

/** A paragraph of words and links. */
export function paragraph(...content: (string | Node)[]): Node {
  return schema.node(
    'paragraph',
    null,
    content.map((one) => (typeof one === 'string' ? schema.text(one) : one)),
  );
}

export const heading = (level: number, words: string, id: string | null = null): Node =>
  schema.node('heading', { level, id }, words === '' ? [] : [schema.text(words)]);

/** A book of chapters, each of these blocks; chapters are called c1, c2, and so on. */
export function bookOf(...chapters: Node[][]): ReadBook {
  const book: Book = {
    id: '6ba7b810-9dad-11d1-80b4-00c04fd430c8',
    title: 'A book',
    subtitle: '',
    author: 'A. Uthor',
    language: 'en',
    description: '',
    look: DEFAULT_LOOK,
    structure: DEFAULT_STRUCTURE,
    chapters: chapters.map((blocks, index) => ({
      id: `c${index + 1}`,
      title: `Chapter ${index + 1}`,
      matter: 'main',
      leftOutOf: [],
      doc: schema.node('doc', null, blocks).toJSON() as object,
    })),
  };
  return readBook(book);
}

/** The one link of a text that leads to an address. */
export function linkWith(text: string, destination: Destination | string): Link {
  const node =
    text === ''
      ? schema.node('anchor', null, undefined, linked('x', destination).marks)
      : linked(text, destination);
  const [link] = linksOfChapter(schema.node('doc', null, [paragraph('Before ', node, ' and after.')]), 'c1');
  if (!link) throw new RangeError('this node carries no link');
  return link;
}

/** A reference to a place. */
export const reference = (place: string, form = 'words', id = `r${++made}`, own = ''): Node =>
  schema.node('reference', { id, place, form, own });

/** A note; each text is one of its paragraphs. */
export const note = (id: string, ...paragraphs: (string | (string | Node)[])[]): Node =>
  schema.node(
    'note',
    { id },
    paragraphs.map((words) => schema.node('note_paragraph', null, inlineOf(words))),
  );

/** Another mark of a note. */
export const noteMark = (to: string, id = `m${++made}`): Node => schema.node('note_mark', { id, to });

/** Words that bear a bookmark. */
export const bookmarked = (text: string, id: string, name = ''): Node =>
  schema.text(text, [schema.marks.bookmark.create({ id, name })]);

/** A list of contents of the section that it stands in. */
export const contents = (attrs: Record<string, unknown> = {}, id = `toc${++made}`): Node =>
  schema.node('contents', { id, ...attrs });

const inlineOf = (words: string | (string | Node)[]): Node[] =>
  (typeof words === 'string' ? (words === '' ? [] : [words]) : words).map((one) =>
    typeof one === 'string' ? schema.text(one) : one,
  );

/** The same book with another structure. */
export const structured = (book: ReadBook, structure: Partial<Structure>): ReadBook => ({
  ...book,
  structure: { ...book.structure, ...structure },
});

/** A figure with a caption. */
export const figure = (id: string, caption: string): Node =>
  schema.node('figure', { id, enclosure: 'e1', alt: `Drawing of ${caption}` }, [
    schema.node('caption', null, [schema.text(caption)]),
  ]);

/** A table of one cell with a caption. */
export const table = (id: string, caption: string, ...cell: (string | Node)[]): Node =>
  tableOf(
    [schema.node('table_row', null, [schema.node('table_cell', null, [paragraph(...cell)])])],
    { id },
    schema.node('table_caption', null, [schema.text(caption)]),
  );

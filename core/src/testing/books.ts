import {
  DEFAULT_LOOK,
  linksOfChapter,
  readBook,
  schema,
  type Book,
  type Link,
  type ReadBook,
} from '../manuscript/index.js';
import type { Destination } from '../destination/index.js';
import type { Node } from 'prosemirror-model';

/** Ids in their order: x1, x2, and so on. */
export function counter(prefix = 'x'): () => string {
  let count = 0;
  return () => `${prefix}${++count}`;
}

export const web = (href: string): Destination => ({ kind: 'web', href });

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
  schema.node('heading', { level, id }, [schema.text(words)]);

/** A book of chapters, each of these blocks; chapters are called c1, c2, and so on. */
export function bookOf(...chapters: Node[][]): ReadBook {
  const book: Book = {
    ...{
      id: '6ba7b810-9dad-11d1-80b4-00c04fd430c8',
      title: 'A book',
      subtitle: '',
      author: 'A. Uthor',
      language: 'en',
    },
    ...{ description: '', look: DEFAULT_LOOK },
    chapters: chapters.map((blocks, index) => ({
      ...{ id: `c${index + 1}`, title: `Chapter ${index + 1}`, matter: 'main' },
      doc: schema.node('doc', null, blocks).toJSON() as unknown,
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
  return link;
}

import { Node } from 'prosemirror-model';
import { attrsOf } from './attrs.js';
import type { LinkLook } from './look.js';
import type { Ground } from './page.js';
import type { Publication } from './publication.js';
import { schema } from './schema.js';
import { upgradedChapter } from './table.js';
import type { Structure } from './structure.js';

/** A form in which a book is published. */
export const FORMATS = ['epub', 'pdf', 'web', 'docx', 'odt', 'markdown'] as const;
export type Format = (typeof FORMATS)[number];

/** The forms in which a book goes on being written elsewhere: programs for them number notes and pages themselves. */
const MANUSCRIPTS: ReadonlySet<Format> = new Set<Format>(['docx', 'odt', 'markdown']);
export const isManuscript = (format: Format): boolean => MANUSCRIPTS.has(format);

/** Where a chapter stands: before the text, in it, or after it. */
export const MATTERS = ['front', 'main', 'back'] as const;
export type Matter = (typeof MATTERS)[number];

/** A chapter as it is stored and sent: `doc` is the JSON of a `doc` node of the schema. */
export interface Chapter {
  id: string;
  title: string;
  matter: Matter;
  /** The forms of publishing in which the chapter is left out. */
  leftOutOf: Format[];
  doc: object;
}

/** What is known of a book beside its text. `language` is a BCP 47 tag. */
export interface BookDetails {
  id: string;
  title: string;
  subtitle: string;
  author: string;
  language: string;
  description: string;
  look: LinkLook;
  structure: Structure;
  /** What else is said of it where it is published; nothing without. */
  publication?: Publication;
  /** Of a book of pages: the finished file that they are of. */
  ground?: Ground;
}

export interface Book extends BookDetails {
  chapters: Chapter[];
}

/** A chapter whose text is read: what every computation over a book works on. */
export interface ReadChapter extends Omit<Chapter, 'doc'> {
  doc: Node;
}

export interface ReadBook extends BookDetails {
  chapters: ReadChapter[];
}

/** What was kept in an older form of the schema is read in today's. @throws RangeError when the JSON does not fit the schema. */
export function readChapter(chapter: Chapter): ReadChapter {
  return { ...chapter, doc: Node.fromJSON(schema, upgradedChapter(chapter.doc)) };
}

/** @throws RangeError when a chapter does not fit the schema. */
export function readBook(book: Book): ReadBook {
  return { ...book, chapters: book.chapters.map(readChapter) };
}

/** The title of a chapter is the first of its highest headings; the words given are kept where it has none. */
export function titleOf(doc: Node, otherwise = ''): string {
  let title = '';
  let highest = Infinity;
  doc.descendants((node) => {
    if (node.type.name === 'heading' && attrsOf.heading(node).level < highest) {
      const words = wordsOf(node);
      if (words !== '') [title, highest] = [words, attrsOf.heading(node).level];
    }
    return highest > 1 && !node.isTextblock;
  });
  return title || otherwise;
}

/** What a node says whose words are computed: a reference. */
export type Saying = (node: Node) => string;
const SILENT: Saying = () => '';

/**
 * The words of a node: its text with one space for each run of white space, and the words of its pictures. Notes are not
 * part of the words that they stand at.
 */
export function wordsOf(node: Node, say: Saying = SILENT): string {
  let words = '';
  node.descendants((child) => {
    words += wordsOfLeaf(child, say);
    return child.type.name !== 'note';
  });
  return words.replace(/\s+/g, ' ').trim();
}

/** What was counted, of lines and of whole texts: a key changes one line. */
const counted = new WeakMap<Node, number>();

/** How many words a chapter, or a piece of one, has: runs of signs between white space. */
export function countWords(doc: Node): number {
  const known = counted.get(doc);
  if (known !== undefined) return known;
  let sum = 0;
  if (doc.isTextblock) sum = wordsBetween(doc, 0, doc.content.size);
  else doc.forEach((child) => void (sum += countWords(child)));
  counted.set(doc, sum);
  return sum;
}

/** How many words stand between two spots, pieces of words among them. */
export const wordsBetween = (node: Node, from: number, to: number): number =>
  node.textBetween(from, to, ' ', ' ').match(/\S+/g)?.length ?? 0;

/** What one inline leaf adds to the words around it. */
export function wordsOfLeaf(node: Node, say: Saying = SILENT): string {
  if (node.isText) return node.text ?? '';
  if (node.type.name === 'hard_break') return ' ';
  if (node.type.name === 'picture') return saidOfPicture(node);
  if (node.type.name === 'formula') return attrsOf.formula(node).words;
  return node.type.name === 'reference' ? say(node) : '';
}

/** The words that stand for a picture or a figure: none where it is decoration. */
export function saidOfPicture(picture: Node): string {
  const { alt, decorative } = attrsOf.picture(picture);
  return decorative ? '' : alt;
}

/** The doc of an empty chapter. */
export function emptyChapter(title: string): object {
  const heading = schema.node('heading', { level: 1 }, title ? [schema.text(title)] : []);
  return schema.node('doc', null, [heading, schema.node('paragraph')]).toJSON();
}

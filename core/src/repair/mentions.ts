import type { Node } from 'prosemirror-model';
import type { Transform } from 'prosemirror-transform';
import type { Destination } from '../destination/index.js';
import { flatText, linkMark, schema, type LinkLook, type ReadBook } from '../manuscript/index.js';
import { lineText, type LineText } from './line-text.js';
import { WordEnds } from './word-ends.js';

/** What to look for, and where. */
export interface MentionSearch {
  words: string;
  /** Letters must be capital or small as in `words`. */
  matchCase: boolean;
  /** Chapters to look through, by id; `null` for the whole book. */
  chapters: readonly string[] | null;
  headings: boolean;
  code: boolean;
  /** Only the first mention in each chapter. */
  firstOnly: boolean;
}

/** One spot where the words stand without a link: positions in the chapter's doc, and the words around. */
export interface Mention {
  chapter: string;
  from: number;
  to: number;
  text: string;
  before: string;
  after: string;
}

/** Longest piece of text kept at either side of a mention, in UTF-16 units. */
const AROUND = 70;

/**
 * Every mention of words in a book that is not part of a link: whole words, by the word ends of the book's language
 * (UAX #29 as `Intl.Segmenter` has it; an English possessive ends a word too). Found from left to right, never overlapping.
 */
export function findMentions(book: ReadBook, search: MentionSearch): Mention[] {
  const wanted = fold(search.words.trim(), search.matchCase, book.language);
  if (wanted === '') return [];
  const isClosed = closedTo(search.code);
  const mentions: Mention[] = [];
  for (const chapter of book.chapters) {
    if (search.chapters && !search.chapters.includes(chapter.id)) continue;
    const first = mentions.length;
    chapter.doc.descendants((node, position) => {
      if (!node.isTextblock || (search.firstOnly && mentions.length > first)) return !node.isTextblock;
      if (node.type.name === 'heading' && !search.headings) return false;
      if (node.type.spec.code && !search.code) return false;
      const block = lineText(node, isClosed);
      const folded = fold(block.text, search.matchCase, book.language);
      for (let at = folded.indexOf(wanted), words: WordEnds | null = null; at >= 0;) {
        const end = at + wanted.length;
        words ??= new WordEnds(block.text, book.language);
        const whole = words.at(at) && words.at(end) && !block.closed.subarray(at, end).includes(1);
        if (whole) {
          mentions.push({
            chapter: chapter.id,
            from: position + 1 + offsetOf(block, at),
            to: position + 1 + offsetOf(block, end - 1) + 1,
            text: block.text.slice(at, end),
            ...aroundWords(block.text, at, end),
          });
          if (search.firstOnly) break;
        }
        at = folded.indexOf(wanted, whole ? end : at + 1);
      }
      return true;
    });
  }
  return mentions;
}

/** The words before and after a piece of a line, as far as they are shown. */
export const aroundWords = (text: string, from: number, to: number): Pick<Mention, 'before' | 'after'> => ({
  before: text.slice(Math.max(0, from - AROUND), from).replace(cut(from), ''),
  after: text.slice(to, to + AROUND).replace(cut(text.length - to, true), ''),
});

/** The piece of a word that is left where a text was cut off; nothing where it was not. */
function cut(length: number, atEnd = false): RegExp {
  if (length <= AROUND) return /(?!)/;
  return atEnd ? /\S*$/ : /^\S*/;
}

const offsetOf = ({ positions }: LineText, unit: number): number => positions[unit] ?? 0;

/** No part of a mention can be linked already, or code where that is left out. */
export const closedTo =
  (code: boolean) =>
  (child: Node): boolean =>
    linkMark(child) !== undefined || (!code && schema.marks.code.isInSet(child.marks) !== undefined);

/** Letters made small where that keeps their number, and every space a plain one: offsets stay as they are. */
function fold(text: string, matchCase: boolean, language: string): string {
  const spaced = text.replace(/\s/g, ' ');
  if (matchCase) return spaced;
  const small = spaced.toLocaleLowerCase(language);
  if (small.length === spaced.length) return small;
  return [...spaced]
    .map((sign) => {
      const one = sign.toLocaleLowerCase(language);
      return one.length === sign.length ? one : sign;
    })
    .join('');
}

/** White space and line breaks as plain spaces. */
const spaced = (text: string): string => text.replace(/[\s\ufffc]/g, ' ');

/** What mentions are to become. */
export interface MentionLink {
  destination: Destination;
  hoverNote: string;
  look: LinkLook | null;
}

/**
 * Makes links of mentions of one chapter. A mention whose words do not stand there any more is passed over.
 * `mint` gives a new id at each call. Adds the steps to `transform` and says how many links were made.
 */
export function linkMentions(
  transform: Transform,
  mentions: readonly Pick<Mention, 'from' | 'to' | 'text'>[],
  link: MentionLink,
  mint: () => string,
): number {
  const { doc } = transform;
  let made = 0;
  for (const { from, to, text } of mentions) {
    const inside = from >= 0 && from < to && to <= doc.content.size;
    if (!inside || spaced(flatText(doc, from, to)) !== spaced(text)) continue;
    if (doc.rangeHasMark(from, to, schema.marks.link)) continue;
    transform.removeMark(from, to, schema.marks.unlinked);
    transform.addMark(from, to, schema.marks.link.create({ id: mint(), ...link }));
    made += 1;
  }
  return made;
}

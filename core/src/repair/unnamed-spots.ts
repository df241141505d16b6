import type { Node, ResolvedPos } from 'prosemirror-model';
import { sentenceEnds } from '../language/index.js';
import { idOf, itemNumber, OBJECT, schema, type ReadChapter } from '../manuscript/index.js';
import { matcherFor } from './find.js';
import { lineText } from './line-text.js';
import { WordEnds } from './word-ends.js';

/** A spot of the text that nothing leads to yet. Positions are in its chapter's doc. */
export interface UnnamedSpot {
  chapter: string;
  from: number;
  to: number;
  /** The words there; a bookmark on them is called so. */
  words: string;
  /** The sentence in which they stand. */
  sentence: string;
  /** The number of the item that the spot is, in a numbered list; empty for words. */
  item: string;
}

/** What is looked for, and from where. */
export interface SpotSearch {
  typed: string;
  /** The chapter in which the author is: its spots come first, then those of its neighbours. */
  chapter: string;
  /** Most spots that are given. */
  most: number;
}

/** Longest sentence that is shown around the words, in UTF-16 units. */
const LONGEST = 160;
/** Fewer letters stand in every sentence. */
const FEWEST = 3;

/**
 * Spots without a name for what is typed: sentences that have the words, items of numbered lists that begin with them or
 * have the number that is typed alone or after a word (“4”, “item 4”). Headings and bookmarked words are places already.
 */
export function findSpots(
  chapters: readonly ReadChapter[],
  { typed, chapter, most }: SpotSearch,
  language: string,
): UnnamedSpot[] {
  const wanted = typed.trim().replace(/\s+/g, ' ');
  const [, number = ''] = /^(?:\p{L}+ )?(\d{1,4})$/u.exec(wanted) ?? [];
  const own = chapters.findIndex(({ id }) => id === chapter);
  const near = [...chapters.entries()].sort(([one], [other]) => Math.abs(one - own) - Math.abs(other - own));
  const found: UnnamedSpot[] = [];
  for (const [, one] of near) {
    if (number !== '') found.push(...itemsNumbered(one, number));
    if (wanted.length >= FEWEST) found.push(...wordsIn(one, wanted, language, most - found.length));
    if (found.length >= most) break;
  }
  return found.slice(0, most);
}

function itemsNumbered({ id, doc }: ReadChapter, number: string): UnnamedSpot[] {
  const found: UnnamedSpot[] = [];
  doc.descendants((node, at, parent, index) => {
    if (itemNumber(parent, index) === number && idOf(node) === null)
      found.push(itemSpot(id, node, at, number));
    return !node.isTextblock;
  });
  return found;
}

/** The spot that an item of a numbered list is. */
export function itemSpot(chapter: string, node: Node, at: number, item: string): UnnamedSpot {
  const words = cut(node.textBetween(0, node.content.size, ' ', ' ').trim());
  return { chapter, from: at, to: at + node.nodeSize, words, sentence: words, item };
}

function wordsIn({ id, doc }: ReadChapter, wanted: string, language: string, most: number): UnnamedSpot[] {
  const plain = plainWords(wanted);
  const how = { words: wanted, matchCase: false, ignoreAccents: true, wholeWords: false };
  const matcher = matcherFor(how, language);
  const found: UnnamedSpot[] = [];
  if (!matcher) return found;
  doc.descendants((node, at) => {
    if (!node.isTextblock || found.length >= most) return found.length < most;
    if (node.type.name === 'heading' || !plainLine(node).includes(plain)) return true;
    const line = lineText(node);
    const ends = new WordEnds(line.text, language);
    for (const [start, end] of matcher(line.text)) {
      // What begins in the middle of a word is no hit; a word that was typed in part is taken whole.
      if (!ends.at(start)) continue;
      let stop = end;
      while (!ends.at(stop)) stop++;
      const from = at + 1 + line.positions[start]!;
      const to = at + 1 + line.positions[stop - 1]! + 1;
      const item = start === 0 ? numberedItemAt(doc.resolve(at + 1)) : null;
      if (item) {
        if (idOf(item.node) === null) found.push(itemSpot(id, item.node, item.at, item.number));
      } else if (!doc.rangeHasMark(from, to, schema.marks.bookmark))
        found.push(spotIn(line.text, start, stop, { chapter: id, from, to }));
    }
    // Notes stand in the line.
    return true;
  });
  return found;
}

/** The spot that words of one line are; a long stretch is called by how it begins. */
export function spotOfWords(chapter: string, doc: Node, from: number, to: number): UnnamedSpot {
  const $from = doc.resolve(from);
  const { text, positions } = lineText($from.parent);
  const within = (at: number) => positions.findIndex((position) => $from.start() + position >= at);
  const stop = within(to) < 0 ? text.length : within(to);
  return spotIn(text, Math.max(0, within(from)), stop, { chapter, from, to });
}

const spotIn = (
  text: string,
  start: number,
  stop: number,
  at: Pick<UnnamedSpot, 'chapter' | 'from' | 'to'>,
): UnnamedSpot => ({
  ...at,
  words: cut(text.slice(start, stop).replaceAll(OBJECT, '').replace(/\s+/g, ' ').trim()),
  sentence: sentenceAround(text, start, stop),
  item: '',
});

/** The item of a numbered list in whose first line a position is. */
export function numberedItemAt($at: ResolvedPos): { node: Node; at: number; number: string } | null {
  const depth = $at.depth - 1;
  if (depth < 1 || $at.node(depth).type.name !== 'list_item' || $at.index(depth) !== 0) return null;
  const number = itemNumber($at.node(depth - 1), $at.index(depth - 1));
  return number === '' ? null : { node: $at.node(depth), at: $at.before(depth), number };
}

function sentenceAround(text: string, start: number, end: number): string {
  const ends = sentenceEnds(text).map(({ index, 0: said }) => index + said.length);
  const from = ends.findLast((at) => at <= start) ?? 0;
  const to = ends.find((at) => at >= end) ?? text.length;
  // The words are seen, however long their sentence is.
  const begin = end - from > LONGEST ? Math.max(from, start - LONGEST / 2) : from;
  return `${begin > from ? '…' : ''}${cut(text.slice(begin, to).replaceAll(OBJECT, ' ').trim())}`;
}

const cut = (words: string): string =>
  words.length > LONGEST ? `${words.slice(0, LONGEST).replace(/\s\S*$/, '')}…` : words;

const plainLines = new WeakMap<Node, string>();

/** Words without what two spellings of them may differ in: a line without these has no hit. */
const plainWords = (words: string): string =>
  words.replace(/\s/g, ' ').normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replaceAll('ς', 'σ');

/** Read once for each line, since lines never change. */
function plainLine(line: Node): string {
  const known = plainLines.get(line) ?? plainWords(lineText(line).text);
  plainLines.set(line, known);
  return known;
}

import { Slice, Fragment, type Mark, type Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { hrefOf, recognise } from '../destination/index.js';
import {
  attrsOf,
  groupedBy,
  linksOf,
  linksOfChapter,
  OBJECT,
  schema,
  type Link,
  type ReadBook,
} from '../manuscript/index.js';
import type { ChangedChapter } from '../edits/index.js';
import { lineText, saidOf } from './line-text.js';
import { applyRepair } from './repair.js';
import { WordEnds } from './word-ends.js';

/** What to look for, and where. */
export interface FindSearch {
  words: string;
  /** Letters must be capital or small as in `words`. */
  matchCase: boolean;
  /** Only whole words, by the word ends of the book's language. */
  wholeWords: boolean;
  /** Letters are the same whatever stands above or below them. */
  ignoreAccents: boolean;
  /** Chapters to look through, by id; `null` for the whole book. */
  chapters: string[] | null;
  /** The addresses of links are searched too. */
  addresses: boolean;
}

/** A spot where the words stand: positions in the chapter's doc and the words around, or the address of a link. */
export interface Hit {
  chapter: string;
  from: number;
  to: number;
  text: string;
  before: string;
  after: string;
  /** The link whose address has the words, and where they begin in it; `null` in the text itself. */
  link: { id: string; at: number } | null;
}

/** Longest piece of text kept at either side of a hit, in UTF-16 units. */
const AROUND = 60;

/** Every hit in the text of a book, then in the addresses of its links; from left to right, never overlapping. */
export function findWords(book: ReadBook, search: FindSearch): Hit[] {
  const matcher = matcherFor(search, book.language);
  if (!matcher) return [];
  const hits: Hit[] = [];
  const isSearched = (chapter: string) => !search.chapters || search.chapters.includes(chapter);
  for (const { id, doc } of book.chapters) {
    if (!isSearched(id)) continue;
    doc.descendants((node, position) => {
      if (!node.isTextblock) return true;
      const line = lineText(node);
      for (const [start, end] of matcher(line.text))
        hits.push({
          chapter: id,
          from: position + 1 + line.positions[start]!,
          to: position + 1 + line.positions[end - 1]! + 1,
          ...around(line.text, start, end),
          link: null,
        });
      // Notes stand in the line.
      return true;
    });
  }
  if (search.addresses)
    for (const link of linksOf(book))
      if (isSearched(link.chapter)) hits.push(...hitsInAddress(link, matcher));
  return hits;
}

function hitsInAddress({ id, chapter, from, to, destination, href }: Link, matcher: Matcher): Hit[] {
  if (destination.kind !== 'web' && destination.kind !== 'mail') return [];
  return [...matcher(href)].map(([start, end]) => ({
    chapter,
    from,
    to,
    ...around(href, start, end),
    link: { id, at: start },
  }));
}

const around = (text: string, start: number, end: number) => ({
  text: text.slice(start, end),
  before: text.slice(Math.max(0, start - AROUND), start).replaceAll(OBJECT, ' '),
  after: text.slice(end, end + AROUND).replaceAll(OBJECT, ' '),
});

/** Where a text has the words: the units at which each hit begins and ends. */
export type Matcher = (text: string) => Iterable<readonly [start: number, end: number]>;

export function matcherFor(
  { words, wholeWords, ...how }: Omit<FindSearch, 'chapters' | 'addresses'>,
  language: string,
): Matcher | null {
  const { text: wanted } = folded(words, how, language);
  if (wanted === '') return null;
  return function* hits(text) {
    const { text: within, starts, ends } = folded(text, how, language);
    let ofWords: WordEnds | null = null;
    for (let at = within.indexOf(wanted); at >= 0;) {
      const start = starts[at]!;
      const end = ends[at + wanted.length - 1]!;
      // Half of a sign is no hit.
      const isWhole =
        (at === 0 || starts[at - 1] !== start) &&
        (at + wanted.length === within.length ||
          starts[at + wanted.length] !== starts[at + wanted.length - 1]);
      if (wholeWords) ofWords ??= new WordEnds(text, language);
      const isHit = isWhole && (!ofWords || (ofWords.at(start) && ofWords.at(end)));
      if (isHit) yield [start, end];
      at = within.indexOf(wanted, isHit ? at + wanted.length : at + 1);
    }
  };
}

/** A text as it is compared; for each of its units where the sign that it comes from begins and ends. */
function folded(
  text: string,
  { matchCase, ignoreAccents }: Pick<FindSearch, 'matchCase' | 'ignoreAccents'>,
  language: string,
): { text: string; starts: number[]; ends: number[] } {
  let made = '';
  const starts: number[] = [];
  const ends: number[] = [];
  let at = 0;
  for (const sign of text) {
    const end = at + sign.length;
    let plain = /\s/.test(sign) ? ' ' : sign;
    if (ignoreAccents) plain = plain.normalize('NFD').replace(/\p{M}/gu, '');
    if (!matchCase) plain = plain.toLocaleLowerCase(language);
    // A mark that is left out belongs to the letter that it stands on.
    if (plain === '') for (let before = ends.length - 1; ends[before] === at; before--) ends[before] = end;
    for (let unit = 0; unit < plain.length; unit++) {
      starts.push(at);
      ends.push(end);
    }
    made += plain;
    at = end;
  }
  return { text: made, starts, ends };
}

export interface Replaced {
  chapters: ChangedChapter[];
  changed: number;
  /** Hits that stay, since a link or a bookmark would be left without words, or an address would be none. */
  left: number;
}

/** Replaces all that a search finds. Links, bookmarks and notes stay, with the words that they have then. */
export function replaceAll(book: ReadBook, search: FindSearch, replacement: string): Replaced {
  const hits = groupedBy(findWords(book, search), ({ chapter }) => chapter);
  const result: Replaced = { chapters: [], changed: 0, left: 0 };
  for (const { id, doc } of book.chapters) {
    const own = hits.get(id);
    if (!own) continue;
    const transform = new Transform(doc);
    const { changed, left } = replaceHits(transform, own, replacement, linksOfChapter(doc, id));
    result.changed += changed;
    result.left += left;
    if (transform.docChanged) result.chapters.push({ id, doc: transform.doc, transform });
  }
  return result;
}

/**
 * Replaces hits of one chapter, which were found in `transform.doc`; one whose words stand there no more is passed over. `links` are
 * those of the chapter. Adds the steps to `transform`.
 */
export function replaceHits(
  transform: Transform,
  hits: readonly Hit[],
  replacement: string,
  links: readonly Link[],
): { changed: number; left: number } {
  const done = { changed: 0, left: 0 };
  const count = (was: boolean | null) => {
    if (was !== null) done[was ? 'changed' : 'left'] += 1;
  };
  // Addresses first: they change no position.
  const byLink = groupedBy(
    hits.filter(({ link }) => link !== null),
    ({ link }) => link?.id ?? '',
  );
  for (const [id, own] of byLink) {
    const link = links.find((one) => one.id === id);
    const was = link ? replaceInAddress(transform, link, own, replacement) : null;
    own.forEach(() => count(was));
  }
  const inText = hits.filter(({ link }) => link === null).sort((one, other) => other.from - one.from);
  for (const hit of inText) count(replaceInText(transform, hit, replacement));
  return done;
}

function replaceInAddress(
  transform: Transform,
  link: Link,
  hits: readonly Hit[],
  replacement: string,
): boolean | null {
  let address = '';
  let at = 0;
  for (const { text, link: spot } of hits) {
    if (spot === null || link.href.slice(spot.at, spot.at + text.length) !== text) return null;
    address += link.href.slice(at, spot.at) + replacement;
    at = spot.at + text.length;
  }
  address += link.href.slice(at);
  if (address === link.href) return null;
  const known = recognise(address);
  if (!known.ok || known.destination.kind !== link.destination.kind) return false;
  if (hrefOf(known.destination) === link.href) return null;
  applyRepair(transform, link, { type: 'destination', destination: known.destination });
  return true;
}

/** What a stretch of text belongs to: replaced words go on belonging to it. */
const holdersOf = (node: Node): readonly string[] =>
  node.marks
    .filter(({ type }) => type === schema.marks.link || type === schema.marks.bookmark)
    .map((mark) =>
      mark.type === schema.marks.link
        ? `link ${attrsOf.link(mark).id}`
        : `bookmark ${attrsOf.bookmark(mark).id}`,
    );

interface Piece {
  marks: readonly Mark[];
  holders: readonly string[];
}

/** True when it was replaced, false when it has to stay, `null` where there is nothing to do. */
function replaceInText(transform: Transform, hit: Hit, replacement: string): boolean | null {
  const { doc } = transform;
  if (hit.to > doc.content.size) return null;
  const $from = doc.resolve(hit.from);
  if (!$from.parent.isTextblock || hit.to > $from.end()) return null;
  const said = doc.textBetween(hit.from, hit.to, undefined, saidOf);
  if (said !== hit.text || said === replacement) return null;
  const { start, end } = differing(said, replacement);
  const [from, to] = [hit.from + start, hit.to - end];
  const words = replacement.slice(start, replacement.length - end);
  const pieces: Piece[] = [];
  $from.parent.forEach((child, offset) => {
    const at = $from.start() + offset;
    if (Math.max(from, at) < Math.min(to, at + child.nodeSize))
      pieces.push({ marks: child.marks, holders: holdersOf(child) });
  });
  // Where only something is put in, it belongs to what stands before it within the hit, or after.
  if (pieces.length === 0) {
    const beside = start > 0 ? doc.resolve(from).nodeBefore : doc.resolve(from).nodeAfter;
    transform.replace(from, from, sliceOf(words, beside?.marks ?? []));
    return true;
  }
  const emptied = new Set(
    pieces
      .flatMap(({ holders }) => holders)
      .filter((holder) => !isElsewhere($from.parent, $from.start(), holder, from, to)),
  );
  const home = pieces.find(({ holders }) => [...emptied].every((holder) => holders.includes(holder)));
  if (emptied.size > 0 && (!home || words === '')) return false;
  const { marks } = home ?? pieces[0]!;
  transform.replace(from, to, words === '' ? Slice.empty : sliceOf(words, marks));
  return true;
}

const sliceOf = (words: string, marks: readonly Mark[]): Slice =>
  new Slice(Fragment.from(schema.text(words, marks)), 0, 0);

/** How much at the beginning and at the end of two texts is the same. */
function differing(one: string, other: string): { start: number; end: number } {
  const most = Math.min(one.length, other.length);
  let start = 0;
  while (start < most && one[start] === other[start]) start++;
  let end = 0;
  while (end < most - start && one[one.length - 1 - end] === other[other.length - 1 - end]) end++;
  // Never between the halves of a sign.
  if (start > 0 && /[\ud800-\udbff]/.test(one[start - 1]!)) start--;
  if (end > 0 && /[\udc00-\udfff]/.test(one[one.length - end]!)) end--;
  return { start, end };
}

/** Whether a link or a bookmark has words of the line outside a stretch. */
function isElsewhere(line: Node, begin: number, holder: string, from: number, to: number): boolean {
  let found = false;
  line.forEach((child, offset) => {
    const at = begin + offset;
    const isOutside = at < from || at + child.nodeSize > to;
    if (isOutside && holdersOf(child).includes(holder)) found = true;
  });
  return found;
}

import type { Node } from 'prosemirror-model';
import { attrsOf } from './attrs.js';
import type { ReadBook } from './book.js';
import { openLevels } from './open-levels.js';
import type { Place } from './place.js';

/** One line of a list of contents. `depth` counts from 1. */
export interface ContentsLine {
  place: string;
  words: string;
  /** The number as it is called; empty where there is none. */
  label: string;
  depth: number;
}

/** What a list of contents lists: its lines, and how many headings of its section lie deeper than it goes. */
export interface ContentsList {
  lines: ContentsLine[];
  leftOut: number;
  /** The heading or chapter whose section it lists; `null` for the whole book. */
  section: string | null;
}

/** The lines of a `contents` node that stands in a chapter; `headings` are those of each chapter. */
export function contentsOf(
  node: Node,
  chapter: string,
  book: Pick<ReadBook, 'chapters'>,
  places: ReadonlyMap<string, Place>,
  headings: ReadonlyMap<string, readonly Place[]>,
): ContentsList {
  const { scope, section, depth, id } = attrsOf.contents(node);
  if (scope === 'book') return { ...bookLines(headings, book, depth), section: null };
  const wanted = section ?? places.get(id)?.section ?? chapter;
  // A chapter and its first heading are one place.
  const base = places.get(wanted)?.kind === 'chapter' ? (places.get(wanted)?.section ?? wanted) : wanted;
  return { ...listed(headingsIn(places.get(base), headings), depth), section: base };
}

/** The headings within a section, or within a chapter. */
function headingsIn(
  base: Place | undefined,
  headings: ReadonlyMap<string, readonly Place[]>,
): readonly Place[] {
  if (!base) return [];
  const after = (headings.get(base.chapter) ?? []).filter(({ order }) => order > base.order);
  if (base.level === null) return after;
  const { level } = base;
  const end = after.findIndex((heading) => (heading.level ?? 6) <= level);
  return end < 0 ? after : after.slice(0, end);
}

/** The headings of a book; a chapter without a heading at its top has a line of its own. */
function bookLines(
  headings: ReadonlyMap<string, readonly Place[]>,
  { chapters }: Pick<ReadBook, 'chapters'>,
  depth: number,
) {
  const lines: ContentsLine[] = [];
  let leftOut = 0;
  for (const { id, title, doc } of chapters) {
    const untitled = doc.firstChild?.type.name !== 'heading';
    if (untitled && title !== '') lines.push({ place: id, words: title, label: '', depth: 1 });
    const own = listed(headings.get(id) ?? [], depth);
    lines.push(...own.lines);
    leftOut += own.leftOut;
  }
  return { lines, leftOut };
}

/** Depth is counted by the headings that are open, so that a level which is jumped over makes no gap. */
function listed(headings: readonly Place[], depth: number): { lines: ContentsLine[]; leftOut: number } {
  const depthOf = openLevels();
  const lines: ContentsLine[] = [];
  let leftOut = 0;
  for (const { id, words, label, level } of headings) {
    const own = depthOf(level ?? 6);
    if (words === '') continue;
    if (own <= depth) lines.push({ place: id, words, label, depth: own });
    else leftOut += 1;
  }
  return { lines, leftOut };
}

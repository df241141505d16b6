import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { END, Locator, type Carried, type Located, type Passage, type Token } from '../carry-over/index.js';
import { hrefOf, NOWHERE, type Destination } from '../destination/index.js';
import {
  boxAround,
  holdsMiddle,
  overlapOf,
  placesOnPages,
  pageName,
  pagesOf,
  setAreas,
  setSpots,
  withinPicture,
  SMALLEST_ON_PAGE,
  type Box,
  type GroundPageAttrs,
  type LinkArea,
  type PagePlace,
  type PageSpot,
} from '../manuscript/index.js';
import { boxesOf, wordsIn, wordsOfLine, type PageText, type Stretch } from './page-text.js';

/** An edition of a finished file: its pages with their links, and what stands on them. */
export interface Edition {
  doc: Node;
  texts: readonly PageText[];
}

/** What of an older edition can be carried over, and where each link goes. */
export interface PagesPlan {
  items: Carried[];
  /** The link as it is to be in the newer edition, and the page by its number. */
  spots: ReadonlyMap<Carried, { page: number; area: LinkArea }>;
  /** Spots that have to be there for these links, by the number of their page. */
  places: ReadonlyMap<string, { page: number; spot: PageSpot }>;
}

/** Words on each side of a link that are shown. */
const SHOWN = 6;
/** Where a sign stands on its page: so many for each line. */
const LINE = 100_000;
/** How much a spot may have moved to be where it was, as a share of the page. */
const STILL = 0.004;

/**
 * What of an older edition of a finished file can be carried over to a newer one: by the words beneath each link and around it; an area
 * without words by what stands around it and by its position.
 */
export function planPages(old: Edition, fresh: Edition): PagesPlan {
  return new Planner(old, fresh).plan();
}

/** The newer edition with what is taken of a plan. A link that stands where another is carried to goes. */
export function carryPages(
  fresh: Node,
  plan: PagesPlan,
  taken: (item: Carried) => boolean,
  mint: () => string,
): Transform {
  const transform = new Transform(fresh);
  const ids = new Set(pagesOf(fresh).flatMap(({ attrs }) => attrs.areas.map(({ id }) => id)));
  const wanted = plan.items.flatMap((item) => {
    const spot = plan.spots.get(item);
    return spot && taken(item) ? [spot] : [];
  });
  const led = new Set(
    wanted.flatMap(({ area: { destination } }) => (destination.kind === 'place' ? [destination.place] : [])),
  );
  for (const { at, attrs } of pagesOf(fresh)) {
    const { number, areas, spots } = attrs;
    const here = wanted.filter(({ page }) => page === number).map(({ area }) => area);
    const stay = areas.filter((area) => !here.some((one) => covers(one, area)));
    const own = here.map((area) => {
      const id = ids.has(area.id) ? mint() : area.id;
      ids.add(id);
      return { ...area, id };
    });
    if (own.length > 0) setAreas(transform, at, [...stay, ...own]);
    const more = [...plan.places.values()].filter(({ page, spot }) => page === number && led.has(spot.id));
    if (more.length > 0) setSpots(transform, at, [...spots, ...more.map(({ spot }) => spot)]);
  }
  return transform;
}

const WORD = /[\p{L}\p{N}\p{M}]+|[^\s\p{L}\p{N}\p{M}]/gu;

/** The words of all pages in a row; one that is divided at the end of a line is one. A page's end is a word of its own. */
function tokensOf(texts: readonly PageText[]): Token[] {
  const tokens: Token[] = [];
  texts.forEach(({ lines }, page) => {
    const chapter = String(page + 1);
    lines.forEach((line, row) => {
      let isFirst = true;
      const words = wordsOfLine(line);
      for (const { 0: word, index } of words.matchAll(WORD)) {
        const token = {
          word: word.toLowerCase(),
          chapter,
          from: row * LINE + index,
          to: row * LINE + index + word.length,
        };
        const [before, hyphen] = [tokens.at(-2), tokens.at(-1)];
        const isDivided =
          isFirst &&
          row > 0 &&
          hyphen?.word === '-' &&
          before?.chapter === chapter &&
          before.to === hyphen.from &&
          /^\p{Ll}/u.test(word);
        if (isDivided) tokens.splice(-2, 2, { ...before, word: before.word + token.word, to: token.to });
        else tokens.push(token);
        isFirst = false;
      }
    });
    tokens.push({ word: END, chapter, from: lines.length * LINE, to: lines.length * LINE });
  });
  return tokens;
}

class Planner {
  readonly #before: Token[];
  readonly #after: Token[];
  readonly #locator: Locator;
  readonly #oldPages: GroundPageAttrs[];
  readonly #newPages: GroundPageAttrs[];
  readonly #oldPlaces: ReadonlyMap<string, PagePlace>;
  readonly #firsts: number[];
  readonly #places = new Map<string, { page: number; spot: PageSpot }>();
  readonly #known = new Map<string, string | null>();

  constructor(
    readonly old: Edition,
    readonly fresh: Edition,
  ) {
    this.#before = tokensOf(old.texts);
    this.#after = tokensOf(fresh.texts);
    this.#locator = new Locator(this.#before, this.#after);
    const attrsIn = (doc: Node) => pagesOf(doc).map(({ attrs }) => attrs);
    this.#oldPlaces = placesOnPages(old.doc);
    this.#oldPages = attrsIn(old.doc);
    this.#newPages = attrsIn(fresh.doc);
    this.#firsts = this.#oldPages.map(({ number }) =>
      this.#before.findIndex(({ chapter }) => chapter === String(number)),
    );
  }

  plan(): PagesPlan {
    const spots = new Map<Carried, { page: number; area: LinkArea }>();
    const items = this.#oldPages.flatMap((page) =>
      page.areas.map((area) => {
        const { item, spot } = this.#item(area, page);
        if (spot) spots.set(item, spot);
        return item;
      }),
    );
    return { items, spots, places: this.#places };
  }

  #item(
    area: LinkArea,
    page: GroundPageAttrs,
  ): { item: Carried; spot: { page: number; area: LinkArea } | null } {
    const range = this.#under(area, page);
    const item: Carried = {
      id: area.id,
      kind: 'link',
      about: area.name || aboutOf(area.destination),
      fate: 'gone',
      why: 'Its words are not in the new edition any more.',
      old: this.#passage(this.#before, range, this.#oldPages),
      new: null,
    };
    const isWordless = range.from === range.to;
    const located = this.#locator.find(range.from, range.to);
    const found =
      located &&
      (isWordless
        ? this.#beside(area, page, range.from, located)
        : this.#onWords(area, page, range, located));
    if (!found)
      return {
        item: isWordless
          ? { ...item, why: 'What stood around it is not in the new edition any more.' }
          : item,
        spot: null,
      };
    item.new = this.#passage(this.#after, located, this.#newPages);
    const { destination, isFound } = this.#destinationNow(area.destination);
    const { from: _from, ...same } = area;
    const now: LinkArea = { ...same, ...found.shape, destination };
    const sheet = this.#newPages[found.page - 1];
    const there = sheet?.areas.find((one) => covers(now, one));
    if (there && hrefOf(there.destination) === hrefOf(destination))
      return { item: { ...item, fate: 'there', why: '' }, spot: null };
    const why = !isFound
      ? 'The place that it leads to is not found in the new edition.'
      : isWordless
        ? found.isStill
          ? ''
          : 'No words stand beneath it, and what is around it has moved.'
        : !located.isSame
          ? 'The words there were changed.'
          : !located.isSure
            ? 'The words around it were changed, or stand in several spots.'
            : there && there.destination.kind !== 'place'
              ? 'Another link stands there.'
              : '';
    return {
      item: { ...item, fate: why === '' ? 'sure' : 'look', why },
      spot: { page: found.page, area: now },
    };
  }

  /** The words under a link, as a range of the row; for an area without words the spot after what stands above it. */
  #under(area: LinkArea, { number }: GroundPageAttrs): { from: number; to: number } {
    const text = this.old.texts[number - 1];
    const first = Math.max(0, this.#firsts[number - 1] ?? 0);
    const end = this.#end(first);
    if (!text) return { from: first, to: first };
    const stretches = stretchesIn(text, area.lines ?? [area]);
    const [begin, last] = [stretches[0], stretches.at(-1)];
    if (begin && last) {
      const from = this.#at(first, end, begin.line * LINE + begin.from);
      const to = this.#at(first, end, last.line * LINE + last.to);
      if (to > from) return { from, to };
    }
    const below = text.lines.findIndex((line) => boxAround(line).y >= area.y);
    const spot = this.#at(first, end, (below < 0 ? text.lines.length : below) * LINE);
    return { from: spot, to: spot };
  }

  #end(first: number): number {
    let end = first;
    while (end < this.#before.length && this.#before[end]?.word !== END) end++;
    return end;
  }

  /** The first word of a page at a sign or behind it. */
  #at(first: number, end: number, sign: number): number {
    let at = first;
    while (at < end && (this.#before[at]?.to ?? 0) <= sign) at++;
    return at;
  }

  #onWords(area: LinkArea, page: GroundPageAttrs, range: Range, { from, to }: Located): Found | null {
    const [first, last] = [this.#after[from], this.#after[to - 1]];
    if (!first || !last || first.chapter !== last.chapter || first.word === END) return null;
    const number = Number(first.chapter);
    const text = this.fresh.texts[number - 1];
    if (!text) return null;
    const lines = boxesOf(text, between(text, first.from, last.to));
    if (lines.length === 0) return null;
    const words = wordsIn(text, lines);
    if (area.lines) return { page: number, isStill: true, shape: { ...boxAround(lines), lines, words } };
    // A rectangle that was drawn around words keeps its distance from them.
    const own = this.#boxOfWords(page, range);
    const around = boxAround(lines);
    const box = own
      ? {
          x: around.x - (own.x - area.x),
          y: around.y - (own.y - area.y),
          width: around.width + (area.width - own.width),
          height: around.height + (area.height - own.height),
        }
      : around;
    return { page: number, isStill: true, shape: { ...withinPicture(box, SMALLEST_ON_PAGE), words } };
  }

  #boxOfWords({ number }: GroundPageAttrs, { from, to }: Range): Box | null {
    const text = this.old.texts[number - 1];
    const [first, last] = [this.#before[from], this.#before[to - 1]];
    const boxes = text && first && last ? boxesOf(text, between(text, first.from, last.to)) : [];
    return boxes.length > 0 ? boxAround(boxes) : null;
  }

  /** Where an area without words goes: as far from what stands beside it as before. */
  #beside(area: LinkArea, page: GroundPageAttrs, at: number, located: Located): Found | null {
    const now = this.#after[Math.min(located.from, this.#after.length - 1)];
    if (!now) return null;
    const number = Number(now.chapter);
    const [was, is] = [
      lineAt(this.old.texts[page.number - 1], this.#before[at]),
      lineAt(this.fresh.texts[number - 1], now),
    ];
    const shift = was && is ? is.y - was.y : 0;
    const { x, y, width, height } = area;
    const box = withinPicture(
      { x, y: y + (Math.abs(shift) < STILL ? 0 : shift), width, height },
      SMALLEST_ON_PAGE,
    );
    return { page: number, isStill: Math.abs(shift) < STILL && located.isSame, shape: box };
  }

  #destinationNow(destination: Destination): { destination: Destination; isFound: boolean } {
    if (destination.kind !== 'place' || destination.place === NOWHERE) return { destination, isFound: true };
    const place = this.#placeNow(destination.place);
    return { destination: place === null ? destination : { kind: 'place', place }, isFound: place !== null };
  }

  /** Where a page or a spot of the older edition is in the newer one. */
  #placeNow(id: string): string | null {
    const known = this.#known.get(id);
    if (known !== undefined) return known;
    const found = this.#findPlace(id);
    this.#known.set(id, found);
    return found;
  }

  #findPlace(id: string): string | null {
    const place = this.#oldPlaces.get(id);
    if (!place) return null;
    const { name, x, y, zoom } = place;
    const page = place.page.number;
    const named = name
      ? this.#newPages.flatMap(({ spots }) => spots).find((spot) => spot.name === name)
      : null;
    if (named) return named.id;
    const first = Math.max(0, this.#firsts[page - 1] ?? 0);
    const text = this.old.texts[page - 1];
    const row = text ? text.lines.findIndex((line) => boxAround(line).y >= y - STILL) : -1;
    const from = this.#at(first, this.#end(first), Math.max(0, row) * LINE);
    const located = this.#locator.find(from, Math.min(this.#end(first), from + 6));
    const token = located && this.#after[located.from];
    const sheet = token ? this.#newPages[Number(token.chapter) - 1] : undefined;
    if (!token || !sheet) return null;
    if (x === 0 && y === 0) return sheet.id;
    const line = lineAt(this.fresh.texts[sheet.number - 1], token);
    if (!line) return sheet.id;
    const made: PageSpot = { id: `${id}-now`, name, x, y: line.y, zoom };
    this.#places.set(made.id, { page: sheet.number, spot: made });
    return made.id;
  }

  #passage(tokens: readonly Token[], { from, to }: Range, pages: readonly GroundPageAttrs[]): Passage {
    const { chapter = '1' } = tokens[from] ?? tokens[from - 1] ?? {};
    const page = pages[Number(chapter) - 1];
    const said = (start: number, end: number) =>
      tokens
        .slice(Math.max(0, start), end)
        .filter(({ word }) => word !== END)
        .map(({ word }) => word)
        .join(' ');
    return {
      chapter: page ? `page ${pageName(page)}` : '',
      before: `${said(from - SHOWN, from)} `,
      words: said(from, to),
      after: ` ${said(to, to + SHOWN)}`,
    };
  }
}

interface Range {
  from: number;
  to: number;
}

interface Found {
  page: number;
  /** It stands where it stood. */
  isStill: boolean;
  shape: Partial<LinkArea> & Box;
}

const aboutOf = (destination: Destination): string =>
  destination.kind === 'web' || destination.kind === 'mail' ? hrefOf(destination) : '';

/** Whether two links lie over one another for the most part. */
const covers = (one: Box, other: Box): boolean => overlapOf(one, other) > 0.5;

/** The words of a page that stand in some boxes, line by line. */
function stretchesIn({ lines }: PageText, boxes: readonly Box[]): Stretch[] {
  return lines.flatMap((line, row) => {
    let at = 0;
    let [from, to] = [Infinity, -1];
    for (const piece of line) {
      const isIn = piece.text.trim() !== '' && boxes.some((box) => holdsMiddle(box, piece));
      if (isIn) [from, to] = [Math.min(from, at), Math.max(to, at + piece.text.trimEnd().length)];
      at += piece.text.length;
    }
    return to > from ? [{ line: row, from, to }] : [];
  });
}

/** The words between two signs of a page, line by line. */
function between({ lines }: PageText, from: number, to: number): Stretch[] {
  const [first, last] = [Math.floor(from / LINE), Math.floor((to - 1) / LINE)];
  const stretches: Stretch[] = [];
  for (let line = first; line <= last; line++) {
    const length = wordsOfLine(lines[line] ?? []).length;
    stretches.push({
      line,
      from: line === first ? from % LINE : 0,
      to: line === last ? to - line * LINE : length,
    });
  }
  return stretches;
}

const lineAt = (text: PageText | undefined, token: Token | undefined): Box | null => {
  const line = text && token ? text.lines[Math.floor(token.from / LINE)] : undefined;
  return line ? boxAround(line) : null;
};

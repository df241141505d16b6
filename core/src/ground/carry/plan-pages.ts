import type { Node } from 'prosemirror-model';
import {
  END,
  Locator,
  type Carried,
  type Located,
  type Passage,
  type Token,
} from '../../carry-over/index.js';
import { hrefOf, NOWHERE, type Destination } from '../../destination/index.js';
import {
  boxAround,
  entriesOf,
  overlapOf,
  placesOnPages,
  pageName,
  pagesOf,
  withinPicture,
  SMALLEST_ON_PAGE,
  type Box,
  type EntryAttrs,
  type EntryInText,
  type GroundPageAttrs,
  type LinkArea,
  type PagePlace,
  type PageSpot,
} from '../../manuscript/index.js';
import { boxesOf, wordsIn, type PageText } from '../page-text.js';
import { between, LINE, lineAt, stretchesIn, tokensOf } from './page-tokens.js';
import { Pictures } from './pictures.js';

/** An edition of a finished file: its pages with their links, and what stands on them. */
export interface Edition {
  doc: Node;
  texts: readonly PageText[];
}

/** What a thing of the older edition is to be in the newer one. */
export type Goes =
  | {
      kind: 'link';
      /** From 1. */
      page: number;
      area: LinkArea;
    }
  | { kind: 'spot'; id: string }
  | { kind: 'entry'; entry: Pick<EntryAttrs, 'level' | 'page' | 'y'>; title: string; page: number };

/** What of an older edition can be carried over, and where it goes. */
export interface PagesPlan {
  items: Carried[];
  goes: ReadonlyMap<Carried, Goes>;
  /** Spots that have to be there for what leads to them, by the number of their page. */
  places: ReadonlyMap<string, { page: number; spot: PageSpot }>;
}

/** Words on each side of a link that are shown. */
const SHOWN = 6;
/** How much a spot may have moved to be where it was, as a share of the page. */
const STILL = 0.004;

/**
 * What of an older edition of a finished file can be carried over to a newer one: its links by the words beneath and around them, areas
 * without words by the picture that they lie on, by what stands around and by position; spots that have a name, and entries of the
 * outline that the author made.
 */
export function planPages(old: Edition, fresh: Edition): PagesPlan {
  return new Planner(old, fresh).plan();
}

class Planner {
  readonly #before: Token[];
  readonly #after: Token[];
  readonly #locator: Locator;
  readonly #oldPages: GroundPageAttrs[];
  readonly #newPages: GroundPageAttrs[];
  readonly #oldPlaces: ReadonlyMap<string, PagePlace>;
  /** The first word of each page of the older edition. */
  readonly #firsts: readonly number[];
  /** The spots of the newer edition by their names, and the titles of its outline. */
  readonly #named = new Map<string, string>();
  readonly #titles: ReadonlySet<string>;
  readonly #places = new Map<string, { page: number; spot: PageSpot }>();
  readonly #known = new Map<string, string | null>();
  /** The places of the older edition that were found for sure. */
  readonly #surePlaces = new Set<string>();
  readonly #pictures: Pictures;
  readonly #goes = new Map<Carried, Goes>();

  constructor(
    readonly old: Edition,
    readonly fresh: Edition,
  ) {
    this.#before = tokensOf(old.texts);
    this.#after = tokensOf(fresh.texts);
    this.#locator = new Locator(this.#before, this.#after);
    const attrsIn = (doc: Node) => pagesOf(doc).map(({ attrs }) => attrs);
    this.#pictures = new Pictures(fresh.texts);
    this.#oldPlaces = placesOnPages(old.doc);
    this.#oldPages = attrsIn(old.doc);
    this.#newPages = attrsIn(fresh.doc);
    this.#firsts = firstsOf(this.#before, this.#oldPages.length);
    for (const spot of this.#newPages.flatMap(({ spots }) => spots))
      if (!this.#named.has(spot.name)) this.#named.set(spot.name, spot.id);
    this.#titles = new Set(entriesOf(fresh.doc).map(({ title }) => title.trim()));
  }

  plan(): PagesPlan {
    const links = this.#oldPages.flatMap((page) => page.areas.map((area) => this.#link(area, page)));
    const spots = this.#oldPages.flatMap((page) =>
      page.spots.filter(isOfAuthor).map((spot) => this.#spot(spot, page)),
    );
    const own = entriesOf(this.old.doc).filter(({ attrs }) => attrs.from === null);
    const items = [...links, ...spots, ...own.map((entry) => this.#entry(entry))];
    return { items, goes: this.#goes, places: this.#places };
  }

  #link(area: LinkArea, page: GroundPageAttrs): Carried {
    const range = this.#under(area, page);
    const isWordless = range.from === range.to;
    const item: Carried = {
      id: area.id,
      kind: 'link',
      about: area.name || aboutOf(area.destination),
      fate: 'gone',
      why: isWordless
        ? 'What stood around it is not in the new edition any more.'
        : 'Its words are not in the new edition any more.',
      old: {
        ...this.#passage(this.#before, range, this.#oldPages),
        on: { page: page.number, box: boxOf(area) },
      },
      new: null,
    };
    const located = this.#locator.find(range.from, range.to);
    const found = isWordless
      ? (this.#onPicture(area, page, located) ?? (located && this.#beside(area, page, range.from, located)))
      : located && this.#onWords(area, page, range, located);
    if (!found) return item;
    const { destination, isFound } = this.#destinationNow(area.destination);
    const { from: _from, ...same } = area;
    const now: LinkArea = { ...same, ...found.shape, destination };
    const passage = located ? this.#passage(this.#after, located, this.#newPages) : this.#onPage(found.page);
    item.new = { ...passage, on: { page: found.page, box: boxOf(now) } };
    const there = this.#newPages[found.page - 1]?.areas.find((one) => covers(now, one));
    if (there && hrefOf(there.destination) === hrefOf(destination))
      return { ...item, fate: 'there', why: '' };
    const why = !isFound
      ? 'The place that it leads to is not found in the new edition.'
      : found.doubt !== ''
        ? found.doubt
        : there && there.destination.kind !== 'place'
          ? 'Another link stands there.'
          : '';
    return this.#going(
      { ...item, fate: why === '' ? 'sure' : 'look', why },
      { kind: 'link', page: found.page, area: now },
    );
  }

  #going(item: Carried, goes: Goes): Carried {
    this.#goes.set(item, goes);
    return item;
  }

  /** A spot that the author has named. */
  #spot({ id, name, x, y }: PageSpot, page: GroundPageAttrs): Carried {
    const item = this.#placed('spot', id, name, { page: page.number, box: boxAt(x, y) });
    const place = this.#placeNow(id);
    if (place === null) return item;
    const made = this.#places.get(place);
    // The new edition has a spot of this name itself.
    if (!made) return { ...item, fate: 'there', why: '' };
    return this.#going(this.#landed(item, made), { kind: 'spot', id: place });
  }

  /** An entry of the outline that the author made. */
  #entry({ attrs: { id, level, page: pageId, y }, title }: EntryInText): Carried {
    const page = this.#oldPlaces.get(pageId)?.page.number ?? 1;
    const item = this.#placed('entry', id, title, { page, box: boxAt(0, y ?? 0) });
    if (this.#titles.has(title.trim())) return { ...item, fate: 'there', why: '' };
    const place = this.#placeNow(id);
    const made = place === null ? undefined : this.#places.get(place);
    const sheet = made ? this.#newPages[made.page - 1] : this.#newPages.find((one) => one.id === place);
    if (!sheet) return item;
    const entry = { level, page: sheet.id, y: made?.spot.y ?? null };
    return this.#going(this.#landed(item, made ?? { page: sheet.number, spot: null }), {
      kind: 'entry',
      entry,
      title,
      page: sheet.number,
    });
  }

  /** A thing at a place that is not looked for yet. */
  #placed(kind: 'spot' | 'entry', id: string, about: string, on: NonNullable<Passage['on']>): Carried {
    const why = 'What stood there is not in the new edition any more.';
    return {
      id,
      kind,
      about,
      fate: 'gone',
      why,
      old: { ...this.#onPage(on.page, this.#oldPages), on },
      new: null,
    };
  }

  #landed(item: Carried, { page, spot }: { page: number; spot: PageSpot | null }): Carried {
    const isSure = this.#surePlaces.has(item.id);
    const box = boxAt(spot?.x ?? 0, spot?.y ?? 0);
    return {
      ...item,
      fate: isSure ? 'sure' : 'look',
      why: isSure ? '' : 'The words around it were changed, or stand in several spots.',
      new: { ...this.#onPage(page), on: { page, box } },
    };
  }

  /** A page as a whole, where no words are shown. */
  #onPage(number: number, pages = this.#newPages): Passage {
    const page = pages[number - 1];
    return { chapter: page ? `page ${pageName(page)}` : '', before: '', words: '', after: '' };
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

  #onWords(area: LinkArea, page: GroundPageAttrs, range: Range, located: Located): Found | null {
    const { from, to, isSame, isSure } = located;
    const [first, last] = [this.#after[from], this.#after[to - 1]];
    if (!first || !last || first.chapter !== last.chapter || first.word === END) return null;
    const number = Number(first.chapter);
    const text = this.fresh.texts[number - 1];
    if (!text) return null;
    const lines = boxesOf(text, between(text, first.from, last.to));
    if (lines.length === 0) return null;
    const words = wordsIn(text, lines);
    const doubt = !isSame
      ? 'The words there were changed.'
      : !isSure
        ? 'The words around it were changed, or stand in several spots.'
        : '';
    if (area.lines) return { page: number, doubt, shape: { ...boxAround(lines), lines, words } };
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
    return { page: number, doubt, shape: { ...withinPicture(box, SMALLEST_ON_PAGE), words } };
  }

  #boxOfWords({ number }: GroundPageAttrs, { from, to }: Range): Box | null {
    const text = this.old.texts[number - 1];
    const [first, last] = [this.#before[from], this.#before[to - 1]];
    const boxes = text && first && last ? boxesOf(text, between(text, first.from, last.to)) : [];
    return boxes.length > 0 ? boxAround(boxes) : null;
  }

  /** Where an area that lies on a picture goes: to the same part of the same picture. */
  #onPicture(area: LinkArea, page: GroundPageAttrs, located: Located | null): Found | null {
    const token = located && this.#after[Math.min(located.from, this.#after.length - 1)];
    const match = this.#pictures.match(
      area,
      this.old.texts[page.number - 1]?.pictures ?? [],
      token ? Number(token.chapter) : null,
    );
    if (!match) return null;
    const { from, to, page: number, isAlone } = match;
    const box = {
      x: to.x + ((area.x - from.x) / from.width) * to.width,
      y: to.y + ((area.y - from.y) / from.height) * to.height,
      width: (area.width / from.width) * to.width,
      height: (area.height / from.height) * to.height,
    };
    const doubt = isAlone ? '' : 'The same picture stands in several spots.';
    return { page: number, doubt, shape: withinPicture(box, SMALLEST_ON_PAGE) };
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
    const doubt =
      Math.abs(shift) < STILL && located.isSame
        ? ''
        : 'No words stand beneath it, and what is around it has moved.';
    return { page: number, doubt, shape: box };
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
    const named = name === '' ? undefined : this.#named.get(name);
    if (named !== undefined) {
      this.#surePlaces.add(id);
      return named;
    }
    const first = Math.max(0, this.#firsts[page - 1] ?? 0);
    const text = this.old.texts[page - 1];
    const row = text ? text.lines.findIndex((line) => boxAround(line).y >= y - STILL) : -1;
    const from = this.#at(first, this.#end(first), Math.max(0, row) * LINE);
    const located = this.#locator.find(from, Math.min(this.#end(first), from + 6));
    const token = located && this.#after[located.from];
    const sheet = token ? this.#newPages[Number(token.chapter) - 1] : undefined;
    if (!token || !sheet) return null;
    if (located.isSure) this.#surePlaces.add(id);
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
  /** Why it is to be looked at; empty where it is sure. */
  doubt: string;
  shape: Partial<LinkArea> & Box;
}

const aboutOf = (destination: Destination): string =>
  destination.kind === 'web' || destination.kind === 'mail' ? hrefOf(destination) : '';

/** The first word of each page, in the order of their numbers; -1 for one without any. */
function firstsOf(tokens: readonly Token[], pages: number): number[] {
  const firsts = Array.from({ length: pages }, () => -1);
  for (let at = tokens.length - 1; at >= 0; at--) firsts[Number(tokens[at]?.chapter) - 1] = at;
  return firsts;
}

/** A spot, as large as it is shown. */
const boxAt = (x: number, y: number): Box => ({ x, y, width: 0.1, height: 0.02 });

const boxOf = ({ x, y, width, height }: Box): Box => ({ x, y, width, height });

/** Whether two links lie over one another for the most part. */
export const covers = (one: Box, other: Box): boolean => overlapOf(one, other) > 0.5;

/** Whether the author has named a spot: what was read from the file has an id that says where it stands. */
const isOfAuthor = ({ id, name }: PageSpot): boolean => name !== '' && !/^spot-\d+$/.test(id);

import type { Node } from 'prosemirror-model';
import { hrefOf, NOWHERE, type Destination } from '../destination/index.js';
import {
  attrsOf,
  CONTENTS,
  idOf,
  markIdOf,
  placesOf,
  positionOf,
  TOP,
  wordsOf,
  type Box,
  type Place,
  type ReadBook,
} from '../manuscript/index.js';
import { Locator, type Located } from './locate.js';
import { madeIn, type Made, type MadeKind } from './made.js';
import { END, tokensOf, type Token, type TokenText } from './tokens.js';

/** How a thing of the older book fares in the newer one: carried for sure, to be looked at, without a spot, or there already. */
export const FATES = ['sure', 'look', 'gone', 'there'] as const;
export type Fate = (typeof FATES)[number];

/** Words at a spot and on either side of it, with the spaces between them. */
export interface Passage {
  chapter: string;
  before: string;
  words: string;
  after: string;
  /** In a book of pages: on which page it stands, from 1, and where. */
  on?: { page: number; box: Box };
}

/** What can be carried over; spots and entries of the outline are those of a book of pages. */
export type CarriedKind = MadeKind | 'spot' | 'entry';

/** One thing that was made in the older book, and what is to become of it. */
export interface Carried {
  id: string;
  kind: CarriedKind;
  /** Where a link leads, what a bookmark is called, how a note begins. */
  about: string;
  fate: Fate;
  /** Why it is to be looked at, or why it has no spot. */
  why: string;
  old: Passage;
  new: Passage | null;
}

/** What carrying over would do, and what it needs to be done. */
export interface CarryPlan {
  items: Carried[];
  spots: ReadonlyMap<Carried, Spot>;
  /** Where places of the older book are in the newer one, by their ids. */
  places: ReadonlyMap<string, string>;
}

/** Where a thing goes: positions in the doc of a chapter of the newer book. */
export interface Spot {
  made: Made;
  chapter: string;
  from: number;
  to: number;
}

/** Words on each side of a passage that are shown. */
const SHOWN = 6;

/** What the end of the sentence before leaves at the start of a passage. */
const SIGNS_FIRST = /^[\s.,;:!?…)\]]+/u;

/**
 * What of an older book can be carried over to a newer version of its text: by the words beneath and around each thing.
 * @param files the names of the older book's files, by their ids
 */
export function planCarryOver(
  old: ReadBook,
  fresh: ReadBook,
  files: ReadonlyMap<string, string> = new Map(),
): CarryPlan {
  return new Planner(old, fresh, files).plan();
}

class Planner {
  readonly #before: TokenText;
  readonly #after: TokenText;
  readonly #locator: Locator;
  readonly #oldPlaces: Map<string, Place>;
  readonly #newPlaces: Map<string, Place>;
  readonly #titles: ReadonlyMap<string, string>;
  readonly #docs: ReadonlyMap<string, Node>;
  readonly #known = new Map<string, string | null>();
  readonly #taken: Spot[] = [];

  constructor(
    readonly old: ReadBook,
    readonly fresh: ReadBook,
    readonly files: ReadonlyMap<string, string>,
  ) {
    this.#before = tokensOf(old);
    this.#after = tokensOf(fresh);
    this.#locator = new Locator(this.#before.tokens, this.#after.tokens);
    this.#oldPlaces = placesOf(old);
    this.#newPlaces = placesOf(fresh);
    this.#titles = new Map([...old.chapters, ...fresh.chapters].map(({ id, title }) => [id, title]));
    this.#docs = new Map(fresh.chapters.map(({ id, doc }) => [id, doc]));
  }

  plan(): CarryPlan {
    const spots = new Map<Carried, Spot>();
    const found = madeIn(this.old).map((made) => ({ made, located: this.#locate(made) }));
    // What is carried keeps its id: links that lead to it lead to it still.
    const carried = new Set(found.filter(({ located }) => located !== null).map(({ made: { id } }) => id));
    const items = found.map(({ made, located }) => {
      const { item, spot } = this.#item(made, located, carried);
      if (spot) spots.set(item, spot);
      return item;
    });
    const places = new Map(
      [...this.#known].flatMap(([id, place]): [string, string][] => (place ? [[id, place]] : [])),
    );
    return { items, spots, places };
  }

  #locate({ kind, chapter, from, to }: Made): Located | null {
    const first = this.#before.indexOf(chapter, from);
    const isSpot = !['link', 'bookmark', 'picture link', 'areas'].includes(kind);
    return this.#locator.find(first, isSpot ? first : Math.max(first, this.#before.indexOf(chapter, to)));
  }

  #item(
    made: Made,
    located: Located | null,
    carried: ReadonlySet<string>,
  ): { item: Carried; spot: Spot | null } {
    const item: Carried = {
      id: made.id,
      kind: made.kind,
      about: this.#aboutOf(made),
      fate: 'gone',
      why: 'Its words are not in the new text any more.',
      old: this.#passage(this.#before, made),
      new: null,
    };
    const spot = located && this.#spotOf(made, located);
    if (!spot || !located) return { item, spot: null };
    item.new = this.#passage(this.#after, spot);
    if (this.#isThere(made, spot)) return { item: { ...item, fate: 'there', why: '' }, spot: null };
    const why = this.#doubt(made, located, spot, carried);
    this.#taken.push(spot);
    return { item: { ...item, fate: why === '' ? 'sure' : 'look', why }, spot };
  }

  #doubt(made: Made, { isSure, isSame }: Located, spot: Spot, carried: ReadonlySet<string>): string {
    const place = placeLedTo(made);
    if (place !== null && this.#placeNow(place, carried) === null)
      return 'The place that it leads to is not found in the new text.';
    if (!isSame) return 'The words there were changed.';
    if (!isSure) return 'The words around it were changed, or stand in several spots.';
    if ((made.kind === 'link' || made.kind === 'picture link') && this.#otherLink(spot))
      return 'Another link stands there.';
    const isCrossed =
      made.kind === 'link' &&
      this.#taken.some(
        (one) =>
          one.made.kind === 'link' &&
          one.chapter === spot.chapter &&
          one.from < spot.to &&
          spot.from < one.to,
      );
    return isCrossed ? 'Another link is carried to the same words.' : '';
  }

  /** Where a passage of words stands in the docs. */
  #spotOf(made: Made, { from, to }: Located): Spot | null {
    const { tokens } = this.#after;
    const first = tokens[from];
    if (made.kind === 'picture link' || made.kind === 'areas') {
      const node = first && this.#docs.get(first.chapter)?.nodeAt(first.from);
      return first && node?.type.name === 'figure'
        ? { made, chapter: first.chapter, from: first.from, to: first.from + 1 }
        : null;
    }
    if (made.kind === 'contents') return first ? this.#betweenBlocks(made, first.chapter, first.from) : null;
    if (from < to) {
      const last = tokens[to - 1];
      return first && last?.chapter === first.chapter
        ? { made, chapter: first.chapter, from: first.from, to: last.to }
        : null;
    }
    // A spot stands after the word before it, in the same block.
    const before = tokens[from - 1];
    if (before && before.word !== END)
      return { made, chapter: before.chapter, from: before.to, to: before.to };
    return first ? { made, chapter: first.chapter, from: first.from, to: first.from } : null;
  }

  #betweenBlocks(made: Made, chapter: string, at: number): Spot | null {
    const doc = this.#docs.get(chapter);
    if (!doc) return null;
    const $at = doc.resolve(at);
    const from = $at.depth === 0 ? at : $at.before(1);
    return { made, chapter, from, to: from };
  }

  #isThere(made: Made, { chapter, from, to }: Spot): boolean {
    const doc = this.#docs.get(chapter);
    if (!doc) return false;
    let isThere = false;
    if (made.kind === 'link' || made.kind === 'bookmark') {
      const { mark } = made;
      doc.nodesBetween(from, to, (node) => {
        for (const one of node.marks)
          if (one.type === mark.type)
            isThere ||=
              made.kind === 'bookmark'
                ? attrsOf.bookmark(one).name === attrsOf.bookmark(mark).name
                : sameLink(attrsOf.link(one).destination, attrsOf.link(mark).destination);
      });
      return isThere;
    }
    if (made.kind === 'picture link' || made.kind === 'areas') {
      const figure = doc.nodeAt(from);
      const attrs = figure && attrsOf.figure(figure);
      return made.kind === 'picture link'
        ? Boolean(
            attrs?.link && sameLink(attrs.link.destination, attrsOf.figure(made.figure).link?.destination),
          )
        : (attrs?.areas.length ?? 0) > 0;
    }
    // A note, or what stands between words, is there when the same stands next to the spot.
    const near = made.kind === 'contents' ? doc.nodeAt(from) : null;
    if (near?.type.name === 'contents') return true;
    const $at = doc.resolve(Math.min(from, doc.content.size));
    for (const node of [$at.nodeAfter, $at.nodeBefore])
      if (
        node &&
        'node' in made &&
        node.type === made.node.type &&
        (made.kind !== 'note' || wordsOf(node) === wordsOf(made.node))
      ) {
        const own = idOf(node);
        if (own) this.#known.set(made.id, own);
        if (own && made.kind === 'note') this.#known.set(markIdOf(made.id), markIdOf(own));
        return true;
      }
    return false;
  }

  /** Whether a link is there that leads somewhere; one that leads nowhere is mended by what is carried. */
  #otherLink({ chapter, from, to }: Spot): boolean {
    let other = false;
    this.#docs.get(chapter)?.nodesBetween(from, to, (node) => {
      other ||=
        node.marks.some((mark) => mark.type.name === 'link' && leads(attrsOf.link(mark).destination)) ||
        (node.type.name === 'figure' && leads(attrsOf.figure(node).link?.destination));
    });
    return other;
  }

  /** Where a place of the older book is now; `null` where it is not found. */
  #placeNow(id: string, carried: ReadonlySet<string>): string | null {
    if (id === TOP || id === CONTENTS || carried.has(id)) return id;
    const known = this.#known.get(id);
    if (known !== undefined) return known;
    const place = this.#oldPlaces.get(id);
    const found = place ? this.#samePlace(place) : null;
    this.#known.set(id, found);
    return found;
  }

  #samePlace({ id, kind, order, chapter }: Place): string | null {
    if (id.endsWith('.mark') && this.#known.has(id)) return this.#known.get(id) ?? null;
    const first = this.#before.indexOf(chapter, Math.max(0, positionOf(order)));
    let last = first + 1;
    while (last < first + 8 && this.#before.tokens[last] && this.#before.tokens[last]?.word !== END) last++;
    const located = this.#locator.find(first, last);
    const token = located && this.#after.tokens[located.from];
    if (!token) return null;
    if (kind === 'chapter') return token.chapter;
    const around = this.#idsAround(token);
    const same = around.find((one) => one !== null && this.#newPlaces.get(one)?.kind === kind);
    return same ?? around.find((one) => one !== null) ?? null;
  }

  /** The ids of the blocks in which a word stands, the innermost first. */
  #idsAround({ chapter, from }: Token): (string | null)[] {
    const doc = this.#docs.get(chapter);
    if (!doc) return [];
    const $at = doc.resolve(from);
    const at = doc.nodeAt(from);
    const blocks = Array.from({ length: $at.depth }, (_, step) => $at.node($at.depth - step));
    return [...(at && !at.isText ? [idOf(at)] : []), ...blocks.map(idOf)];
  }

  #aboutOf(made: Made): string {
    if (made.kind === 'link') return this.#toldOf(attrsOf.link(made.mark).destination);
    if (made.kind === 'bookmark') return attrsOf.bookmark(made.mark).name;
    if (made.kind === 'picture link') {
      const { link } = attrsOf.figure(made.figure);
      return link ? this.#toldOf(link.destination) : '';
    }
    if (made.kind === 'areas')
      return attrsOf
        .figure(made.figure)
        .areas.map(({ name }) => name)
        .join(', ');
    if (made.kind === 'return link') return attrsOf.returnLink(made.node).own;
    return 'node' in made ? wordsOf(made.node).slice(0, 80) : '';
  }

  /** A destination as a person knows it: the words of a place, the name of a file, an address. */
  #toldOf(destination: Destination): string {
    const name =
      destination.kind === 'place'
        ? this.#oldPlaces.get(destination.place)?.words
        : destination.kind === 'file'
          ? this.files.get(destination.enclosure)
          : undefined;
    return name ?? hrefOf(destination);
  }

  #passage(
    { tokens, indexOf }: TokenText,
    { chapter, from, to }: { chapter: string; from: number; to: number },
  ): Passage {
    const first = indexOf(chapter, from);
    const last = Math.max(first, indexOf(chapter, to));
    const book = tokens === this.#before.tokens ? this.old : this.fresh;
    const doc = book.chapters.find(({ id }) => id === chapter)?.doc;
    const text = (begin: number, end: number) =>
      begin < end && doc ? doc.textBetween(begin, end, ' ', ' ').replace(/\s+/g, ' ') : '';
    const own = tokens.slice(first, last);
    const [begin, end] = [own[0]?.from ?? from, own.at(-1)?.to ?? from];
    const near = (row: readonly Token[]) => row.filter((token) => token.chapter === chapter);
    const before = near(tokens.slice(Math.max(0, first - SHOWN), first));
    const after = near(tokens.slice(last, last + SHOWN));
    const opens = before[before.findLastIndex(({ word }) => word === END) + 1];
    const edge = after.findIndex(({ word }) => word === END);
    const closes = after.slice(0, edge < 0 ? SHOWN : edge).at(-1);
    return {
      chapter: this.#titles.get(chapter) ?? '',
      before: text(opens?.from ?? begin, begin).replace(SIGNS_FIRST, ''),
      words: text(begin, end).trim(),
      after: text(end, closes?.to ?? end),
    };
  }
}

/** The place of the book that a thing leads to. */
export function placeLedTo(made: Made): string | null {
  if (made.kind === 'reference') return attrsOf.reference(made.node).place;
  if (made.kind === 'mark of a note') return attrsOf.noteMark(made.node).to;
  const to =
    made.kind === 'link'
      ? attrsOf.link(made.mark).destination
      : made.kind === 'picture link'
        ? attrsOf.figure(made.figure).link?.destination
        : null;
  return to?.kind === 'place' ? to.place : null;
}

const leads = (destination: Destination | undefined): boolean =>
  destination !== undefined && !(destination.kind === 'place' && destination.place === NOWHERE);

/** Places have other ids in another book: two links to places are taken for the same, unless one leads nowhere. */
const sameLink = (one: Destination, other: Destination | undefined): boolean =>
  other !== undefined &&
  (one.kind === 'place' && other.kind === 'place'
    ? leads(one) === leads(other)
    : hrefOf(one) === hrefOf(other));

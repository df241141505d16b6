import type { Node } from 'prosemirror-model';
import { navigationWords, phrases, type NavigationWords } from '../language/index.js';
import {
  attrsOf,
  CONTENTS,
  linkMark,
  placesOf,
  TOP,
  wordsOf,
  type Place,
  type ReadBook,
  type ReadChapter,
  type ReferenceForm,
} from '../manuscript/index.js';

/** How sure it is that a piece is navigation, and what it leads to. */
export const SURENESSES = ['sure', 'likely', 'look'] as const;
export type Sureness = (typeof SURENESSES)[number];

/** What a piece of navigation can become. */
export type NavigationBecomes =
  | { becomes: 'contents'; scope: 'book' | 'section'; section: string | null; depth: number; lines: number }
  | { becomes: 'return'; leads: 'top' | 'contents' }
  | { becomes: 'reference'; place: string; form: ReferenceForm; reads: string }
  | { becomes: 'link'; place: string; reads: string };

/** A piece as it was found: positions in the doc of its chapter. */
interface Spot {
  from: number;
  to: number;
  sureness: Sureness;
  /** Why it is not sure; empty for what is. */
  why: string;
}

/** A piece of navigation that was typed by hand, and what it can become. */
export type HandMadeNavigation = Spot &
  NavigationBecomes & {
    /** By what it is named: the same as long as its chapter is not changed. */
    key: string;
    chapter: string;
    words: string;
    /** What stands around it, for a person. */
    before: string;
    after: string;
  };

type Piece = Spot & NavigationBecomes;
type ContentsPiece = Spot & Extract<NavigationBecomes, { becomes: 'contents' }>;

/** So many lines one after another that say headings are a list of contents. */
const LINES = 3;
/** How much of the text around is shown, in signs. */
const AROUND = 40;

/** Every piece of navigation of a book that was typed by hand: lists of contents, ways back, and numbers of sections, figures and pages. */
export function handMadeNavigation(book: ReadBook): HandMadeNavigation[] {
  const finder = new Finder(book);
  // Lists first: what leads to one leads to the contents.
  const lists = book.chapters.map((chapter) => finder.listsIn(chapter));
  return book.chapters.flatMap((chapter, index) => finder.in(chapter, lists[index] ?? []));
}

class Finder {
  readonly #words: NavigationWords;
  readonly #places: readonly Place[];
  readonly #headings: readonly Place[];
  readonly #byWords = new Map<string, Place[]>();
  readonly #byNumber = new Map<string, Place>();
  /** On which page headings stand, by the hand-made contents. */
  readonly #pages = new Map<string, Place>();
  /** The places of hand-made lists of contents: what leads there leads to the contents. */
  readonly #lists = new Set<string>();

  constructor(readonly book: ReadBook) {
    this.#words = navigationWords(book.language);
    const places = placesOf(book);
    this.#places = [...places.values()];
    this.#headings = this.#places.filter(({ kind, words }) => kind === 'heading' && words !== '');
    for (const heading of this.#headings) {
      const key = fold(withoutNumber(heading.words));
      this.#byWords.set(key, [...(this.#byWords.get(key) ?? []), heading]);
      const number = heading.number || typedNumber(heading.words);
      if (number !== '' && !this.#byNumber.has(number)) this.#byNumber.set(number, heading);
    }
  }

  in(chapter: ReadChapter, lists: readonly ContentsPiece[]): HandMadeNavigation[] {
    const isListed = (at: number) => lists.some(({ from, to }) => from <= at && at < to);
    const found: Piece[] = [...lists];
    chapter.doc.descendants((node, at, parent) => {
      if (!node.isTextblock) return true;
      if (!isListed(at) && node.type.name !== 'heading' && node.type.name !== 'code_block' && parent)
        found.push(...this.#inLine(node, at + 1));
      return false;
    });
    return found.sort((one, other) => one.from - other.from).map((piece) => this.#named(chapter, piece));
  }

  #named({ id: chapter, doc }: ReadChapter, piece: Piece): HandMadeNavigation {
    const { from, to } = piece;
    const between = (a: number, b: number) =>
      doc.textBetween(Math.max(0, a), Math.min(doc.content.size, b), ' ', ' ').replace(/\s+/g, ' ');
    const $from = doc.resolve(from);
    const [start, end] = $from.parent.inlineContent ? [$from.start(), $from.end()] : [from, to];
    return {
      ...piece,
      key: `${chapter} ${from} ${to} ${piece.becomes}`,
      chapter,
      words: between(from, to).trim().slice(0, 300),
      before: between(Math.max(start, from - AROUND), from),
      after: between(to, Math.min(end, to + AROUND)),
    };
  }

  /** Rows of paragraphs, and lists, whose lines are the words of headings in their order. */
  listsIn({ doc, id }: ReadChapter): ContentsPiece[] {
    const found: ContentsPiece[] = [];
    let run: { from: number; to: number; lines: Line[] } | null = null;
    const end = () => {
      if (run && run.lines.length >= LINES) found.push(this.#contents(run.from, run.to, run.lines, id));
      run = null;
    };
    doc.forEach((node, from) => {
      const to = from + node.nodeSize;
      const lines = this.#linesOf(node);
      if (lines) run = run ? { from: run.from, to, lines: [...run.lines, ...lines] } : { from, to, lines };
      else if (wordsOf(node) !== '' || node.type.name === 'figure') end();
    });
    end();
    return found;
  }

  /** The headings that the lines of a block say; `null` where it says something else. */
  #linesOf(node: Node): Line[] | null {
    if (node.type.name === 'paragraph') {
      const line = this.#lineOf(node);
      return line ? [line] : null;
    }
    if (!/^(?:bullet|ordered)_list$/.test(node.type.name)) return null;
    const blocks: Node[] = [];
    node.descendants((child) => {
      if (child.isTextblock) blocks.push(child);
      return !child.isTextblock;
    });
    const lines = blocks.map((block) => this.#lineOf(block));
    return lines.length > 0 && lines.every((line) => line !== null) ? lines : null;
  }

  #lineOf(block: Node): Line | null {
    const words = wordsOf(block);
    if (words === '' || words.length > 200) return null;
    const [, said = words, page = ''] = /^(.*?)[\s.·…_]*?(?:[.·…_\s]{2,}|\s)(\d{1,4})$/.exec(words) ?? [];
    const links: string[] = [];
    block.forEach((leaf) => {
      const mark = linkMark(leaf);
      const to = mark ? attrsOf.link(mark).destination : null;
      if (to?.kind === 'place') links.push(to.place);
    });
    const same = [
      ...(this.#byWords.get(fold(withoutNumber(words))) ?? []),
      ...(this.#byWords.get(fold(withoutNumber(said))) ?? []),
    ];
    const heading = same.find(({ id }) => links.includes(id)) ?? same[0];
    if (!heading) return null;
    if (page !== '' && !this.#pages.has(page)) this.#pages.set(page, heading);
    return { heading, isLinked: links.length > 0, hasPage: page !== '' };
  }

  #contents(from: number, to: number, lines: readonly Line[], chapter: string): ContentsPiece {
    const orders = lines.map(({ heading }) => heading.order);
    const isInOrder = orders.every((order, index) => index === 0 || order > (orders[index - 1] ?? 0));
    const levels = lines.map(({ heading }) => heading.level ?? 1);
    const inside = lines.every(({ heading }) => heading.chapter === chapter);
    const isBook = !inside || this.book.chapters.length === 1;
    const least = Math.min(...levels);
    const depth = Math.max(1, Math.max(...levels) - least + 1);
    const listed = this.#headings.filter(
      ({ level, chapter: own }) => (level ?? 6) <= Math.max(...levels) && (isBook || own === chapter),
    ).length;
    const told = lines.some(({ isLinked, hasPage }) => isLinked || hasPage);
    const why = !isInOrder
      ? 'Its lines are in another order than the headings.'
      : listed > lines.length * 1.5
        ? `It says ${lines.length} of ${listed} headings; the list that is computed has them all.`
        : told
          ? ''
          : 'Its lines have neither links nor page numbers.';
    for (const place of this.#places)
      if (place.chapter === chapter && this.#isJustBefore(place, from)) this.#lists.add(place.id);
    return {
      ...{ becomes: 'contents', from, to, depth, lines: lines.length, section: null },
      scope: isBook ? 'book' : 'section',
      sureness: why === '' ? 'sure' : isInOrder ? 'likely' : 'look',
      why,
    };
  }

  /** The heading over a list, or a place at its beginning. */
  #isJustBefore({ order, kind }: Place, at: number): boolean {
    const position = Math.round(order % 2 ** 24);
    return (
      (kind === 'heading' || kind === 'spot' || kind === 'item' || kind === 'bookmark') &&
      position <= at + 3 &&
      position > at - 200
    );
  }

  #inLine(block: Node, start: number): Piece[] {
    const pieces: Piece[] = [];
    const back = this.#wayBack(block, start);
    if (back) return [back];
    let offset = 0;
    block.forEach((leaf) => {
      if (leaf.isText && !linkMark(leaf)) pieces.push(...this.#numbersIn(leaf.text ?? '', start + offset));
      offset += leaf.nodeSize;
    });
    return pieces;
  }

  /** A line, or a link in it, that says and does nothing but lead back. */
  #wayBack(block: Node, start: number): Piece | null {
    const words = wordsOf(block);
    if (words === '' || words.length > 60) return null;
    const { toContents, toTop, back } = this.#words;
    const isArrow = /^[\s[(]*[↑⇑▲⬆^←⇐◀«<]+[\s\])]*$/u.test(words);
    const says = isArrow || /[↑⇑▲⬆]/u.test(words) || back.test(words);
    if (!says) return null;
    let place: string | null = null;
    block.forEach((leaf) => {
      const mark = linkMark(leaf);
      const to = mark ? attrsOf.link(mark).destination : null;
      if (to?.kind === 'place') place = to.place;
    });
    const leads = this.#leadsBack(place);
    const said = toContents.test(words) ? 'contents' : toTop.test(words) ? 'top' : null;
    // An arrow alone says where it points.
    const to = leads ?? said ?? (isArrow ? 'top' : null);
    if (to === null) return null;
    const range = { from: start, to: start + block.content.size };
    if (leads && (said === null || said === leads))
      return { becomes: 'return', leads: to, ...range, sureness: 'sure', why: '' };
    if (leads)
      return {
        becomes: 'return',
        leads,
        ...range,
        sureness: 'likely',
        why: 'It says one place and leads to another.',
      };
    return {
      becomes: 'return',
      leads: to,
      ...range,
      sureness: place === null ? 'likely' : 'look',
      why: place === null ? 'It leads nowhere yet.' : 'It leads to another place than it says.',
    };
  }

  #leadsBack(place: string | null): 'top' | 'contents' | null {
    if (place === null) return null;
    if (place === CONTENTS || this.#lists.has(place)) return 'contents';
    const [first] = this.book.chapters;
    const found = this.#places.find(({ id }) => id === place);
    if (place === TOP || place === first?.id) return 'top';
    const contents = fold(phrases(this.book.language).contents);
    return found && fold(found.words).startsWith(contents) ? 'contents' : null;
  }

  /** “section 3.2”, “Figure 4”, “page 12” in plain words. */
  #numbersIn(text: string, start: number): Piece[] {
    const { section, figure, table, page } = this.#words;
    const pattern = new RegExp(
      `(?<![\\p{L}\\p{N}])(?:(?<section>${section})|(?<figure>${figure})|(?<table>${table})|(?<page>${page}))[\\s\\u00a0]+(?<number>\\d{1,4}(?:\\.\\d{1,3}){0,5})(?![\\p{L}\\p{N}]|\\.\\d)`,
      'giu',
    );
    return [...text.matchAll(pattern)].flatMap((match): Piece[] => {
      const { number = '', ...kinds } = match.groups ?? {};
      const kind = (['section', 'figure', 'table', 'page'] as const).find((one) => kinds[one] !== undefined);
      const place = kind && this.#placeOf(kind, number);
      if (!kind || !place) return [];
      const whole = { from: start + match.index, to: start + match.index + match[0].length };
      const from = whole.to - number.length;
      const reads = place.text || place.words;
      const computed =
        kind === 'section'
          ? place.number === number
          : place.number === number && place.label.endsWith(number);
      if (kind === 'page')
        return [
          {
            becomes: 'reference',
            place: place.id,
            form: 'page',
            reads,
            ...whole,
            sureness: 'look',
            why: 'Which place is meant is told by the page numbers of the contents only.',
          },
        ];
      if (!computed)
        return [
          {
            becomes: 'link',
            place: place.id,
            reads,
            ...whole,
            sureness: 'likely',
            why: 'The number there was typed by hand: the words become a link.',
          },
        ];
      const isWhole = kind !== 'section';
      return [
        {
          becomes: 'reference',
          place: place.id,
          form: 'number',
          reads,
          from: isWhole ? whole.from : from,
          to: whole.to,
          sureness: 'sure',
          why: '',
        },
      ];
    });
  }

  #placeOf(kind: 'section' | 'figure' | 'table' | 'page', number: string): Place | undefined {
    if (kind === 'section') return this.#byNumber.get(number);
    if (kind === 'page') return this.#pages.get(number);
    const typed = new RegExp(
      `^(?:${this.#words[kind]})[\\s\\u00a0]+${number.replace(/\./g, '\\.')}(?!\\d|\\.\\d)`,
      'iu',
    );
    return this.#places.find(
      (place) =>
        (place.kind === kind && place.number === number) || (place.kind === kind && typed.test(place.text)),
    );
  }
}

interface Line {
  heading: Place;
  isLinked: boolean;
  hasPage: boolean;
}

const TYPED = /^(\d{1,3}(?:\.\d{1,3})*)[.)]?\s+/;

/** A number that was typed before the words of a heading. */
const typedNumber = (words: string): string => TYPED.exec(words)?.[1] ?? '';
const withoutNumber = (words: string): string => words.replace(TYPED, '');
const fold = (words: string): string =>
  words
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[\s.:…]+/g, ' ')
    .trim();

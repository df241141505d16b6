import { addressesIn, recognise, type Destination } from '../destination/index.js';
import { navigationWords } from '../language/index.js';
import type { EntryAttrs, GroundPageAttrs } from '../manuscript/index.js';
import { boxesOf, wordsOfLine, type PageText, type Stretch } from './page-text.js';
import type { Box } from '../manuscript/index.js';

/** What kind of words ought to lead somewhere. */
export const OUGHT_KINDS = ['address', 'contents', 'page', 'section', 'figure', 'table'] as const;
export type OughtKind = (typeof OUGHT_KINDS)[number];

/** How sure it is where words lead. */
export const SURENESS = ['sure', 'likely', 'look'] as const;
export type Sureness = (typeof SURENESS)[number];

/** Words of a page that lead nowhere yet, and where they would lead. */
export interface OughtToBeLink {
  /** The same each time that the same pages are read. */
  key: string;
  kind: OughtKind;
  /** From 1. */
  page: number;
  words: string;
  lines: Box[];
  destination: Destination;
  sureness: Sureness;
  /** Why it is taken for a link, in words. */
  why: string;
}

/** What a book of pages has, by which words are understood. */
export interface PagesRead {
  language: string;
  pages: readonly GroundPageAttrs[];
  texts: readonly PageText[];
  entries: readonly (Pick<EntryAttrs, 'id' | 'page' | 'y'> & { title: string })[];
}

/** What leads to a page by its number stands so: dots, or a wide gap, and the number at the end of the line. */
const CONTENTS_LINE = /^(.*?[\p{L}\p{N}].*?)\s*(?:(?:[.·…_‥]\s?){3,}|\s{2,}|\s)\s*(\d{1,4}|[ivxlc]{1,7})$/iu;
/** This many such lines on a page make a list of contents of it. */
const FEW = 3;

/**
 * Words of pages that ought to be links and are none: addresses, lines of printed contents, “see page 41”, “chapter 3”, “Fig. 7”. Where a
 * link lies already, nothing is told. Common practice (no source).
 */
export function oughtToBeLinks({ language, pages, texts, entries }: PagesRead): OughtToBeLink[] {
  const found: OughtToBeLink[] = [];
  const byName = pagesByName(pages);
  const words = navigationWords(language);
  const captions = captionsOf(texts, pages, words);
  const sections = sectionsOf(entries);
  const reference = new RegExp(
    String.raw`(?<![\p{L}\p{N}])(?:(?<section>${words.section})|(?<figure>${words.figure})|(?<table>${words.table})|(?<page>${words.page}))[\s\u00a0]+(?<number>\d{1,4}(?:\.\d{1,3}){0,5}|[ivxlc]{1,7}(?![\p{L}]))(?![\p{L}\p{N}]|\.\d)`,
    'giu',
  );
  texts.forEach((text, index) => {
    const page = pages[index];
    if (!page) return;
    const add = (
      stretch: Stretch,
      said: string,
      more: Pick<OughtToBeLink, 'kind' | 'destination' | 'sureness' | 'why'>,
    ) => {
      const lines = boxesOf(text, [stretch]);
      if (lines.length === 0 || lines.some((line) => page.areas.some((area) => overlaps(line, area)))) return;
      if (
        found.some((one) => one.page === page.number && one.lines.some((line) => overlaps(line, lines[0]!)))
      )
        return;
      const key = `${page.number}-${stretch.line}-${stretch.from}`;
      found.push({ key, page: page.number, words: said, lines, ...more });
    };
    const lines = text.lines.map(wordsOfLine);
    const contents = contentsLines(lines, byName, page.number);
    lines.forEach((line, at) => {
      for (const { start, end, destination } of addressesIn(line))
        add({ line: at, from: start, to: end }, line.slice(start, end), {
          kind: 'address',
          destination,
          sureness: 'sure',
          why: 'An address that is printed here and leads nowhere: some reading programs guess at it, others do nothing.',
        });
      for (const { 0: said, index: start } of line.matchAll(BARE)) {
        const read = recognise(said);
        if (read.ok && read.destination.kind === 'web')
          add({ line: at, from: start, to: start + said.length }, said, {
            kind: 'address',
            destination: read.destination,
            sureness: 'likely',
            why: 'It looks like an address without its beginning.',
          });
      }
      const listed = contents.get(at);
      if (listed) {
        const { title, target } = listed;
        const start = line.search(/\S/);
        const isThere = startsOn(texts[target.number - 1], title);
        add({ line: at, from: Math.max(0, start), to: line.trimEnd().length }, title, {
          kind: 'contents',
          destination: { kind: 'place', place: entryFor(title, entries, target.id) ?? target.id },
          sureness: isThere ? 'sure' : 'likely',
          why: isThere
            ? 'A line of the contents; its words stand on that page.'
            : 'A line of the contents; its words were not found on that page, so look at where it leads.',
        });
      }
      for (const match of line.matchAll(reference)) {
        const { section, figure, table, page: paged, number = '' } = match.groups ?? {};
        const kind = section ? 'section' : figure ? 'figure' : table ? 'table' : paged ? 'page' : null;
        if (!kind) continue;
        const target = targetOf(kind, number.toLowerCase());
        // A caption does not lead to itself.
        if (!target || (target.line === at && target.page === page.number)) continue;
        add({ line: at, from: match.index, to: match.index + match[0].length }, match[0], {
          kind,
          destination: { kind: 'place', place: target.place },
          sureness: target.sureness,
          why: target.why,
        });
      }
    });
  });
  return found;

  interface Target {
    place: string;
    sureness: Sureness;
    why: string;
    page?: number;
    line?: number;
  }

  function targetOf(kind: Exclude<OughtKind, 'address' | 'contents'>, number: string): Target | null {
    if (kind === 'page') {
      const page = byName.get(number);
      return page ? { place: page.id, sureness: 'sure', why: 'A page is called so.' } : null;
    }
    if (kind === 'section') {
      const place = sections.get(number);
      return place
        ? { place, sureness: 'likely', why: 'An entry of the outline begins with this number.' }
        : null;
    }
    const caption = captions.get(`${kind} ${number}`);
    return caption
      ? { ...caption, sureness: 'likely', why: 'A line that begins so stands on that page.' }
      : null;
  }
}

/** Names of sites without `https://`; what is typed so is recognised by the field, too. */
const BARE =
  /(?<![\p{L}\p{N}@./_-])(?:www\.)?(?:[a-z0-9-]{2,63}\.){1,4}(?:example|com|org|net|eu|info|io|de|fr|uk|nl|es|it|pt|ch|at)(?:\/[^\s<>"“”]*[\p{L}\p{N}/])?(?![\p{L}\p{N}-])/giu;

const overlaps = (one: Box, other: Box): boolean => {
  const across = Math.min(one.x + one.width, other.x + other.width) - Math.max(one.x, other.x);
  const down = Math.min(one.y + one.height, other.y + other.height) - Math.max(one.y, other.y);
  return across > one.width * 0.2 && down > one.height * 0.2;
};

/** Pages by what they are called, in small letters; of several of one name the first. */
function pagesByName(pages: readonly GroundPageAttrs[]): Map<string, GroundPageAttrs> {
  const named = new Map<string, GroundPageAttrs>();
  for (const page of pages) {
    const name = (page.label || String(page.number)).toLowerCase();
    if (!named.has(name)) named.set(name, page);
  }
  return named;
}

/** The lines of a page by which it is a list of contents, with the pages that they name. */
function contentsLines(
  lines: readonly string[],
  byName: ReadonlyMap<string, GroundPageAttrs>,
  own: number,
): Map<number, { title: string; target: GroundPageAttrs }> {
  const found = new Map<number, { title: string; target: GroundPageAttrs }>();
  let dotted = 0;
  lines.forEach((line, at) => {
    const [, title = '', number = ''] = CONTENTS_LINE.exec(line.trim()) ?? [];
    const target = byName.get(number.toLowerCase());
    if (title === '' || !target) return;
    if (/(?:[.·…_‥]\s?){3,}/.test(line)) dotted++;
    if (target.number !== own) found.set(at, { title: title.replace(/[\s.·…_‥]+$/, ''), target });
  });
  const numbers = [...found.values()].map(({ target }) => target.number);
  const rises = numbers.every((number, at) => at === 0 || number >= (numbers[at - 1] ?? 0));
  return dotted >= FEW || (found.size >= FEW && rises && found.size >= lines.length / 3) ? found : new Map();
}

const plain = (words: string): string =>
  words
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '');

/** Whether the words of a title stand on a page. */
function startsOn(text: PageText | undefined, title: string): boolean {
  if (!text) return false;
  const wanted = plain(title);
  return wanted.length > 2 && plain(text.lines.map(wordsOfLine).join(' ')).includes(wanted);
}

/** The entry of the outline that is called so and leads to that page: its spot is more exact than the page. */
function entryFor(title: string, entries: PagesRead['entries'], page: string): string | null {
  const wanted = plain(title);
  return entries.find((entry) => entry.page === page && plain(entry.title) === wanted)?.id ?? null;
}

/** The entries of the outline that begin with a number, by it. */
function sectionsOf(entries: PagesRead['entries']): Map<string, string> {
  const sections = new Map<string, string>();
  for (const { id, title } of entries) {
    const number = /^(?:\p{L}+\s+)?(\d{1,4}(?:\.\d{1,3})*)\b/u.exec(title)?.[1];
    if (number && !sections.has(number)) sections.set(number, id);
  }
  return sections;
}

/** Lines that begin as the caption of a figure or table does, by what they are called. */
function captionsOf(
  texts: readonly PageText[],
  pages: readonly GroundPageAttrs[],
  words: { figure: string; table: string },
): Map<string, { place: string; page: number; line: number }> {
  const captions = new Map<string, { place: string; page: number; line: number }>();
  const begins = new RegExp(
    String.raw`^\s*(?:(?<figure>${words.figure})|(?<table>${words.table}))[\s\u00a0]+(?<number>\d{1,4}(?:\.\d{1,3})*)\s*[.:–—-]`,
    'iu',
  );
  texts.forEach(({ lines }, index) => {
    const page = pages[index];
    lines.forEach((line, at) => {
      const { figure, number } = begins.exec(wordsOfLine(line))?.groups ?? {};
      if (!number || !page) return;
      const name = `${figure ? 'figure' : 'table'} ${number}`;
      if (!captions.has(name)) captions.set(name, { place: page.id, page: page.number, line: at });
    });
  });
  return captions;
}

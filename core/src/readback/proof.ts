import { groupedBy } from '../manuscript/index.js';
import type { Between, ExpectedLink } from '../publish/index.js';
import type { CutOffLine, FoundLink, Landing } from './found-link.js';
import { RIGHT_TO_LEFT } from '../pdfium/index.js';

/** A link that is not in the file. */
export interface LostLink {
  id: string;
  href: string;
  text: string;
  chapter: string;
}

/** What of a link is not as the book has it. */
export const LINK_CHANGES = ['address', 'words', 'target', 'place', 'note'] as const;

/** A link that is in the file, but not as the book has it. */
export interface ChangedLink extends LostLink {
  foundHref: string;
  foundText: string;
  where: string;
  change: (typeof LINK_CHANGES)[number];
}

/** How many links there should be and are, unchanged, and those that are not. */
export interface ProofPart {
  expected: number;
  found: number;
  lost: LostLink[];
  changed: ChangedLink[];
}

/** How many addresses should be printed and are, and those that are not. */
export interface PrintedPart {
  expected: number;
  found: number;
  lost: LostLink[];
}

/** The match of a made file's links against the book's. */
export interface Proof extends ProofPart {
  /** The links that Vennet makes itself: of notes, lists of contents and return links. */
  computed: ProofPart;
  /** Links in the file that the book does not have. */
  added: { href: string; text: string; where: string }[];
  /** Addresses that are printed; left out where none are. */
  printed?: PrintedPart;
  /** Lines that run off their page: what is outside of it is lost to readers. */
  cutOff: CutOffLine[];
}

/** A link of the book with what was found of it in the made file. */
export interface ProofRow extends LostLink {
  state: 'lost' | 'changed' | 'found';
  /** What of it is not as the book has it. */
  change: ChangedLink['change'] | null;
  /** What stands in the file; empty where it is lost. */
  foundHref: string;
  foundText: string;
  note: string;
  /** The words where it lands, if it leads to a place inside. */
  landing: string;
  where: string;
  /** Where it can be pressed, of a PDF: left, bottom, right and top of each rectangle, in points. */
  areas: number[][];
  /** Which of the links of its file it is, of a form of HTML, from 0. */
  nth: number | null;
}

/** The proof of a made file, and a row for each link of the book. */
export interface ProofTable {
  proof: Proof;
  rows: ProofRow[];
}

/** The proof alone. */
export const prove = (...given: Parameters<typeof proveEach>): Proof => proveEach(...given).proof;

/**
 * Matches every link of the book, and every computed one, with one of the file: first those with the same address and
 * words, then those with the same words, then those with the same address. Each link of the file is matched once. A link
 * inside the file must land where the words of its place are, stand on its words, and bear its hover note.
 */
export function proveEach(
  expected: readonly ExpectedLink[],
  found: readonly FoundLink[],
  computed: readonly ExpectedLink[] = [],
  cutOff: readonly CutOffLine[] = [],
): ProofTable {
  const isComputed = new Set(computed);
  const own = part(expected);
  const made = part(computed);
  const of = (link: ExpectedLink) => (isComputed.has(link) ? made : own);
  const partners = new Map<ExpectedLink, { partner: FoundLink; change: ChangedLink['change'] | null }>();
  const match = (link: ExpectedLink, partner: FoundLink, change: ChangedLink['change'] | null) => {
    partners.set(link, { partner, change });
    if (change) of(link).changed.push(changed(link, partner, change));
    else of(link).found += 1;
  };
  const free = new Set(joinOverPages([...expected, ...computed], found));
  let open: ExpectedLink[] = [...expected, ...computed];
  const pass = (
    keys: [(link: ExpectedLink) => string, (link: FoundLink) => string],
    changeIn: typeof changeOf,
  ) => {
    const queues = groupedBy(free, keys[1]);
    for (const queue of queues.values()) queue.reverse();
    open = open.filter((link) => {
      const partner = queues.get(keys[0](link))?.pop();
      if (!partner) return true;
      free.delete(partner);
      match(link, partner, changeIn(link, partner));
      return false;
    });
  };
  const both = (link: ExpectedLink | FoundLink) => `${link.href}\n${asRead(link.text)}`;
  pass([both, both], changeOf);
  const words = (link: ExpectedLink | FoundLink) => asRead(link.text) || `\n${link.href}`;
  pass([words, words], () => 'address');
  const address = (link: ExpectedLink | FoundLink) => link.href;
  pass([address, address], () => 'words');
  for (const link of open) {
    const { id, href, text, chapter } = link;
    of(link).lost.push({ id, href, text, chapter });
  }
  const added = [...free].map(({ href, text, where }) => ({ href, text, where }));
  const proof = { ...own, computed: made, added, cutOff: [...cutOff] };
  return { proof, rows: expected.map((link) => rowOf(link, partners.get(link))) };
}

/** How far a link may be from its words, in points. */
const ASTRAY = 2;

/** What is not as in the book of a link that has its address and its words; `null` for nothing. */
function changeOf(link: ExpectedLink, partner: FoundLink): ChangedLink['change'] | null {
  if (!partner.lands || !landsAt(link, partner)) return 'target';
  if ((partner.astray ?? 0) > ASTRAY) return 'place';
  return bearsNote(link, partner) ? null : 'note';
}

/** What can be hovered over says what the author wrote for that; where a reader told nothing of notes, none is missed. */
const bearsNote = ({ note = '' }: ExpectedLink, { note: found }: FoundLink): boolean =>
  note.trim() === '' || found === undefined || sameWords(found).includes(sameWords(note));

/** The row of a link that is not in the file. */
export const lostRow = (link: LostLink): ProofRow => ({
  ...link,
  ...{ state: 'lost', change: null, foundHref: '', foundText: '', note: '', landing: '', where: '' },
  ...{ areas: [], nth: null },
});

function rowOf(
  { id, href, text, chapter }: ExpectedLink,
  matched: { partner: FoundLink; change: ChangedLink['change'] | null } | undefined,
): ProofRow {
  const link = { id, href, text, chapter };
  if (!matched) return lostRow(link);
  const { partner, change } = matched;
  return {
    ...link,
    state: change ? 'changed' : 'found',
    change,
    foundHref: partner.href,
    foundText: partner.text,
    note: partner.note ?? '',
    landing: partner.landing?.text.slice(0, 80) ?? '',
    where: partner.where,
    areas: (partner.areas ?? []).map((area) => [...area]),
    nth: partner.nth ?? null,
  };
}

const part = ({ length }: readonly ExpectedLink[]): ProofPart => ({
  expected: length,
  found: 0,
  lost: [],
  changed: [],
});

/** The words that stand where a link lands are those of its place; where it has none, what is around it is judged. */
function landsAt({ landing: wanted, between }: ExpectedLink, { landing }: FoundLink): boolean {
  if (wanted === '') return !between || !landing || liesBetween(between, landing);
  if (!landing) return false;
  if (RIGHT_TO_LEFT.test(wanted)) {
    // A page is read as it is seen: which side a word stands on depends on the words around it.
    const near = sameWords(landing.text.slice(0, landing.within + 2 * wanted.length));
    return wanted.split(/\s+/).every((word) => near.includes(sameWords(word)));
  }
  const at = sameWords(landing.text).indexOf(sameWords(wanted));
  return at >= 0 && at <= sameWords(landing.text.slice(0, landing.within)).length;
}

/** A spot without words, as a picture or an end of a page, stands after the words before it, or before those that follow. */
function liesBetween({ before, after }: Between, landing: Landing): boolean {
  if (before === '' && after === '') return true;
  // Between may stand what a picture says, numbers and return links.
  return (
    (before !== '' && sameWords(landing.before).includes(sameWords(before))) ||
    (after !== '' && sameWords(landing.after).includes(sameWords(after)))
  );
}

/** Joins a link with what may be its end on the next page, where the book has no link of its words alone. */
function joinOverPages(expected: readonly ExpectedLink[], found: readonly FoundLink[]): FoundLink[] {
  const key = (link: ExpectedLink | FoundLink) => `${link.href}\n${asRead(link.text)}`;
  const whole = new Set(expected.map(key));
  const joined: FoundLink[] = [];
  for (const link of found) {
    const at = link.mayContinue ? joined.findLastIndex(({ href }) => href === link.href) : -1;
    const before = joined[at];
    if (before && !whole.has(key(before))) joined[at] = { ...before, text: `${before.text} ${link.text}` };
    else joined.push(link);
  }
  return joined;
}

function changed(link: ExpectedLink, partner: FoundLink, change: ChangedLink['change']): ChangedLink {
  const { id, href, text, chapter } = link;
  return {
    id,
    href,
    text,
    chapter,
    foundHref: partner.href,
    foundText: partner.text,
    where: partner.where,
    change,
  };
}

/**
 * Words by which a link is told from others. A page with words from right to left is read as it is seen: signs and words
 * of the other direction change sides on it, so only the letters count there, in any order.
 */
function asRead(text: string): string {
  if (!RIGHT_TO_LEFT.test(text)) return sameWords(text);
  const letters = text.normalize('NFKC').match(/[\p{L}\p{M}\p{N}]/gu) ?? [];
  return letters.sort().join('');
}

/** Words without what typesetting adds or takes: white space, hyphens at line ends, ligatures, signs that only join or part others. */
function sameWords(text: string): string {
  return text.normalize('NFKC').replace(/[\s\p{Cf}\u2010\u2011-]+/gu, '');
}

import type { Finding, InsideFinding } from '@vennet/core/audit';
import { phrases, type Phrases } from '@vennet/core/language';
import type { ContentsList, Link, Place } from '@vennet/core/manuscript';
import { askedAddress, verdictInside } from '@vennet/core/reach';
import {
  surroundingsOf,
  withChanges,
  type ChapterSaved,
  type DestinationVerdict,
  type Manuscript,
  type VersionedChapter,
} from '@vennet/core/wire';
import { create } from 'zustand';
import { api } from '../api/client.js';
import type { Mention, MentionSearch } from '@vennet/core/repair';
import { NO_SURROUNDINGS, type ShelfFile, type Surroundings } from '@vennet/core/shelf';
import type { AuditAnswer, AuditNews, AuditRequest, SeenNote } from './audit.worker.js';
import { copiesOf, dropCopy } from './local-copies.js';

export interface BookStore {
  book: Manuscript | null;
  /** Goes up whenever chapters come from the server, so that an open editor takes them in. */
  loads: number;
  /** All links of the book, and the same by their chapters. */
  links: Link[];
  linksIn: ReadonlyMap<string, Link[]>;
  findings: ReadonlyMap<string, Finding[]>;
  /** What is found of places, notes, lists of contents and return links. */
  inside: InsideFinding[];
  places: ReadonlyMap<string, Place>;
  /** The ids of all places; the same as long as none comes or goes, however the text is changed. */
  placeIds: ReadonlySet<string>;
  /** Notes by their ids, and by those of their marks. */
  notes: ReadonlyMap<string, SeenNote>;
  contents: ReadonlyMap<string, ContentsList>;
  /** Where references stand in reading order. */
  orders: ReadonlyMap<string, number>;
  /** Marks of hand-made notes, and whether their remark leads back. */
  handMade: ReadonlyMap<string, boolean>;
  /** How often the links lead to each domain. */
  domains: ReadonlyMap<string, number>;
  /** The page of each place, as pages were last set; `null` before that. */
  pages: Map<string, string> | null;
  /** A reference of the book reads a page. */
  readsPages: boolean;
  verdicts: Map<string, DestinationVerdict>;
  /** The files of the Shelf, and the other books. */
  surroundings: Surroundings;
  /** Chapters whose text was taken from this browser when the book was opened, and is still to be saved. */
  unsent: string[];
  /** Chapters whose text in this browser and on the server have gone different ways. */
  conflicts: Map<string, Conflict>;
  open(id: string): Promise<void>;
  loadVerdicts(): Promise<void>;
  /** Puts a chapter's newest text in place, saved or not, and has it audited. */
  setChapter(chapter: VersionedChapter): void;
  /** Notes what a save made of a chapter; its text stays as it is. */
  setVersion(saved: ChapterSaved): void;
  setConflict(chapter: string, conflict: Conflict | null): void;
  /** Puts a file of the Shelf in place, or takes it away. */
  setFile(id: string, file: ShelfFile | null): void;
  /** Takes in what was changed of the book itself, or of the books around it. */
  setDetails(changes: Partial<Pick<Manuscript, 'look' | 'structure' | 'address' | 'books'>>): void;
  /** Puts the chapters into another order, or changes where one is left out. */
  setChapters(chapters: VersionedChapter[]): void;
}

export interface Conflict {
  mine: object;
  theirs: VersionedChapter;
}

let worker: Worker | null = null;
/** What the worker is still to be told; one message is under way at a time, so that it never falls behind the typing. */
let waiting: AuditRequest[] = [];
let isUnderWay = false;

function auditWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data: { mentions, news } }: MessageEvent<AuditAnswer>) => {
    for (const { id, mentions: found } of mentions) {
      searches.get(id)?.(found);
      searches.delete(id);
    }
    // What is said of a book that was left meanwhile is of no use any more.
    if (news?.opening === openings) {
      useBook.setState((before) => withNews(before, news));
      answered();
    }
    goOn();
  };
  worker.onerror = () => {
    answered();
    goOn();
  };
  return worker;
}

function goOn(): void {
  isUnderWay = waiting.length > 0;
  if (isUnderWay) auditWorker().postMessage(waiting);
  waiting = [];
}

function post(request: AuditRequest): void {
  // Of a chapter only the newest text matters.
  if ('chapter' in request)
    waiting = waiting.filter((one) => !('chapter' in one) || one.chapter.id !== request.chapter.id);
  waiting.push(request);
  if (!isUnderWay) goOn();
}

function withNews(before: BookStore, news: AuditNews): Partial<BookStore> {
  const linksIn = withChanges(before.linksIn, news.links);
  const places = withChanges(before.places, news.places);
  return {
    linksIn,
    links: linksIn === before.linksIn ? before.links : [...linksIn.values()].flat(),
    inside: withChanges(new Map([['all', before.inside]]), news.inside).get('all') ?? [],
    places,
    placeIds: 'whole' in news.places ? new Set(places.keys()) : before.placeIds,
    findings: withChanges(before.findings, news.findings),
    notes: withChanges(before.notes, news.notes),
    contents: withChanges(before.contents, news.contents),
    orders: withChanges(before.orders, news.orders),
    handMade: withChanges(before.handMade, news.handMade),
    domains: withChanges(before.domains, news.domains),
    readsPages: news.readsPages,
  };
}

/** Time that a book waits to be shown for what is computed from it, in ms. */
const LONGEST_WAIT = 2000;
let answered = () => {};

/** Waits for the next answer of the audit: numbers and references are there when the text is first seen. */
const nextAnswer = (): Promise<void> =>
  new Promise((resolve) => {
    answered = resolve;
    setTimeout(resolve, LONGEST_WAIT);
  });

const searches = new Map<number, (mentions: Mention[]) => void>();
let lastSearch = 0;
/** How often a book was opened, and how often one was told to the worker as a whole. */
let lastOpening = 0;
let openings = 0;

/** Looks for mentions in the book as it stands, beside the typing. */
export function searchMentions(search: MentionSearch): Promise<Mention[]> {
  const id = ++lastSearch;
  return new Promise((resolve) => {
    searches.set(id, resolve);
    post({ search, id });
  });
}

const NOTHING = {
  book: null,
  links: [],
  linksIn: new Map(),
  findings: new Map(),
  inside: [],
  places: new Map(),
  placeIds: new Set<string>(),
  notes: new Map(),
  contents: new Map(),
  orders: new Map(),
  handMade: new Map(),
  domains: new Map(),
  pages: null,
  readsPages: false,
  verdicts: new Map(),
  surroundings: NO_SURROUNDINGS,
  conflicts: new Map(),
  unsent: [],
};

/** The open book: its text, and all that is computed from it. There is one list of links, and it is this one. */
export const useBook = create<BookStore>((set, get) => ({
  ...NOTHING,
  loads: 0,
  async open(id) {
    if (get().book?.id !== id) {
      openings++;
      set(NOTHING);
    }
    auditWorker();
    const opening = ++lastOpening;
    const [manuscript, verdicts] = await Promise.all([api.manuscript(id), api.verdicts(id)]);
    const { chapters, conflicts, unsent } = await withLocalCopies(manuscript.chapters);
    const book = { ...manuscript, chapters };
    const surroundings = surroundingsOf(book);
    post({ book, chapters, surroundings, opening: ++openings });
    if (!get().book) await nextAnswer();
    if (opening !== lastOpening) return;
    set({ book, surroundings, conflicts, unsent, loads: get().loads + 1, verdicts: byHref(verdicts) });
  },
  async loadVerdicts() {
    const id = get().book?.id;
    if (!id) return;
    const verdicts = await api.verdicts(id);
    if (get().book?.id === id) set({ verdicts: byHref(verdicts) });
  },
  setChapter(chapter) {
    replace(chapter);
    post({ chapter });
  },
  setVersion({ id, version, title }) {
    const chapter = get().book?.chapters.find((one) => one.id === id);
    if (chapter) replace({ ...chapter, version, title });
  },
  setConflict(chapter, conflict) {
    const conflicts = new Map(get().conflicts);
    if (conflict) conflicts.set(chapter, conflict);
    else conflicts.delete(chapter);
    set({ conflicts });
  },
  setFile(id, file) {
    const { book } = get();
    if (!book) return;
    const others = book.files.filter((one) => one.id !== id);
    const files = file ? [...others, file].sort((one, other) => one.name.localeCompare(other.name)) : others;
    surround({ ...book, files });
  },
  setDetails(changes) {
    const { book } = get();
    if (book) surround({ ...book, ...changes });
  },
  setChapters(chapters) {
    const { book, surroundings } = get();
    if (!book) return;
    set({ book: { ...book, chapters } });
    post({ book, chapters, surroundings, opening: ++openings });
  },
}));

const byHref = (verdicts: DestinationVerdict[]) => new Map(verdicts.map((one) => [one.href, one]));

function surround(book: Manuscript): void {
  const surroundings = surroundingsOf(book);
  useBook.setState({ book, surroundings });
  post({ surroundings, details: book });
}

function replace(chapter: VersionedChapter): void {
  const { book } = useBook.getState();
  if (!book) return;
  const chapters = book.chapters.map((one) => (one.id === chapter.id ? chapter : one));
  useBook.setState({ book: { ...book, chapters } });
}

/**
 * Text that was not acknowledged when this browser was closed goes on from where it was. Where the server has a newer
 * version in the meantime, both are kept and shown.
 */
async function withLocalCopies(chapters: VersionedChapter[]) {
  const copies = await copiesOf(chapters.map(({ id }) => id));
  const conflicts = new Map<string, Conflict>();
  const unsent: string[] = [];
  const merged = chapters.map((chapter) => {
    const copy = copies.get(chapter.id);
    if (!copy) return chapter;
    if (JSON.stringify(copy.doc) === JSON.stringify(chapter.doc)) {
      // It was stored, and only the answer was lost.
      void dropCopy(chapter.id);
      return chapter;
    }
    if (copy.version === chapter.version) {
      unsent.push(chapter.id);
      return { ...chapter, doc: copy.doc };
    }
    conflicts.set(chapter.id, { mine: copy.doc, theirs: chapter });
    return chapter;
  });
  return { chapters: merged, conflicts, unsent };
}

/** The verdict on a link: that of the last check, or for a place in the book whether it is there. */
export function verdictFor(
  link: Pick<Link, 'destination' | 'href'>,
  { placeIds, verdicts, surroundings }: Pick<BookStore, 'placeIds' | 'verdicts' | 'surroundings'>,
) {
  return (
    verdictInside(link.destination, { ...surroundings, isPlace: (id) => placeIds.has(id) }) ??
    verdicts.get(askedAddress(link.destination, surroundings) ?? link.href) ?? {
      verdict: 'unchecked' as const,
      reason: 'This has not been checked yet.',
      movedTo: null,
    }
  );
}

/** The words that Vennet itself puts into the open book. */
export const ownWords = (): Phrases => phrases(useBook.getState().book?.language ?? 'en');

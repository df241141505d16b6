import type { AsideFinding, Finding, InsideFinding } from '@vennet/core/audit';
import { phrases, type Phrases } from '@vennet/core/language';
import type { ContentsList, Link, Place } from '@vennet/core/manuscript';
import { verdictOn, type Verdict } from '@vennet/core/reach';
import type { ShelfFile, Surroundings } from '@vennet/core/shelf';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import {
  surroundingsOf,
  type ChapterSaved,
  type DestinationVerdict,
  type Manuscript,
  type SurveyChoices,
  type VersionedChapter,
} from '@vennet/core/wire';
import { create, type StoreApi } from 'zustand';
import type { SeenNote } from './audit.worker.js';

/** What is computed of the open book beside the typing; see the audit. */
export interface Audited {
  /** All links of the book, and the same by their chapters. */
  links: Link[];
  linksIn: ReadonlyMap<string, Link[]>;
  findings: ReadonlyMap<string, Finding[]>;
  /** What is set aside of each link, and still as it was. */
  aside: ReadonlyMap<string, AsideFinding[]>;
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
  /** Links by which their remarks lead back, and the id of the mark. */
  handMadeBacks: ReadonlyMap<string, string>;
  /** How often the links lead to each domain. */
  domains: ReadonlyMap<string, number>;
  /** How many words each chapter has. */
  words: ReadonlyMap<string, number>;
  /** A reference of the book reads a page. */
  readsPages: boolean;
}

/** What is said of the book beside its text. */
export type BookDetail =
  'title' | 'subtitle' | 'author' | 'language' | 'description' | 'look' | 'structure' | 'publication';

export interface Conflict {
  mine: object;
  theirs: VersionedChapter;
}

/** The open book: its text, and all that is known of it. There is one list of links, and it is this one. */
export interface BookStore extends Audited {
  book: Manuscript | null;
  /** The page of each place, as pages were last set; `null` before that. */
  pages: Map<string, string> | null;
  verdicts: Map<string, DestinationVerdict>;
  /** How grave the author takes rules, and what is set aside. */
  choices: SurveyChoices;
  /** The files of the Shelf, and the other books. */
  surroundings: Surroundings;
  /** Chapters whose text in this browser and on the server have gone different ways. */
  conflicts: Map<string, Conflict>;
  /** Takes in a book that has come from the server. */
  take(book: Manuscript, surroundings: Surroundings, conflicts: Map<string, Conflict>): void;
  /** Lets go of everything that belongs to the book that was open. */
  leave(): void;
  /** Puts a chapter's newest text in place, saved or not. */
  setChapter(chapter: VersionedChapter): void;
  /** Notes what a save made of a chapter; its text stays as it is. */
  setVersion(saved: ChapterSaved): void;
  setConflict(chapter: string, conflict: Conflict | null): void;
  setVerdicts(verdicts: readonly DestinationVerdict[]): void;
  setChoices(choices: SurveyChoices): void;
  /** Takes in what was changed of the book itself, of its Shelf, or of the books around it. */
  setDetails(changes: Partial<Pick<Manuscript, BookDetail | 'address' | 'books' | 'files'>>): void;
  /** Puts the chapters into another order, adds some, or changes where one is left out. */
  setChapters(chapters: VersionedChapter[]): void;
}

export type OpenBookStore = Pick<StoreApi<BookStore>, 'getState' | 'setState' | 'subscribe'>;

const nothingAudited = (): Audited => ({
  links: [],
  linksIn: new Map(),
  findings: new Map(),
  aside: new Map(),
  inside: [],
  places: new Map(),
  placeIds: new Set<string>(),
  notes: new Map(),
  contents: new Map(),
  orders: new Map(),
  handMade: new Map(),
  handMadeBacks: new Map(),
  domains: new Map(),
  words: new Map(),
  readsPages: false,
});

const NO_CHOICES: SurveyChoices = { rules: [], aside: [] };

const nothing = () => ({
  ...nothingAudited(),
  book: null,
  pages: null,
  verdicts: new Map(),
  choices: NO_CHOICES,
  surroundings: NO_SURROUNDINGS,
  conflicts: new Map(),
});

export const createBookStore = () =>
  create<BookStore>((set, get) => {
    const change = (changes: Partial<Manuscript>) => {
      const { book } = get();
      if (book) set({ book: { ...book, ...changes } });
    };
    const replace = (chapter: VersionedChapter) =>
      change({ chapters: get().book?.chapters.map((one) => (one.id === chapter.id ? chapter : one)) });
    return {
      ...nothing(),
      take: (book, surroundings, conflicts) => set({ book, surroundings, conflicts }),
      leave: () => set(nothing()),
      setChapter: replace,
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
      setVerdicts: (verdicts) => set({ verdicts: new Map(verdicts.map((one) => [one.href, one])) }),
      setChoices: (choices) => set({ choices }),
      setDetails(changes) {
        change(changes);
        const { book } = get();
        if (book && ('books' in changes || 'files' in changes)) set({ surroundings: surroundingsOf(book) });
      },
      setChapters: (chapters) => change({ chapters }),
    };
  });

/** The book that is open on this page. */
export const useBook = createBookStore();

/** The files of a Shelf with one more, one changed, or one less; in the order of their names. */
export function withFile(files: readonly ShelfFile[], id: string, file: ShelfFile | null): ShelfFile[] {
  const others = files.filter((one) => one.id !== id);
  return file ? [...others, file].sort((one, other) => one.name.localeCompare(other.name)) : others;
}

/** The verdict on a link: that of the last check, or for a place in the book whether it is there. */
export function verdictFor(
  link: Pick<Link, 'destination' | 'href'>,
  { placeIds, verdicts, surroundings }: Pick<BookStore, 'placeIds' | 'verdicts' | 'surroundings'>,
): Verdict | DestinationVerdict {
  const readers = useBook.getState().book?.structure.readers;
  const inside = {
    ...surroundings,
    isPlace: (id: string) => placeIds.has(id),
    ...(readers ? { readers } : {}),
  };
  return verdictOn(link.destination, inside, (href) => verdicts.get(href));
}

/** The words that Vennet itself puts into the open book. */
export const ownWords = (): Phrases => phrases(useBook.getState().book?.language ?? 'en');

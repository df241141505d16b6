import type { Finding } from '@vennet/core/audit';
import type { Link, Place } from '@vennet/core/manuscript';
import { askedAddress, verdictInside } from '@vennet/core/reach';
import {
  surroundingsOf,
  type ChapterSaved,
  type DestinationVerdict,
  type Manuscript,
  type VersionedChapter,
} from '@vennet/core/wire';
import { create } from 'zustand';
import { api } from '../api/client.js';
import type { Mention, MentionSearch } from '@vennet/core/repair';
import { NO_SURROUNDINGS, type ShelfFile, type Surroundings } from '@vennet/core/shelf';
import type { AuditRequest, AuditResult, MentionResult } from '../workers/audit.worker.js';
import { copiesOf, dropCopy } from './local-copies.js';

export interface BookStore {
  book: Manuscript | null;
  /** Goes up whenever chapters come from the server, so that an open editor takes them in. */
  loads: number;
  links: Link[];
  findings: Map<string, Finding[]>;
  places: Map<string, Place>;
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
  setDetails(changes: Partial<Pick<Manuscript, 'look' | 'address' | 'books'>>): void;
}

export interface Conflict {
  mine: unknown;
  theirs: VersionedChapter;
}

let worker: Worker | null = null;

function auditWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('../workers/audit.worker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<AuditResult | MentionResult>) => {
    if ('mentions' in data) {
      searches.get(data.id)?.(data.mentions);
      searches.delete(data.id);
    } else
      useBook.setState({
        links: data.links,
        findings: new Map(data.findings),
        places: new Map(data.places),
      });
  };
  return worker;
}

const post = (request: AuditRequest) => auditWorker().postMessage(request);

const searches = new Map<number, (mentions: Mention[]) => void>();
let lastSearch = 0;

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
  findings: new Map(),
  places: new Map(),
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
    if (get().book?.id !== id) set(NOTHING);
    const manuscript = await api.manuscript(id);
    const { chapters, conflicts, unsent } = await withLocalCopies(manuscript.chapters);
    const book = { ...manuscript, chapters };
    const surroundings = surroundingsOf(book);
    set({ book, surroundings, conflicts, unsent, loads: get().loads + 1 });
    post({ book, chapters, surroundings });
    await get().loadVerdicts();
  },
  async loadVerdicts() {
    const id = get().book?.id;
    if (!id) return;
    const verdicts = await api.verdicts(id);
    if (get().book?.id === id) set({ verdicts: new Map(verdicts.map((one) => [one.href, one])) });
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
}));

function surround(book: Manuscript): void {
  const surroundings = surroundingsOf(book);
  useBook.setState({ book, surroundings });
  post({ surroundings });
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
  { places, verdicts, surroundings }: Pick<BookStore, 'places' | 'verdicts' | 'surroundings'>,
) {
  return (
    verdictInside(link.destination, { ...surroundings, isPlace: (id) => places.has(id) }) ??
    verdicts.get(askedAddress(link.destination, surroundings) ?? link.href) ?? {
      verdict: 'unchecked' as const,
      reason: 'This has not been checked yet.',
      movedTo: null,
    }
  );
}

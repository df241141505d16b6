import { auditBook, type Finding, type InsideFinding } from '@vennet/core/audit';
import {
  readChapter,
  readsPage,
  spotsOf,
  titleOf,
  type BookDetails,
  type Chapter,
  type ContentsList,
  type Link,
  type Note,
  type Place,
  type ReadChapter,
  type ReferenceAsk,
} from '@vennet/core/manuscript';
import { findMentions, type Mention, type MentionSearch } from '@vennet/core/repair';
import { NO_SURROUNDINGS, type Surroundings } from '@vennet/core/shelf';

/**
 * What the interface tells the worker: a whole book, one chapter that has changed, what is around the book, or what is
 * chosen for the whole of it.
 */
export type AuditRequest =
  | { book: BookDetails; chapters: Chapter[]; surroundings: Surroundings }
  | { chapter: Chapter }
  | { surroundings: Surroundings; details: BookDetails }
  | { search: MentionSearch; id: number };

/** A note as the interface needs it. */
export type SeenNote = Omit<Note, 'node'>;

/** Every link of the book, what is found at each, and every place, note and list of contents. */
export interface AuditResult {
  links: Link[];
  findings: [string, Finding[]][];
  inside: InsideFinding[];
  places: [string, Place][];
  notes: SeenNote[];
  contents: [string, ContentsList][];
  /** Where references stand in reading order. */
  orders: [string, number][];
  /** Marks of hand-made notes, and whether their remark leads back. */
  handMade: [string, boolean][];
  /** A reference reads the page of its place. */
  readsPages: boolean;
}

/** The mentions that a search found. */
export interface MentionResult {
  id: number;
  mentions: Mention[];
}

let details: BookDetails | null = null;
let chapters: ReadChapter[] = [];
let surroundings: Surroundings = NO_SURROUNDINGS;

self.onmessage = ({ data }: MessageEvent<AuditRequest>) => {
  if ('search' in data) {
    const mentions = details ? findMentions({ ...details, chapters }, data.search) : [];
    return self.postMessage({ id: data.id, mentions } satisfies MentionResult);
  }
  if ('book' in data) {
    details = data.book;
    surroundings = data.surroundings;
    chapters = data.chapters.map(readChapter);
  } else if ('surroundings' in data) {
    surroundings = data.surroundings;
    details = data.details;
  } else {
    const read = readChapter(data.chapter);
    const changed = { ...read, title: titleOf(read.doc, read.title) };
    chapters = chapters.some(({ id }) => id === changed.id)
      ? chapters.map((chapter) => (chapter.id === changed.id ? changed : chapter))
      : [...chapters, changed];
  }
  if (!details) return;
  const { map, links, findings, inside, context } = auditBook({ ...details, chapters }, surroundings);
  const result: AuditResult = {
    ...{ links, inside },
    findings: [...findings],
    places: [...map.places],
    notes: map.notes.map(({ id, number, chapter, back, marks }) => ({ id, number, chapter, back, marks })),
    contents: [...map.contents],
    orders: [...map.orders],
    handMade: [...context.handMade],
    readsPages: chapters.some(({ id, doc }) =>
      spotsOf(doc, id).references.some(({ node }) => readsPage(node.attrs as ReferenceAsk)),
    ),
  };
  self.postMessage(result);
};

import { audit, auditContext, type Finding } from '@vennet/core/audit';
import {
  linksOfChapter,
  placesOf,
  readChapter,
  titleOf,
  type BookDetails,
  type Chapter,
  type Link,
  type Place,
  type ReadChapter,
} from '@vennet/core/manuscript';
import { findMentions, type Mention, type MentionSearch } from '@vennet/core/repair';
import { NO_SURROUNDINGS, type Surroundings } from '@vennet/core/shelf';

/** What the interface tells the worker: a whole book, one chapter that has changed, or what is around the book. */
export type AuditRequest =
  | { book: BookDetails; chapters: Chapter[]; surroundings: Surroundings }
  | { chapter: Chapter }
  | { surroundings: Surroundings }
  | { search: MentionSearch; id: number };

/** Every link of the book, what is found at each, and every place. */
export interface AuditResult {
  links: Link[];
  findings: [string, Finding[]][];
  places: [string, Place][];
}

/** The mentions that a search found. */
export interface MentionResult {
  id: number;
  mentions: Mention[];
}

let details: BookDetails | null = null;
let chapters: ReadChapter[] = [];
let surroundings: Surroundings = NO_SURROUNDINGS;
const links = new Map<string, Link[]>();

function take(chapter: ReadChapter): void {
  links.set(chapter.id, linksOfChapter(chapter.doc, chapter.id));
}

self.onmessage = ({ data }: MessageEvent<AuditRequest>) => {
  if ('search' in data) {
    const mentions = details ? findMentions({ ...details, chapters }, data.search) : [];
    return self.postMessage({ id: data.id, mentions } satisfies MentionResult);
  }
  if ('book' in data) {
    details = data.book;
    surroundings = data.surroundings;
    chapters = data.chapters.map(readChapter);
    links.clear();
    chapters.forEach(take);
  } else if ('surroundings' in data) {
    surroundings = data.surroundings;
  } else {
    const read = readChapter(data.chapter);
    const changed = { ...read, title: titleOf(read.doc, read.title) };
    chapters = chapters.some(({ id }) => id === changed.id)
      ? chapters.map((chapter) => (chapter.id === changed.id ? changed : chapter))
      : [...chapters, changed];
    take(changed);
  }
  if (!details) return;
  const all = chapters.flatMap(({ id }) => links.get(id) ?? []);
  const result: AuditResult = {
    links: all,
    // A link is judged by the others too: a domain by how often the book uses it.
    findings: [...audit(all, auditContext(details.language, all, surroundings))],
    places: [...placesOf({ chapters })],
  };
  self.postMessage(result);
};

import { audit, type Finding } from '@vennet/core/audit';
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

/** What the interface tells the worker: a whole book, or one chapter that has changed. */
export type AuditRequest = { book: BookDetails; chapters: Chapter[] } | { chapter: Chapter };

/** Every link of the book, what is found at each, and every place. */
export interface AuditResult {
  links: Link[];
  findings: [string, Finding[]][];
  places: [string, Place][];
}

let details: BookDetails | null = null;
let chapters: ReadChapter[] = [];
const links = new Map<string, Link[]>();
const findings = new Map<string, [string, Finding[]][]>();

function take(chapter: ReadChapter): void {
  if (!details) return;
  const own = linksOfChapter(chapter.doc, chapter.id);
  links.set(chapter.id, own);
  findings.set(chapter.id, [...audit(own, { language: details.language })]);
}

self.onmessage = ({ data }: MessageEvent<AuditRequest>) => {
  if ('book' in data) {
    details = data.book;
    chapters = data.chapters.map(readChapter);
    links.clear();
    findings.clear();
    chapters.forEach(take);
  } else {
    const read = readChapter(data.chapter);
    const changed = { ...read, title: titleOf(read.doc, read.title) };
    chapters = chapters.some(({ id }) => id === changed.id)
      ? chapters.map((chapter) => (chapter.id === changed.id ? changed : chapter))
      : [...chapters, changed];
    take(changed);
  }
  if (!details) return;
  const result: AuditResult = {
    links: chapters.flatMap(({ id }) => links.get(id) ?? []),
    findings: chapters.flatMap(({ id }) => findings.get(id) ?? []),
    places: [...placesOf({ ...details, chapters })],
  };
  self.postMessage(result);
};

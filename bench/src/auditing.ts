import { auditBook, LinkAuditor } from '@vennet/core/audit';
import { linksOf, mapOf, schema, type ReadBook } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import { generatedBook } from './book.js';
import { best } from './floor.js';

const SIZES = [200, 2_000, 20_000];
/** Paragraphs that are changed one after the other. */
const PARAGRAPHS = 20;

/** Reading the links of a book, all rules over them, and all rules again after one paragraph has changed. */
export async function benchAuditing(): Promise<void> {
  for (const links of SIZES) {
    // A text that was read before has its links already: each run gets its own.
    const books = Array.from({ length: 12 }, () => generatedBook(links * 50, links));
    const fresh = () => books.pop() ?? generatedBook(links * 50, links);
    let [reading, whole] = [Infinity, Infinity];
    // One after the other, so that what else the machine does meets both.
    for (let round = 0; round < 5; round++) {
      const book = fresh();
      reading = Math.min(reading, await best(1, () => linksOf(book, mapOf(book).say)));
      const other = fresh();
      whole = Math.min(whole, await best(1, () => auditBook(other, NO_SURROUNDINGS).findings.size));
    }
    const again = median(againAfterChanges(fresh()));
    const count = links.toLocaleString('en');
    console.log(
      `Audit of ${count} links: ${(whole - reading).toFixed(1)} ms, ${((whole - reading) / reading).toFixed(2)} × reading them (bar 3; ${reading.toFixed(1)} ms); after one paragraph ${again.toFixed(2)} ms, reading included, 1/${(whole / again).toFixed(0)} of both (bar 1/100)`,
    );
  }
}

/** The time of a whole audit, reading included, in ms, after each of some paragraphs was changed. */
function againAfterChanges(given: ReadBook): number[] {
  const auditor = new LinkAuditor();
  let book = given;
  auditBook(book, NO_SURROUNDINGS, undefined, auditor);
  return Array.from({ length: PARAGRAPHS }, (_paragraph, at) => {
    book = withChangedParagraph(book, at);
    const start = performance.now();
    auditBook(book, NO_SURROUNDINGS, undefined, auditor);
    return performance.now() - start;
  });
}

/** The book with words added to a paragraph of one of its chapters. */
function withChangedParagraph(book: ReadBook, at: number): ReadBook {
  const index = at % book.chapters.length;
  const chapters = book.chapters.map((chapter, place) => {
    if (place !== index) return chapter;
    const { doc } = chapter;
    const lines = doc.children.map((_child, line) => line).filter((line) => doc.child(line).isTextblock);
    const line = lines[(at * 7) % lines.length]!;
    const changed = doc.child(line).copy(doc.child(line).content.addToEnd(schema.text(' and more')));
    return { ...chapter, doc: doc.copy(doc.content.replaceChild(line, changed)) };
  });
  return { ...book, chapters };
}

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[times.length >> 1] ?? 0;

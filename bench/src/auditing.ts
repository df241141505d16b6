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
    const reading = await best(5, () => {
      const book = fresh();
      return linksOf(book, mapOf(book).say);
    });
    const whole = await best(5, () => auditBook(fresh(), NO_SURROUNDINGS).findings.size);
    const again = median(againAfterChanges(fresh()));
    const count = links.toLocaleString('en');
    console.log(
      `Audit of ${count} links: ${whole.toFixed(1)} ms with reading them, ${(whole / reading).toFixed(2)} × reading them (bar 3); after one paragraph ${again.toFixed(2)} ms, 1/${(whole / again).toFixed(0)} of that (bar 1/100)`,
    );
  }
}

/** The time of the rules over the links alone, in ms, after each of some paragraphs was changed. */
function againAfterChanges(given: ReadBook): number[] {
  const auditor = new LinkAuditor();
  const times: number[] = [];
  const update = auditor.update.bind(auditor);
  auditor.update = (...input) => {
    const start = performance.now();
    const found = update(...input);
    times.push(performance.now() - start);
    return found;
  };
  let book = given;
  auditBook(book, NO_SURROUNDINGS, undefined, auditor);
  times.pop();
  for (let at = 0; at < PARAGRAPHS; at++) {
    book = withChangedParagraph(book, at);
    auditBook(book, NO_SURROUNDINGS, undefined, auditor);
  }
  return times;
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

import { auditBook, type Answered, type BookAudit } from '../audit/index.js';
import { pixelsOf } from '../cleaning/index.js';
import { bringIn } from '../bring-in/index.js';
import { readBook } from '../manuscript/index.js';
import { counter } from './books.js';
import { shelfFile } from './shelf.js';
import { NO_SURROUNDINGS, type Surroundings } from '../shelf/index.js';

/** What is found of a page of HTML that is brought in as a book. */
export function auditOf(
  body: string,
  {
    language = 'en',
    answers = {},
    surroundings,
    head = '',
  }: {
    language?: string;
    answers?: Record<string, Partial<Answered>>;
    surroundings?: Surroundings;
    head?: string;
  } = {},
): BookAudit {
  const html = `<!doctype html><html lang="${language}"><head><title>A book</title>${head}</head><body>${body}</body></html>`;
  const { book, enclosures } = bringIn(
    { name: 'book.html', bytes: new TextEncoder().encode(html) },
    counter(),
  );
  const known = Object.entries(answers).map(([href, answer]): [string, Answered] => [
    href,
    { verdict: 'sound', movedTo: null, securedTo: null, title: '', language: '', ...answer },
  ]);
  const files = enclosures.map(({ id, name, type, bytes }) =>
    shelfFile({ id, name, type, size: bytes.length, pixels: pixelsOf(bytes) }),
  );
  const around = surroundings ?? { ...NO_SURROUNDINGS, files: new Map(files.map((file) => [file.id, file])) };
  return auditBook(readBook(book), around, {
    answers: new Map(known),
    choices: [],
    aside: [],
    today: '',
  });
}

/** The rules that find something in such a page, and how grave they take it: `vague-text must-fix`. */
export const foundIn = (body: string, more: Parameters<typeof auditOf>[1] = {}): string[] =>
  [...auditOf(body, more).findings.values()]
    .flat()
    .map(({ rule, severity }) => `${rule} ${severity}`)
    .sort();

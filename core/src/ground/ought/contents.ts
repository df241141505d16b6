import type { GroundPageAttrs } from '../../manuscript/index.js';
import { plain, type Found, type Reading } from './ought.js';

/** What leads to a page by its number stands so: dots, or a wide gap, and the number at the end of the line. */
const LISTED = /^(.*?[\p{L}\p{N}].*?)\s*(?:(?:[.·…_‥]\s?){3,}|\s{2,}|\s)\s*(\d{1,4}|[ivxlc]{1,7})$/iu;
const DOTTED = /(?:[.·…_‥]\s?){3,}/;
/** This many such lines on a page make a list of contents of it. */
const FEW = 3;

/** The lines of printed contents, with the pages that they name. */
export function contentsLines(reading: Reading): Found[] {
  const lettersOf = new Map<number, string>();
  /** Whether the words of a title stand on a page, by its index; the letters of a page are read once. */
  const standsOn = (index: number, title: string): boolean => {
    const letters = lettersOf.get(index) ?? plain(reading.lines[index]?.join(' ') ?? '');
    lettersOf.set(index, letters);
    const wanted = plain(title);
    return wanted.length > 2 && letters.includes(wanted);
  };
  return reading.pages.flatMap(({ number }, index) =>
    listed(reading.lines[index] ?? [], reading.byName, number).map(({ row, line, title, target }): Found => {
      const isThere = standsOn(target.number - 1, title);
      return {
        kind: 'contents',
        page: number,
        at: { line: row, from: Math.max(0, line.search(/\S/)), to: line.trimEnd().length },
        words: title,
        destination: { kind: 'place', place: entryFor(title, reading.entries, target.id) ?? target.id },
        sureness: isThere ? 'sure' : 'likely',
        why: isThere
          ? 'A line of the contents; its words stand on that page.'
          : 'A line of the contents; its words were not found on that page, so look at where it leads.',
      };
    }),
  );
}

/** The lines of a page by which it is a list of contents. */
function listed(
  lines: readonly string[],
  byName: ReadonlyMap<string, GroundPageAttrs>,
  own: number,
): { row: number; line: string; title: string; target: GroundPageAttrs }[] {
  let dotted = 0;
  const found = lines.flatMap((line, row) => {
    const [, title = '', number = ''] = LISTED.exec(line.trim()) ?? [];
    const target = byName.get(number.toLowerCase());
    if (title === '' || !target) return [];
    if (DOTTED.test(line)) dotted++;
    return target.number === own ? [] : [{ row, line, title: title.replace(/[\s.·…_‥]+$/, ''), target }];
  });
  const rises = found.every(
    ({ target }, at) => at === 0 || target.number >= (found[at - 1]?.target.number ?? 0),
  );
  return dotted >= FEW || (found.length >= FEW && rises && found.length >= lines.length / 3) ? found : [];
}

/** The entry of the outline that is called so and leads to that page: its spot is more exact than the page. */
function entryFor(title: string, entries: Reading['entries'], page: string): string | null {
  const wanted = plain(title);
  return entries.find((entry) => entry.page === page && plain(entry.title) === wanted)?.id ?? null;
}

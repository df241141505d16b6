import type { Found, Reading } from './ought.js';

type ReferenceKind = 'page' | 'section' | 'figure' | 'table';

interface Target extends Pick<Found, 'sureness' | 'why'> {
  place: string;
  /** Of a caption where it stands. */
  page?: number;
  line?: number;
}

/** “See page 41”, “chapter 3”, “Fig. 7”. */
export function references(reading: Reading): Found[] {
  const { words, byName } = reading;
  const captions = captionsOf(reading);
  const sections = sectionsOf(reading.entries);
  const reference = new RegExp(
    String.raw`(?<![\p{L}\p{N}])(?:(?<section>${words.section})|(?<figure>${words.figure})|(?<table>${words.table})|(?<page>${words.page}))[\s\u00a0]+(?<number>\d{1,4}(?:\.\d{1,3}){0,5}|[ivxlc]{1,7}(?![\p{L}]))(?![\p{L}\p{N}]|\.\d)`,
    'giu',
  );
  const targetOf = (kind: ReferenceKind, number: string): Target | null => {
    if (kind === 'page') {
      const page = byName.get(number);
      return page ? { place: page.id, sureness: 'sure', why: 'A page is called so.' } : null;
    }
    if (kind === 'section') {
      const place = sections.get(number);
      return place
        ? { place, sureness: 'likely', why: 'An entry of the outline begins with this number.' }
        : null;
    }
    const caption = captions.get(`${kind} ${number}`);
    return caption
      ? { ...caption, sureness: 'likely', why: 'A line that begins so stands on that page.' }
      : null;
  };
  return reading.pages.flatMap(({ number: page }, index) =>
    (reading.lines[index] ?? []).flatMap((line, row) =>
      [...line.matchAll(reference)].flatMap((match): Found[] => {
        const { section, figure, table, number = '' } = match.groups ?? {};
        const kind = section ? 'section' : figure ? 'figure' : table ? 'table' : 'page';
        const target = targetOf(kind, number.toLowerCase());
        // A caption does not lead to itself.
        if (!target || (target.line === row && target.page === page)) return [];
        const { place, sureness, why } = target;
        const at = { line: row, from: match.index, to: match.index + match[0].length };
        return [{ kind, page, at, words: match[0], destination: { kind: 'place', place }, sureness, why }];
      }),
    ),
  );
}

/** The entries of the outline that begin with a number, by it. */
function sectionsOf(entries: Reading['entries']): Map<string, string> {
  const sections = new Map<string, string>();
  for (const { id, title } of entries) {
    const number = /^(?:\p{L}+\s+)?(\d{1,4}(?:\.\d{1,3})*)\b/u.exec(title)?.[1];
    if (number && !sections.has(number)) sections.set(number, id);
  }
  return sections;
}

/** Lines that begin as the caption of a figure or table does, by what they are called. */
function captionsOf({
  lines,
  pages,
  words,
}: Reading): Map<string, { place: string; page: number; line: number }> {
  const captions = new Map<string, { place: string; page: number; line: number }>();
  const begins = new RegExp(
    String.raw`^\s*(?:(?<figure>${words.figure})|(?<table>${words.table}))[\s\u00a0]+(?<number>\d{1,4}(?:\.\d{1,3})*)\s*[.:–—-]`,
    'iu',
  );
  pages.forEach(({ id, number: page }, index) => {
    lines[index]?.forEach((line, at) => {
      const { figure, number } = begins.exec(line)?.groups ?? {};
      if (!number) return;
      const name = `${figure ? 'figure' : 'table'} ${number}`;
      if (!captions.has(name)) captions.set(name, { place: id, page, line: at });
    });
  });
  return captions;
}

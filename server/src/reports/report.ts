import { auditBook, type InsideFinding } from '@vennet/core/audit';
import { FORMATS, linksOf, placesOf, readBook, type Place } from '@vennet/core/manuscript';
import { editionOf, hrefIn, lossesIn } from '@vennet/core/publish';
import { askedAddress, verdictOn, type VerdictName } from '@vennet/core/reach';
import { surroundingsOf, type FormPreview, type LinkRow, type Manuscript } from '@vennet/core/wire';
import { manuscriptFrom, type BookSource } from '../books/book-source.js';

/** The verdicts on addresses of a book. */
type Verdicts = readonly (readonly [string, VerdictName])[];

export interface ReportInput {
  kind: ReportKind;
  source: BookSource;
  verdicts: Verdicts;
}

/** Every use of every link of a book with its verdict and findings. */
function links(manuscript: Manuscript, known: Verdicts): LinkRow[] {
  const surroundings = surroundingsOf(manuscript);
  const book = readBook(manuscript);
  const { links, findings, map } = auditBook(book, surroundings);
  const whole = { ...book, chapters: book.chapters.map((chapter) => ({ ...chapter, leftOutOf: [] })) };
  const edition = editionOf(whole, [], 'web', surroundings);
  const verdicts = new Map(known);
  const { readers } = manuscript.structure;
  const inside = {
    ...surroundings,
    isPlace: (place: string) => map.places.has(place),
    ...(readers ? { readers } : {}),
  };
  const checked = (href: string) => {
    const verdict = verdicts.get(href);
    return verdict && { verdict };
  };
  return links.map(({ id, kind, href, text, chapter, destination }) => ({
    id,
    kind,
    text,
    chapter,
    href: hrefIn(edition, { destination }) ?? href,
    verdict: verdictOn(destination, inside, checked).verdict,
    findings: (findings.get(id) ?? []).map(({ rule, severity, message }) => ({ rule, severity, message })),
  }));
}

/** What is found of a book's places, notes, lists of contents and return links. */
const findings = (manuscript: Manuscript): InsideFinding[] =>
  auditBook(readBook(manuscript), surroundingsOf(manuscript)).inside;

/** What each form would lose or change. */
function forms(manuscript: Manuscript): FormPreview[] {
  const book = readBook(manuscript);
  const surroundings = surroundingsOf(manuscript);
  const files = manuscript.files.map(({ id, name, type }) => ({ id, name, type, bytes: new Uint8Array() }));
  return FORMATS.map((format) => {
    const edition = editionOf(book, files, format, surroundings);
    return { format, links: edition.links.length, losses: lossesIn(edition) };
  });
}

/** The addresses that a check of the book asks, each once. */
function addresses(manuscript: Manuscript): string[] {
  const surroundings = surroundingsOf(manuscript);
  const asked = linksOf(readBook(manuscript)).map(({ destination }) =>
    askedAddress(destination, surroundings),
  );
  return [...new Set(asked)].filter((href) => href !== null);
}

/** Every place of a book, in the order of the text. */
const places = (manuscript: Manuscript): Place[] => [...placesOf(readBook(manuscript)).values()];

/** What is computed of a whole book; pure, so that it can be done in a process of its own. */
const REPORTS = {
  manuscript: (book: Manuscript) => book,
  links,
  findings,
  forms,
  addresses,
  places,
};
export type ReportKind = keyof typeof REPORTS;

export const reportOf = ({ kind, source, verdicts }: ReportInput): unknown =>
  REPORTS[kind](manuscriptFrom(source), verdicts);

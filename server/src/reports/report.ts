import {
  allRules,
  auditBook,
  VERDICT_ASIDE,
  type InsideFinding,
  type Severity,
  type Survey,
} from '@vennet/core/audit';
import { divisionOf, handMadeNavigation, type DivisionLine } from '@vennet/core/edits';
import { FORMATS, linksOf, placesOf, readBook, type Place } from '@vennet/core/manuscript';
import { editionOf, hrefIn, lossesIn } from '@vennet/core/publish';
import { surveyReport, type SurveyReport } from '@vennet/core/reports';
import { askedAddress, verdictOn } from '@vennet/core/reach';
import {
  surroundingsOf,
  type DestinationVerdict,
  type FindingCounts,
  type FormPreview,
  type HandMadePiece,
  type LinkRow,
  type Manuscript,
} from '@vennet/core/wire';
import { manuscriptFrom, type BookSource } from '../books/book-source.js';

/** What is known and chosen of a book beside its text, as it can be sent to another process. */
export interface Surveyed extends Omit<Survey, 'answers'> {
  answers: readonly DestinationVerdict[];
  /** ISO 8601. */
  now: string;
}

export const NOT_SURVEYED: Surveyed = { answers: [], choices: [], aside: [], today: '', now: '' };

const surveyOf = ({
  answers,
  choices,
  aside,
  today,
}: Surveyed): Omit<Survey, 'answers'> & { answers: ReadonlyMap<string, DestinationVerdict> } => ({
  ...{ choices, aside, today },
  answers: new Map(answers.map((one) => [one.href, one])),
});

export interface ReportInput {
  kind: ReportKind;
  source: BookSource;
  surveyed: Surveyed;
}

/** Every use of every link of a book with its verdict and findings. */
function links(manuscript: Manuscript, surveyed: Surveyed): LinkRow[] {
  const survey = surveyOf(surveyed);
  const { answers } = survey;
  const surroundings = surroundingsOf(manuscript);
  const book = readBook(manuscript);
  const { links, findings, map } = auditBook(book, surroundings, survey);
  const whole = { ...book, chapters: book.chapters.map((chapter) => ({ ...chapter, leftOutOf: [] })) };
  const edition = editionOf(whole, [], 'web', surroundings);
  const { readers } = manuscript.structure;
  const inside = {
    ...surroundings,
    isPlace: (place: string) => map.places.has(place),
    ...(readers ? { readers } : {}),
  };
  return links.map(({ id, kind, href, text, chapter, destination }) => ({
    id,
    kind,
    text,
    chapter,
    href: hrefIn(edition, { destination }) ?? href,
    verdict: verdictOn(destination, inside, (one) => answers.get(one)).verdict,
    findings: (findings.get(id) ?? []).map(({ rule, severity, message }) => ({ rule, severity, message })),
  }));
}

/** What is found of a book's places, notes, lists of contents and return links. */
const findings = (manuscript: Manuscript, surveyed: Surveyed): InsideFinding[] =>
  auditBook(readBook(manuscript), surroundingsOf(manuscript), surveyOf(surveyed)).inside;

/** How many findings of each severity there are. */
function counts(manuscript: Manuscript, surveyed: Surveyed): FindingCounts {
  const { findings, inside } = auditBook(
    readBook(manuscript),
    surroundingsOf(manuscript),
    surveyOf(surveyed),
  );
  const all = [...[...findings.values()].flat(), ...inside];
  const of = (severity: Severity) => all.filter((one) => one.severity === severity).length;
  return { mustFix: of('must-fix'), shouldFix: of('should-fix'), consider: of('consider') };
}

/** What a survey found, to be handed on. */
function survey(manuscript: Manuscript, surveyed: Surveyed): SurveyReport {
  const known = surveyOf(surveyed);
  const book = readBook(manuscript);
  const surroundings = surroundingsOf(manuscript);
  const { links, findings, aside, inside, map } = auditBook(book, surroundings, known);
  const { readers } = manuscript.structure;
  const around = {
    ...surroundings,
    isPlace: (place: string) => map.places.has(place),
    ...(readers ? { readers } : {}),
  };
  const titles = new Map(book.chapters.map(({ id, title }) => [id, title]));
  const answerOf = (href: string) => known.answers.get(href);
  const { id, title, author, language } = manuscript;
  return surveyReport({
    book: { id, title, author, language },
    madeAt: surveyed.now,
    checkedAt:
      surveyed.answers.map(({ checkedAt }) => checkedAt).reduce((a, b) => (a > b ? a : b), '') || null,
    ...{ links, findings, aside, inside, rules: allRules, choices: surveyed.choices },
    verdictsAside: surveyed.aside.filter(({ rule }) => rule === VERDICT_ASIDE),
    chapterTitle: (chapter) => titles.get(chapter) ?? '',
    verdictOf: ({ destination }) => verdictOn(destination, around, answerOf),
    answerOf,
  });
}

/** What each form would lose or change. */
function forms(manuscript: Manuscript): FormPreview[] {
  const book = readBook(manuscript);
  const surroundings = surroundingsOf(manuscript);
  const files = manuscript.files.map(({ id, name, type }) => ({ id, name, type, bytes: new Uint8Array() }));
  return (manuscript.ground ? (['pdf'] as const) : FORMATS).map((format) => {
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

/** How a book is divided into chapters, and where else it could be. */
const division = (book: Manuscript): DivisionLine[] => divisionOf(readBook(book).chapters);

/** What of the navigation of a book was typed by hand. */
const navigation = (book: Manuscript): HandMadePiece[] =>
  handMadeNavigation(readBook(book)).map(
    ({ key, chapter, words, before, after, sureness, why, becomes }) => ({
      ...{ key, chapter, words, before, after, sureness, why, becomes },
    }),
  );

/** What is computed of a whole book; pure, so that it can be done in a process of its own. */
const REPORTS = {
  manuscript: (book: Manuscript) => book,
  links,
  findings,
  counts,
  survey,
  forms,
  addresses,
  places,
  division,
  navigation,
};
export type ReportKind = keyof typeof REPORTS;

export const reportOf = ({ kind, source, surveyed }: ReportInput): unknown =>
  REPORTS[kind](manuscriptFrom(source), surveyed);

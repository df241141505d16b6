import {
  auditBook,
  LinkAuditor,
  NO_SURVEY,
  type AsideFinding,
  type Finding,
  type InsideFinding,
  type Survey,
} from '@vennet/core/audit';
import {
  attrsOf,
  countWords,
  groupedBy,
  readChapter,
  readsPage,
  sharedWith,
  spotsOf,
  titleOf,
  type BookDetails,
  type Chapter,
  type ContentsList,
  type Link,
  type Note,
  type Place,
  type ReadChapter,
} from '@vennet/core/manuscript';
import { typedNotes, type TypedNote } from '@vennet/core/edits';
import {
  findFileLabels,
  findMentions,
  findSpots,
  findWords,
  type FileLabel,
  type FindSearch,
  type Hit,
  type Mention,
  type MentionSearch,
  type SpotSearch,
  type UnnamedSpot,
} from '@vennet/core/repair';
import { NO_SURROUNDINGS, type ShelfFile, type Surroundings } from '@vennet/core/shelf';
import { teller, type Changes, type DestinationVerdict, type SurveyChoices } from '@vennet/core/wire';

/**
 * What the interface tells the worker: a whole book, one chapter that has changed, what is around the book, or what is
 * chosen for the whole of it. `opening` counts the whole books, and comes back with what is told of each.
 */
export type AuditRequest =
  | { book: BookDetails; chapters: Chapter[]; surroundings: Surroundings; opening: number }
  | { chapter: Chapter }
  | { surroundings: Surroundings; details: BookDetails }
  | { survey: SentSurvey }
  | { search: MentionSearch; id: number }
  | { find: FindSearch; id: number }
  | { spots: SpotSearch; id: number }
  | { typedNotes: true; id: number }
  | { labels: readonly Pick<ShelfFile, 'id' | 'name'>[]; id: number };

/** What is known and chosen of the book beside its text. `today` is a day (ISO 8601). */
export interface SentSurvey extends SurveyChoices {
  verdicts: readonly DestinationVerdict[];
  today: string;
}

/** A note as the interface needs it. */
export type SeenNote = Omit<Note, 'node'>;

/** What is new of a book's links, of what is found at each, and of its places, notes and lists of contents. */
export interface AuditNews {
  opening: number;
  /** By chapter, in their order. */
  links: Changes<Link[]>;
  findings: Changes<Finding[]>;
  aside: Changes<AsideFinding[]>;
  /** One list, under `all`. */
  inside: Changes<InsideFinding[]>;
  places: Changes<Place>;
  /** By their ids, and by those of their marks. */
  notes: Changes<SeenNote>;
  contents: Changes<ContentsList>;
  /** Where references stand in reading order. */
  orders: Changes<number>;
  /** Marks of hand-made notes, and whether their remark leads back. */
  handMade: Changes<boolean>;
  /** Links by which their remarks lead back, and the id of the mark. */
  handMadeBacks: Changes<string>;
  /** How often the links lead to each domain. */
  domains: Changes<number>;
  /** How many words each chapter has. */
  words: Changes<number>;
  /** A reference reads the page of its place. */
  readsPages: boolean;
}

/** The answer to one message: what was searched, and what is new once all of it was taken in. */
export interface AuditAnswer {
  found: { id: number; found: Mention[] | Hit[] | UnnamedSpot[] | FileLabel[] | TypedNote[] }[];
  news: AuditNews | null;
}

let details: BookDetails | null = null;
let chapters: ReadChapter[] = [];
let surroundings: Surroundings = NO_SURROUNDINGS;
let survey: Survey = NO_SURVEY;
let opening = 0;
let auditor = new LinkAuditor();
let tell = tellers();

function tellers() {
  return {
    links: teller<Link[]>(),
    findings: teller<Finding[]>(),
    aside: teller<AsideFinding[]>(),
    inside: teller<InsideFinding[]>(),
    places: teller<Place>(),
    notes: teller<SeenNote>(),
    contents: teller<ContentsList>(),
    orders: teller<number>(),
    handMade: teller<boolean>(),
    handMadeBacks: teller<string>(),
    domains: teller<number>(),
    words: teller<number>(),
  };
}

self.onmessage = ({ data: requests }: MessageEvent<AuditRequest[]>) => {
  const found: AuditAnswer['found'] = [];
  let isNew = false;
  for (const request of requests) {
    if ('id' in request) found.push({ id: request.id, found: searched(request) });
    else {
      takeIn(request);
      isNew = true;
    }
  }
  self.postMessage({ found, news: isNew ? newsOf() : null } satisfies AuditAnswer);
};

/** What is looked for in the book as it stands. */
function searched(request: Search): AuditAnswer['found'][number]['found'] {
  if (!details) return [];
  const book = { ...details, chapters };
  if ('search' in request) return findMentions(book, request.search);
  if ('find' in request) return findWords(book, request.find);
  if ('spots' in request) return findSpots(chapters, request.spots, details.language);
  if ('labels' in request) return findFileLabels(chapters, request.labels);
  return typedNotes(book);
}

type Search = Extract<AuditRequest, { id: number }>;

function takeIn(request: Exclude<AuditRequest, Search>): void {
  if ('book' in request) {
    ({ book: details, surroundings, opening } = request);
    chapters = request.chapters.map(readChapter);
    tell = tellers();
    auditor = new LinkAuditor();
  } else if ('survey' in request) {
    const { verdicts, rules, aside, today } = request.survey;
    survey = { answers: new Map(verdicts.map((one) => [one.href, one])), choices: rules, aside, today };
  } else if ('surroundings' in request) {
    ({ surroundings, details } = request);
  } else {
    const read = readChapter(request.chapter);
    const before = chapters.find(({ id }) => id === read.id);
    const doc = before ? sharedWith(before.doc, read.doc) : read.doc;
    const changed = { ...read, doc, title: titleOf(doc, read.title) };
    chapters = chapters.some(({ id }) => id === changed.id)
      ? chapters.map((chapter) => (chapter.id === changed.id ? changed : chapter))
      : [...chapters, changed];
  }
}

function newsOf(): AuditNews | null {
  if (!details) return null;
  const { map, links, findings, aside, inside, context } = auditBook(
    { ...details, chapters },
    surroundings,
    survey,
    auditor,
  );
  const linksIn = groupedBy(links, ({ chapter }) => chapter);
  const notes = map.notes.flatMap(({ id, number, chapter, back, marks }) => {
    const note = { id, number, chapter, back, marks };
    return [id, ...marks.map((mark) => mark.id)].map((key): [string, SeenNote] => [key, note]);
  });
  return {
    opening,
    links: tell.links(linksIn),
    findings: tell.findings(findings),
    aside: tell.aside(aside),
    inside: tell.inside(new Map([['all', inside]])),
    places: tell.places(map.places),
    notes: tell.notes(new Map(notes)),
    contents: tell.contents(map.contents),
    orders: tell.orders(map.orders),
    handMade: tell.handMade(context.inside.handMade),
    handMadeBacks: tell.handMadeBacks(context.inside.handMadeBacks),
    domains: tell.domains(context.domains),
    words: tell.words(new Map(chapters.map(({ id, doc }) => [id, countWords(doc)]))),
    readsPages: chapters.some(({ id, doc }) =>
      spotsOf(doc, id).references.some(({ node }) => readsPage(attrsOf.reference(node))),
    ),
  };
}

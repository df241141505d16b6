import type { HandMadeNavigation } from '../edits/index.js';
import type { Carried } from '../carry-over/index.js';
/**
 * The shapes that travel between the server and its clients. Both sides take them from here; the HTTP interface is
 * described at `/api/openapi.json`.
 */
import type { BringInReport } from '../bring-in/index.js';
import type { Finding } from '../audit/index.js';
import type { DestinationKind } from '../destination/index.js';
import type { Book, BookDetails, Chapter, Format, Publication } from '../manuscript/index.js';
import type { Loss, FlowChoices, PdfChoices, PdfSet } from '../publish/index.js';
import type { VerdictName } from '../reach/index.js';
import type { LastCheck } from './checks.js';
import type { JobState, Wanted } from './jobs.js';
import type { Proof } from '../readback/index.js';
import type { VersionChanges } from '../reports/index.js';
import type {
  InsideRepair,
  InsideTarget,
  Mention,
  MentionLink,
  Repair,
  FindSearch,
} from '../repair/index.js';
import type { OtherBook, ShelfFile, Surroundings } from '../shelf/index.js';

/** A book as the Library lists it. Times are ISO 8601. */
export interface BookSummary extends Pick<BookDetails, 'id' | 'title' | 'subtitle' | 'author' | 'language'> {
  chapters: number;
  /** Of a book of pages, how many; else `null`. */
  pages: number | null;
  words: number;
  links: number;
  updatedAt: string;
  deletedAt: string | null;
  /** The last check that came to its end. */
  lastCheck: LastCheck | null;
}

/** A book that is to be started. `language` is a BCP 47 tag; English without one. */
export interface NewBook {
  title: string;
  author?: string;
  language?: string;
}

/** What can be changed of a book beside its text; what is not sent stays. An empty address takes it away. */
export interface BookChanges extends Partial<
  Pick<BookDetails, 'title' | 'subtitle' | 'author' | 'language' | 'description' | 'look' | 'structure'>
> {
  address?: string;
  publication?: Partial<Publication>;
}

/** A chapter that is to be added: after another one, or at the end. */
export interface NewChapter {
  title: string;
  after?: string;
}

/** The text of a chapter that was read at `version`. */
export interface ChapterSave {
  version: number;
  doc: object;
}

/** Steps that one window made over the text of a chapter at `version`. */
export interface StepsSent {
  /** Given to the batch by the window: one that is known is acknowledged and not made twice. */
  batch: string;
  /** The window that sends them. */
  window: string;
  version: number;
  /** The version of the schema that the steps are made for. */
  schema: number;
  /** In JSON, as `prosemirror-transform` writes them. */
  steps: object[];
}

/** Steps that led a chapter on from `from`, a version each. */
export interface StepsMade {
  /** The change that they belong to: the batch of a window, or a change all over the book. */
  change: string;
  /** The window that made them; empty for other hands. */
  window: string;
  from: number;
  steps: object[];
}

/** How a chapter stands after steps were sent, or asked for. */
export interface StepsAnswer {
  /** The steps that were sent are part of the text now. Otherwise `missed` came first, and they are to be sent anew over those. */
  taken: boolean;
  version: number;
  title: string;
  missed: StepsMade[];
  /** The chapter itself, where the steps since that version are not kept any more, or are of another schema. */
  current: VersionedChapter | null;
}

/** How the chapters of a book stand, for its open windows: their ids in order, and their versions. */
export interface BookNews {
  chapters: { id: string; version: number }[];
}

/** What can be changed of a chapter beside its text. */
export type ChapterChanges = Pick<Chapter, 'leftOutOf'>;

/** Every chapter of a book, in its new order. */
export interface OutlineChange {
  chapters: ChapterPlace[];
}

/** A file that is to be made. */
export interface NewExport {
  format: Format;
  choices?: ExportChoices;
}

/** How the file of a book of pages is written: behind its old bytes, which stay as they are, or all of it anew. */
export const WRITES = ['addition', 'anew'] as const;

/** How a file is to be made; what is left out is as the book has it. */
export interface ExportChoices extends Partial<Omit<PdfChoices, 'face'>>, Partial<FlowChoices> {
  write?: (typeof WRITES)[number];
  /** The set of choices for a PDF, by its id or its name; without one the book's own. */
  set?: string;
}

/** The named sets of choices for the pages of a book's PDF; `own` is the one that holds where nothing is said. */
export interface PdfSets {
  own: string;
  sets: PdfSet[];
}

/** What an archive of several forms of a book would hold, and what is missing in it, each with what to do. */
export interface BundlePlan {
  files: { path: string; size: number }[];
  missing: string[];
}

/** A made file as a reader goes through it: its pages in their order. A PDF has them itself. */
export interface Reading extends ReadingTally {
  format: Format;
  fileName: string;
  pages: { path: string; title: string; links: number }[];
}

/** Which links of a made file its author has tried: each by the path of its page and its number there, as `path number`. */
export interface ReadingTally {
  tried: string[];
}

/** How a link of a file from anywhere stands: lost or changed against the book, there, or words that only look like a link. */
export const PROVED_STATES = ['lost', 'changed', 'found', 'looks'] as const;

/** A link of a file that was made anywhere. */
export interface ProvedLink {
  state: (typeof PROVED_STATES)[number];
  /** Of the book's own link and its chapter, where it is lost or changed; else empty. */
  id: string;
  chapter: string;
  href: string;
  text: string;
  /** Where it stands in the file, for a person. */
  where: string;
  /** What is otherwise than in the book. */
  about: string;
  findings: Pick<Finding, 'rule' | 'severity' | 'message'>[];
}

/** What was found in a file that was made anywhere. */
export interface AnyProof {
  name: string;
  kind: 'epub' | 'pdf' | 'web';
  title: string;
  /** Against the book, if the file was made of it. */
  proof: Proof | null;
  links: ProvedLink[];
}

/** Pages that are set to be looked at, before a file is made. */
export interface PagePreview {
  choices: PdfChoices;
  /** The chapter; without one the first. */
  chapter?: string;
}

/** Forms without pages whose look is chosen. */
export const FLOWING = ['epub', 'web'] as const;

/** A chapter as it would be in such a form. */
export interface FlowPreview {
  format: (typeof FLOWING)[number];
  choices: FlowChoices;
  /** The chapter; without one the first. */
  chapter?: string;
}

/** Words that were found on a page of a finished file: its number, the index of their line, and which signs of it. */
export interface PageHit {
  page: number;
  line: number;
  from: number;
  to: number;
  /** The whole line. */
  text: string;
}

/** What can be changed of a file on the Shelf; what is not sent stays. An empty address takes it away. */
export interface ShelfChanges extends Partial<
  Pick<ShelfFile, 'name' | 'description' | 'opensFor' | 'travels'>
> {
  address?: string;
}

/** What was started or made, by its id. */
export interface Started {
  id: string;
}

export interface Health {
  status: 'ok';
  database: 'ok';
}

/** A chapter with the version that a save has to name. */
export interface VersionedChapter extends Chapter {
  version: number;
}

export interface Manuscript extends Omit<Book, 'chapters'> {
  chapters: VersionedChapter[];
  report: BringInReport | null;
  /** Where readers get the book; `null` while it is nowhere to be had. */
  address: string | null;
  /** The files on its Shelf. */
  files: ShelfFile[];
  /** The other books of the Library; `places` only for those that this one leads to. */
  books: SentBook[];
}

/** What the links of a book can lead to beside its text, as it came over the wire. */
export function surroundingsOf({ files, books }: Pick<Manuscript, 'files' | 'books'>): Surroundings {
  return {
    files: new Map(files.map((file) => [file.id, file])),
    books: new Map(books.map((book) => [book.id, { ...book, places: book.places && new Map(book.places) }])),
  };
}

/** Another book as it travels: its places as pairs of id and words. */
export interface SentBook extends Omit<OtherBook, 'places'> {
  places: [string, string][] | null;
}

/** Where a picture stands that is to be taken onto the Shelf. */
export interface FromAddress {
  address: string;
}

/** A file that was taken onto the Shelf, and what the author should know of it. */
export interface ShelfTaken {
  file: ShelfFile;
  notes: string[];
}

/** The title of a web page, and the same as words for a link. */
export interface PageTitle {
  title: string;
  words: string;
}

/** Mentions that are to become links. Stale ones are passed over. */
export interface MentionsRequest extends MentionLink {
  mentions: Pick<Mention, 'chapter' | 'from' | 'to' | 'text'>[];
}

/** Labels that are to lead to files: each mention with its file. Stale ones are passed over. */
export interface FileLabelsRequest {
  labels: (Pick<Mention, 'chapter' | 'from' | 'to' | 'text'> & { enclosure: string })[];
}

/** Words that are to stand in the place of all that a search finds. */
export interface ReplaceRequest {
  search: FindSearch;
  by: string;
}

/** `left` counts what stays, since a link or a bookmark would be left without words, or an address would be none. */
export interface ReplaceDone extends RepairDone {
  left: number;
}

/** The answer to a save: the version that it made. */
export interface ChapterSaved {
  id: string;
  version: number;
  title: string;
}

/** One use of one link, as `GET /api/books/:id/links` gives it. */
export interface LinkRow {
  id: string;
  kind: DestinationKind;
  href: string;
  text: string;
  chapter: string;
  verdict: VerdictName;
  findings: Pick<Finding, 'rule' | 'severity' | 'message'>[];
}

export interface ExportJob {
  id: string;
  format: Format;
  state: JobState;
  /** What is being done, while it runs. */
  stage: string;
  done: number;
  total: number;
  /** Why it failed, in words for the author. */
  message: string;
  /** What is not as it should be in the made file, beside its links. */
  notes: string[];
  proof: Proof | null;
  size: number | null;
  fileName: string;
  /** With which it was made, where it has some. */
  choices: ExportChoices;
  /** How many files readers need next to it. */
  beside: number;
  /** The book has changed since it was made. */
  isOutdated: boolean;
  /** What was known before to be different in it. */
  losses: Loss[];
  /** The version of the book that it was made of; `null` where it is not known. */
  snapshot: string | null;
  createdAt: string;
  finishedAt: string | null;
}

/** What publishing in one form will lose or change. */
export interface FormPreview {
  format: Format;
  links: number;
  losses: Loss[];
}

/** Where the chapters of a book are to begin: ids of chapters and of headings. */
export interface DivisionChange {
  begins: string[];
}

/** By what a book is known as a newer version of another. */
export const CARRY_REASONS = ['identifier', 'title', 'words'] as const;

/** A book of which another one may be a newer version. */
export interface CarryOffer {
  id: string;
  title: string;
  author: string;
  updatedAt: string;
  because: (typeof CARRY_REASONS)[number];
}

/** What would become of everything that was made in an older book. */
export interface CarryItems {
  items: Carried[];
}

/** A piece of navigation that was typed by hand, and what it can become. */
export type HandMadePiece = Pick<
  HandMadeNavigation,
  'key' | 'chapter' | 'words' | 'before' | 'after' | 'sureness' | 'why' | 'becomes'
>;

/** Which pieces of hand-made navigation are made real, by their keys. */
export interface NavigationRequest {
  take: string[];
}

/** What is carried over from an older book: the kind and the id of each thing. */
export interface CarryRequest {
  from: string;
  take: string[];
}

/** Which links a repair is for: all uses of an address, or single links by id. */
export type RepairTarget = { href: string } | { links: string[] };

export interface RepairRequest {
  target: RepairTarget;
  repair: Repair;
}

/** A repair of something of a book that is no link. */
export interface InsideRepairRequest {
  target: InsideTarget & { chapter: string };
  repair: InsideRepair;
}

/** What a repair did; the snapshot is the book before it. */
export interface RepairDone {
  changed: number;
  /** By which it is taken back; `null` where nothing was changed. */
  change: string | null;
  /** The whole book as it was before; `null` where nothing was changed. */
  snapshot: string | null;
}

/** What came of taking a change back. */
export interface TakenBack {
  /** How many chapters got another text. */
  changed: number;
  /** The taking back is a change too; `null` where there was nothing to take back any more. */
  change: string | null;
  /** By name, what can't be taken back, since it was changed again. */
  left: string[];
}

/** What came of a change to the chapters of a book. */
export interface ChapterMade {
  /** By which it is taken back; `null` where nothing was changed. */
  change: string | null;
  /** The chapter that it is about now. */
  chapter: string | null;
}

/** A chapter that was added, and the change by which it is taken out again. */
export interface ChapterAdded extends VersionedChapter {
  change: string | null;
}

/** The title that a chapter is to have. */
export interface ChapterTitle {
  title: string;
}

/** Where a chapter is to be split: before the block at this position. */
export interface ChapterSplit {
  before: number;
}

/** A change all over a book. The time is ISO 8601. */
export interface BookChange {
  id: string;
  words: string;
  createdAt: string;
}

/** Where a chapter stands in the order of its book. */
export type ChapterPlace = Pick<Chapter, 'id' | 'matter'>;

export interface Snapshot {
  id: string;
  reason: string;
  /** By what name the author keeps it; empty where it may go with time. */
  name: string;
  createdAt: string;
}

/** A version that is looked at: what is otherwise since then. */
export interface SnapshotSeen extends Snapshot {
  since: VersionChanges;
}

/** A version that is kept by a name, or is called so. */
export interface NewSnapshot {
  name: string;
}

/** What is brought back of a version: one chapter, or all of it without. */
export interface RestoreRequest {
  chapter?: string;
}

/** What the interface has to know of the server it talks to. */
export interface ServerFacts {
  /** The port of the stand-in world, where its sites can be visited; `null` when it is off. */
  worldPort: number | null;
}

/** A problem document (RFC 9457) as the server sends it. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** Where in the sent JSON the fault is, for a chapter that does not fit the schema. */
  path?: string;
  /** The chapter as it is stored, when a save was refused because it is stale. */
  current?: VersionedChapter;
  /** What is missing to do it. */
  wants?: Wanted;
}

export { teller, withChanges } from './changes.js';
export type { Changes } from './changes.js';
export * from './checks.js';
export * from './jobs.js';
export * from './survey.js';

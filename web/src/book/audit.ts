import type { TypedNote } from '@vennet/core/edits';
import type {
  FileLabel,
  FindSearch,
  Hit,
  Mention,
  MentionSearch,
  SpotSearch,
  UnnamedSpot,
} from '@vennet/core/repair';
import type { ShelfFile, Surroundings } from '@vennet/core/shelf';
import { withChanges, type DestinationVerdict, type Manuscript, type SurveyChoices } from '@vennet/core/wire';
import type { AuditAnswer, AuditNews, AuditRequest } from './audit.worker.js';
import type { Audited, OpenBookStore } from './store.js';

/** What of a worker is needed here. */
export type AuditWorker = Pick<Worker, 'postMessage' | 'terminate' | 'onmessage' | 'onerror'>;

/** The audit of the open book, beside the typing: everything that is computed from its whole text. */
export interface Audit {
  /** Tells the worker what it does not know yet of a book; what is computed comes into the store. */
  tell(book: Manuscript, surroundings: Surroundings): void;
  /** Tells the worker what is known and chosen of the book beside its text. */
  survey(verdicts: readonly DestinationVerdict[], choices: SurveyChoices): void;
  /** Waits until something was computed, but not for ever: numbers and references are there when the text is first seen. */
  nextNews(): Promise<void>;
  /** What was told so far is of no use any more. */
  forget(): void;
  /** Looks for mentions in the book as it stands. */
  search(search: MentionSearch): Promise<Mention[]>;
  /** Looks for words in the book as it stands. */
  find(find: FindSearch): Promise<Hit[]>;
  /** Looks for spots of the text without a name. */
  spots(search: SpotSearch): Promise<UnnamedSpot[]>;
  /** Looks for notes that were typed without links. */
  typedNotes(): Promise<TypedNote[]>;
  /** Looks for labels of files. */
  labels(files: readonly Pick<ShelfFile, 'id' | 'name'>[]): Promise<FileLabel[]>;
  stop(): void;
}

/** Time that a book waits to be shown for what is computed from it, in ms. */
const LONGEST_WAIT = 2000;
/** The first page of a finished file is drawn before its links are judged: so long the worker rests, in ms. */
const PAGES_FIRST = 1200;

/** Starts the audit. It follows the store: whatever changes of its book is told to the worker. */
export function createAudit(store: OpenBookStore, makeWorker: () => AuditWorker): Audit {
  const worker = makeWorker();
  /** What the worker is still to be told; one message is under way at a time, so that it never falls behind the typing. */
  let waiting: AuditRequest[] = [];
  let isUnderWay = false;
  /** How often a book was told to the worker as a whole. */
  let openings = 0;
  let told: { book: Manuscript; surroundings: Surroundings } | null = null;
  let newsHeard = () => {};
  const searches = new Map<number, (found: never) => void>();
  let lastSearch = 0;

  const goOn = () => {
    isUnderWay = waiting.length > 0;
    if (isUnderWay) worker.postMessage(waiting);
    waiting = [];
  };
  const post = (request: AuditRequest) => {
    // Of a chapter only the newest text matters.
    if ('chapter' in request)
      waiting = waiting.filter((one) => !('chapter' in one) || one.chapter.id !== request.chapter.id);
    waiting.push(request);
    if (!isUnderWay) goOn();
  };
  worker.onmessage = ({ data: { found: answers, news } }: MessageEvent<AuditAnswer>) => {
    for (const { id, found } of answers) {
      searches.get(id)?.(found as never);
      searches.delete(id);
    }
    // What is said of a book that was left meanwhile is of no use any more.
    if (news?.opening === openings) {
      store.setState((before) => withNews(before, news));
      newsHeard();
    }
    goOn();
  };
  worker.onerror = () => {
    newsHeard();
    goOn();
  };

  const ask = <Found>(requestOf: (id: number) => AuditRequest): Promise<Found> => {
    const id = ++lastSearch;
    return new Promise((resolve) => {
      searches.set(id, resolve);
      post(requestOf(id));
    });
  };

  const audit: Audit = {
    tell(book, surroundings) {
      const before = told;
      told = { book, surroundings };
      if (before?.book === book && before.surroundings === surroundings) return;
      const isOpened = !before || !haveSameOutline(before.book, book);
      if (isOpened && book.ground && !isUnderWay) {
        isUnderWay = true;
        setTimeout(goOn, PAGES_FIRST);
      }
      if (isOpened) return post({ book, chapters: book.chapters, surroundings, opening: ++openings });
      for (const [index, chapter] of book.chapters.entries())
        if (chapter.doc !== before.book.chapters[index]?.doc) post({ chapter });
      if (
        before.surroundings !== surroundings ||
        before.book.structure !== book.structure ||
        before.book.language !== book.language
      )
        post({ surroundings, details: book });
    },
    survey(verdicts, choices) {
      waiting = waiting.filter((one) => !('survey' in one));
      post({ survey: { ...choices, verdicts, today: new Date().toISOString().slice(0, 10) } });
    },
    nextNews: () =>
      new Promise((resolve) => {
        newsHeard = resolve;
        setTimeout(resolve, LONGEST_WAIT);
      }),
    forget() {
      told = null;
      openings++;
    },
    search: (search) => ask((id) => ({ search, id })),
    find: (find) => ask((id) => ({ find, id })),
    typedNotes: () => ask((id) => ({ typedNotes: true, id })),
    labels: (labels) => ask((id) => ({ labels, id })),
    spots: (spots) => ask((id) => ({ spots, id })),
    stop() {
      unsubscribe();
      worker.terminate();
    },
  };
  let surveyed: unknown[] = [store.getState().verdicts, store.getState().choices];
  const unsubscribe = store.subscribe(({ book, surroundings, verdicts, choices }) => {
    if (!book) return;
    if (surveyed[0] !== verdicts || surveyed[1] !== choices) {
      surveyed = [verdicts, choices];
      audit.survey([...verdicts.values()], choices);
    }
    audit.tell(book, surroundings);
  });
  return audit;
}

/** Whether two books are one book with the same chapters in the same order and the same forms. */
function haveSameOutline(one: Manuscript, other: Manuscript): boolean {
  return (
    one.id === other.id &&
    one.chapters.length === other.chapters.length &&
    one.chapters.every((chapter, index) => {
      const now = other.chapters[index];
      return (
        chapter.id === now?.id &&
        chapter.matter === now.matter &&
        `${chapter.leftOutOf}` === `${now.leftOutOf}`
      );
    })
  );
}

function withNews(before: Audited, news: AuditNews): Audited {
  const linksIn = withChanges(before.linksIn, news.links);
  const places = withChanges(before.places, news.places);
  return {
    linksIn,
    links: linksIn === before.linksIn ? before.links : [...linksIn.values()].flat(),
    inside: withChanges(new Map([['all', before.inside]]), news.inside).get('all') ?? [],
    places,
    placeIds: 'whole' in news.places ? new Set(places.keys()) : before.placeIds,
    findings: withChanges(before.findings, news.findings),
    aside: withChanges(before.aside, news.aside),
    notes: withChanges(before.notes, news.notes),
    contents: withChanges(before.contents, news.contents),
    orders: withChanges(before.orders, news.orders),
    handMade: withChanges(before.handMade, news.handMade),
    handMadeBacks: withChanges(before.handMadeBacks, news.handMadeBacks),
    domains: withChanges(before.domains, news.domains),
    words: withChanges(before.words, news.words),
    readsPages: news.readsPages,
  };
}

import type { QueryClient } from '@tanstack/react-query';
import { useStore } from 'zustand';
import { api } from '../api/client.js';
import { queries as known } from '../api/queries.js';
import { listenToBook } from '../api/follow.js';
import { sendFile } from '../api/send.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { createActs, type Acts } from './acts.js';
import { createAudit, type Audit } from './audit.js';
import { createBulkChanges, type BulkChanges } from './bulk-changes.js';
import { keepInStep, keepTextsInStep } from './in-step.js';
import { browserSteps, holdWindow } from './kept-steps.js';
import { browserCopies } from './local-copies.js';
import { createDetails, type BookDetailChanges } from './details.js';
import { groundOpen } from './ground-file.js';
import { createOpening, type Opening } from './opening.js';
import { createPages, type Pages } from './pages.js';
import { createTexts, type Texts, type TextsNeeds } from './texts.js';
import { createSurveyActs, type SurveyActs } from './survey-choices.js';
import { createShelfFiles, type ShelfFiles } from './shelf-files.js';
import { useBook } from './store.js';
import { createUploads, type Uploads } from './uploads.js';

/** The parts that work on the open book. Each is made by a factory of its own, and tested by itself. */
export interface OpenBook {
  queries: QueryClient;
  audit: Audit;
  texts: Texts;
  open: Opening;
  acts: Acts;
  bulk: BulkChanges;
  details: BookDetailChanges;
  survey: SurveyActs;
  pages: Pages;
  files: ShelfFiles;
  uploads: Uploads;
}

let started: OpenBook | null = null;

/** A name that no other window and no other batch has. */
const uniqueName = (): string => crypto.randomUUID();

/** What this window is called: by the server, which tells its steps from others', and by the browser, which keeps them. */
export const thisWindow = uniqueName();

/** What the parts need of the interface around the text. */
export interface AroundText {
  /** The editor's state for a text. */
  makeState: TextsNeeds['makeState'];
  /** Brings the author to a spot of a chapter. */
  show(chapter: string, at: number): void;
}

/** Starts the parts, once, for the page. */
export function startOpenBook(queries: QueryClient, { makeState, show }: AroundText): OpenBook {
  const store = useBook;
  const notices = useNotices.getState();
  const audit = createAudit(
    store,
    () => new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' }),
  );
  const acts = createActs({
    inText: (chapter, way) => texts.step(chapter, way),
    takeBack: (change) => bulk.takeBack(change),
    show,
  });
  const texts = createTexts({
    store,
    kept: browserSteps,
    notices,
    api,
    window: thisWindow,
    mint: uniqueName,
    makeState,
    acts,
  });
  const open = createOpening({
    store,
    audit,
    texts,
    kept: browserSteps,
    copies: browserCopies,
    async read(id) {
      const [book] = await Promise.all([
        api.manuscript(id).then((book) => {
          // What is to be drawn is on its way while the book is made ready.
          if (book.ground && location.pathname.endsWith('/write')) groundOpen(book).catch(() => {});
          return book;
        }),
        queries.query({ ...known.verdicts(id), staleTime: 0 }),
        queries.query({ ...known.survey(id), staleTime: 0 }),
      ]);
      return { ...book, files: queries.setQueryData(known.files(id).queryKey, book.files) ?? book.files };
    },
  });
  const files = createShelfFiles({ store, queries, api, notices, fault: tellFault });
  const bulk = createBulkChanges({ store, api, texts, notices, open, acts, fault: tellFault });
  keepInStep(store, queries);
  keepTextsInStep({ store, texts, open, listen: listenToBook });
  holdWindow(thisWindow);
  started = {
    queries,
    audit,
    texts,
    open,
    files,
    acts,
    bulk,
    details: createDetails({ store, api, kept: localStorage, fault: tellFault }),
    survey: createSurveyActs({ store, queries, api, notices, fault: tellFault }),
    pages: createPages({ store, texts, setPages: api.pages }),
    uploads: createUploads({ store, files, notices, send: sendFile, fault: tellFault }),
  };
  window.addEventListener('pagehide', texts.keepLast);
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden') texts.keepLast();
  });
  return started;
}

/** The parts of the open book, as the page has started them. */
export function openBook(): OpenBook {
  if (!started) throw new Error('the open book is used before it was started');
  return started;
}

/** How the text stands with the server. */
export const useSaveState = () => useStore(openBook().texts.state, ({ state }) => state);

/** The files that are on their way. */
export const useUploads = () => useStore(openBook().uploads.state, ({ jobs }) => jobs);

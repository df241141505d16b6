import type { QueryClient } from '@tanstack/react-query';
import { useStore } from 'zustand';
import { api } from '../api/client.js';
import { queries as known } from '../api/queries.js';
import { sendFile } from '../api/send.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { createAudit, type Audit } from './audit.js';
import { createBulkChanges, type BulkChanges } from './bulk-changes.js';
import { keepInStep } from './in-step.js';
import { browserCopies } from './local-copies.js';
import { createOpening, type Opening } from './opening.js';
import { createPages, type Pages } from './pages.js';
import { createSaver, type Saver } from './saver.js';
import { createShelfFiles, type ShelfFiles } from './shelf-files.js';
import { useBook } from './store.js';
import { createUploads, type Uploads } from './uploads.js';
import { readChapter } from '@vennet/core/manuscript';

/** The parts that work on the open book. Each is made by a factory of its own, and tested by itself. */
export interface OpenBook {
  queries: QueryClient;
  audit: Audit;
  saver: Saver;
  open: Opening;
  bulk: BulkChanges;
  pages: Pages;
  files: ShelfFiles;
  uploads: Uploads;
}

let started: OpenBook | null = null;

/** Starts the parts, once, for the page. */
export function startOpenBook(queries: QueryClient): OpenBook {
  const store = useBook;
  const notices = useNotices.getState();
  const audit = createAudit(
    store,
    () => new Worker(new URL('./audit.worker.ts', import.meta.url), { type: 'module' }),
  );
  const saver = createSaver({ store, copies: browserCopies, notices, save: api.saveChapter });
  const open = createOpening({
    store,
    audit,
    copies: browserCopies,
    async read(id) {
      const [book] = await Promise.all([
        api.manuscript(id),
        queries.query({ ...known.verdicts(id), staleTime: 0 }),
      ]);
      return { ...book, files: queries.setQueryData(known.files(id).queryKey, book.files) ?? book.files };
    },
    unsent: (chapter) => saver.edited(chapter.id, readChapter(chapter).doc),
  });
  const files = createShelfFiles({ store, queries, api, notices, fault: tellFault });
  keepInStep(store, queries);
  started = {
    queries,
    audit,
    saver,
    open,
    files,
    bulk: createBulkChanges({ store, api, saver, notices, open, fault: tellFault }),
    pages: createPages({ store, saver, setPages: api.pages }),
    uploads: createUploads({ store, files, notices, send: sendFile, fault: tellFault }),
  };
  window.addEventListener('pagehide', saver.keepLast);
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'hidden') saver.keepLast();
  });
  return started;
}

/** The parts of the open book, as the page has started them. */
export function openBook(): OpenBook {
  if (!started) throw new Error('the open book is used before it was started');
  return started;
}

/** How the text stands with the server. */
export const useSaveState = () => useStore(openBook().saver.state, ({ state }) => state);

/** The files that are on their way. */
export const useUploads = () => useStore(openBook().uploads.state, ({ jobs }) => jobs);

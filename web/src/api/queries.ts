import { QueryCache, QueryClient, queryOptions } from '@tanstack/react-query';
import { api } from './client.js';

/** What is kept in step while a book is open: it came with the book, and is asked for again without a word. */
const BESIDE_THE_TEXT = { staleTime: 5_000, meta: { silent: true } };

/**
 * What the server knows beside the text of the open book, each under its key. What is shown of it is asked for anew when a
 * room opens and when the author comes back to the window.
 */
export const queries = {
  books: () => queryOptions({ queryKey: ['books'], queryFn: () => api.books() }),
  facts: () =>
    queryOptions({
      queryKey: ['facts'],
      queryFn: () => api.facts(),
      staleTime: Infinity,
      // Without them links are followed to the real network, which is right where there is no stand-in world.
      meta: { silent: true },
    }),
  places: (book: string) =>
    // Without its places a book can still be led to as a whole.
    queryOptions({ queryKey: ['places', book], queryFn: () => api.places(book), meta: { silent: true } }),
  files: (book: string) =>
    queryOptions({ queryKey: ['files', book], queryFn: () => api.files(book), ...BESIDE_THE_TEXT }),
  removedFiles: (book: string) =>
    queryOptions({ queryKey: ['removed files', book], queryFn: () => api.removedFiles(book) }),
  verdicts: (book: string) =>
    queryOptions({ queryKey: ['verdicts', book], queryFn: () => api.verdicts(book), ...BESIDE_THE_TEXT }),
  survey: (book: string) =>
    queryOptions({ queryKey: ['survey', book], queryFn: () => api.survey(book), ...BESIDE_THE_TEXT }),
  checks: (book: string) => queryOptions({ queryKey: ['checks', book], queryFn: () => api.checks(book) }),
  history: (book: string, href: string) =>
    queryOptions({ queryKey: ['history', book, href], queryFn: () => api.history(book, href) }),
  checkChanges: (check: string) =>
    queryOptions({ queryKey: ['check changes', check], queryFn: () => api.checkChanges(check) }),
  schedule: (book: string) =>
    queryOptions({ queryKey: ['schedule', book], queryFn: () => api.schedule(book) }),
  checkSettings: () => queryOptions({ queryKey: ['check settings'], queryFn: () => api.checkSettings() }),
  versions: (book: string) =>
    queryOptions({ queryKey: ['versions', book], queryFn: () => api.versions(book) }),
  version: (book: string, version: string) =>
    queryOptions({ queryKey: ['versions', book, version], queryFn: () => api.version(book, version) }),
  versionChapter: (book: string, version: string, chapter: string) =>
    queryOptions({
      queryKey: ['versions', book, version, chapter],
      queryFn: () => api.versionChapter(book, version, chapter),
      staleTime: Infinity,
    }),
  pdfSets: (book: string) => queryOptions({ queryKey: ['pdf-sets', book], queryFn: () => api.pdfSets(book) }),
  formChoices: (book: string) =>
    queryOptions({ queryKey: ['form-choices', book], queryFn: () => api.formChoices(book) }),
  exports: (book: string) => queryOptions({ queryKey: ['exports', book], queryFn: () => api.exports(book) }),
  forms: (book: string) => queryOptions({ queryKey: ['forms', book], queryFn: () => api.forms(book) }),
  bookFonts: (book: string) =>
    queryOptions({ queryKey: ['forms', book, 'fonts'], queryFn: () => api.bookFonts(book) }),
  shapeless: (book: string) =>
    queryOptions({ queryKey: ['forms', book, 'shapeless'], queryFn: () => api.shapelessSigns(book) }),
};

/** Keeps the answers of the server; `fault` is told what goes wrong, but for queries that are `silent`. */
export function createQueries(fault: (error: Error) => void): QueryClient {
  return new QueryClient({
    queryCache: new QueryCache({ onError: (error, { meta }) => meta?.silent || fault(error) }),
    defaultOptions: {
      // Vennet is on this computer: it answers also while the browser believes that there is no network.
      queries: { networkMode: 'always', retry: false },
      mutations: { networkMode: 'always', retry: false },
    },
  });
}

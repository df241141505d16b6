import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { DEFAULT_STRUCTURE } from '@vennet/core/manuscript';
import { NO_SURROUNDINGS } from '@vennet/core/shelf';
import type { Manuscript, VersionedChapter } from '@vennet/core/wire';
import { createAudit, type AuditWorker } from './audit.js';
import type { AuditAnswer, AuditRequest } from './audit.worker.js';
import { createBookStore } from './store.js';

const chapter = (id: string): VersionedChapter => ({
  id,
  title: id,
  matter: 'main',
  leftOutOf: [],
  version: 1,
  doc: {},
});
const book = {
  id: 'b',
  language: 'en',
  structure: DEFAULT_STRUCTURE,
  chapters: [chapter('c'), chapter('d')],
  files: [],
  books: [],
} as unknown as Manuscript;

const sent: AuditRequest[][] = [];
const worker: AuditWorker = {
  postMessage: (requests: AuditRequest[]) => void sent.push(requests),
  terminate: jest.fn(),
  onmessage: null,
  onerror: null,
};
const answer = (data: Partial<AuditAnswer>) =>
  worker.onmessage?.call(worker as Worker, { data: { found: [], news: null, ...data } } as MessageEvent);

function started() {
  const store = createBookStore();
  const audit = createAudit(store, () => worker);
  audit.tell(book, NO_SURROUNDINGS);
  store.getState().take(book, NO_SURROUNDINGS, new Map());
  answer({});
  return { store, audit };
}
beforeEach(() => void sent.splice(0));
const kinds = () =>
  sent
    .flat()
    .map((one) =>
      'book' in one
        ? 'book'
        : 'chapter' in one
          ? one.chapter.id
          : 'search' in one
            ? 'search'
            : 'survey' in one
              ? 'survey'
              : 'around',
    );

describe('the audit', () => {
  test('is told a book once, and after that only what has changed of it', () => {
    const { store } = started();
    expect(kinds()).toEqual(['book']);
    store.getState().setChapter({ ...chapter('c'), doc: { new: true } });
    answer({});
    store.getState().setVersion({ id: 'c', version: 2, title: 'c' });
    store.getState().setDetails({ structure: { ...DEFAULT_STRUCTURE, numbering: 'decimal' } });
    answer({});
    store.getState().setChapters([...book.chapters].reverse());
    expect(kinds().slice(1)).toEqual(['c', 'around', 'book']);
  });

  test('is told one thing at a time, and of a chapter only its newest text', () => {
    const { store } = started();
    sent.splice(0);
    for (const step of [1, 2, 3]) store.getState().setChapter({ ...chapter('c'), doc: { step } });
    store.getState().setChapter({ ...chapter('d'), doc: { step: 4 } });
    expect(sent).toHaveLength(1);
    answer({});
    expect(sent[1]).toMatchObject([{ chapter: { id: 'c', doc: { step: 3 } } }, { chapter: { id: 'd' } }]);
  });

  test('of a book that was left meanwhile is of no use', () => {
    const { store, audit } = started();
    const news = (opening: number): AuditAnswer['news'] => ({
      opening,
      links: { whole: [] },
      findings: { whole: [] },
      aside: { whole: [] },
      inside: { whole: [] },
      places: { whole: [] },
      notes: { whole: [] },
      contents: { whole: [] },
      orders: { whole: [] },
      handMade: { whole: [] },
      handMadeBacks: { whole: [] },
      domains: { whole: [['lamp.example', 2]] },
      words: { whole: [['c', 3]] },
      readsPages: true,
    });
    answer({ news: news(1) });
    expect(store.getState()).toMatchObject({ readsPages: true, domains: new Map([['lamp.example', 2]]) });
    audit.forget();
    store.setState({ readsPages: false });
    answer({ news: news(1) });
    expect(store.getState().readsPages).toBe(false);
  });

  test('answers who searches, each with what was asked', async () => {
    const { audit } = started();
    const search = {
      words: 'x',
      matchCase: false,
      chapters: null,
      headings: true,
      code: true,
      firstOnly: false,
    };
    const [one, two] = [audit.search(search), audit.search(search)];
    answer({ found: [{ id: 2, found: [] }] });
    answer({
      found: [{ id: 1, found: [{ chapter: 'c', from: 1, to: 2, text: 'x', before: '', after: '' }] }],
    });
    expect(await two).toEqual([]);
    expect(await one).toHaveLength(1);
  });
});

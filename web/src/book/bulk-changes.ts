import type { Vennet } from '@vennet/client';
import type { Planned } from '@vennet/core/repair';
import type { SectionMove } from '@vennet/core/edits';
import type {
  ChapterPlace,
  FileLabelsRequest,
  InsideRepairRequest,
  MentionsRequest,
  RepairDone,
  RepairRequest,
  ReplaceDone,
  ReplaceRequest,
  VersionedChapter,
} from '@vennet/core/wire';
import type { NoticeStore } from '../parts/notices.js';
import type { Acts } from './acts.js';
import type { Opening } from './opening.js';
import type { Texts } from './texts.js';
import type { OpenBookStore } from './store.js';
import { message } from '@vennet/core/language';

export interface BulkNeeds {
  store: OpenBookStore;
  api: Pick<
    Vennet,
    | 'repair'
    | 'repairMany'
    | 'repairInside'
    | 'moveSection'
    | 'linkMentions'
    | 'linkLabels'
    | 'makeNavigation'
    | 'makeTypedNotes'
    | 'replace'
    | 'restore'
    | 'takeBack'
    | 'addChapter'
    | 'removeChapter'
    | 'renameChapter'
    | 'splitChapter'
    | 'joinChapter'
    | 'arrange'
    | 'divide'
  >;
  texts: Pick<Texts, 'saveAll'>;
  notices: Pick<NoticeStore, 'tell'>;
  open: Opening;
  acts: Pick<Acts, 'did' | 'doing' | 'forget'>;
  fault(error: unknown): void;
}

/** Changes all over the open book, made at the server. Each offers to be taken back; each gives whether it was done. */
export interface BulkChanges {
  repair(request: RepairRequest): Promise<boolean>;
  /** Repairs many links, each as it was previewed, as one change. */
  repairMany(words: string, planned: readonly Planned[]): Promise<boolean>;
  /** Repairs a place, a note or a list. */
  repairInside(request: InsideRepairRequest): Promise<boolean>;
  moveSection(move: SectionMove): Promise<boolean>;
  /** Makes links of mentions. */
  linkMentions(request: MentionsRequest): Promise<boolean>;
  /** Makes links to files of labels. */
  linkLabels(request: FileLabelsRequest): Promise<boolean>;
  /** Puts words in the place of all that a search finds. */
  replace(request: ReplaceRequest): Promise<boolean>;
  /** Makes real notes of typed ones. */
  makeTypedNotes(take: readonly string[]): Promise<boolean>;
  /** Makes contents, return links and references of what was typed by hand. */
  makeNavigation(take: readonly string[]): Promise<boolean>;
  /** Adds a chapter after another one; gives its id, or `null` where it could not be added. */
  addChapter(after: string): Promise<string | null>;
  /** Adds a chapter after another one for a link that is made to it, before what is open is taken in anew; gives its id. */
  startChapter(title: string, after: string, lead: (chapter: string) => void): Promise<string | null>;
  removeChapter(chapter: VersionedChapter): Promise<boolean>;
  renameChapter(chapter: VersionedChapter, title: string): Promise<boolean>;
  /** Makes a chapter of its own of what follows a block; gives its id. */
  splitChapter(chapter: string, before: number): Promise<string | null>;
  /** Puts a chapter's text at the end of the one before it; gives that one's id. */
  joinChapter(chapter: VersionedChapter): Promise<string | null>;
  /** Divides the book at other places. */
  divide(begins: readonly string[]): Promise<boolean>;
  /** Puts the chapters into another order, and some into another matter. */
  arrange(chapters: readonly ChapterPlace[], said: string): Promise<boolean>;
  /** Brings the book, or one chapter, back to a version. */
  restore(version: string, chapter: { id: string; title: string } | null): Promise<boolean>;
  /** Takes a change back; gives the change that this is, or `null` where nothing came of it. */
  takeBack(change: string): Promise<string | null>;
}

export function createBulkChanges({ store, api, texts, notices, open, acts, fault }: BulkNeeds): BulkChanges {
  const change = <Done extends { change: string | null }>(
    make: (book: string) => Promise<Done>,
    said: (done: Done) => string,
  ): Promise<Done | null> => {
    const work = changed(make, said);
    acts.doing(work);
    return work;
  };

  const changed = async <Done extends { change: string | null }>(
    make: (book: string) => Promise<Done>,
    said: (done: Done) => string,
  ): Promise<Done | null> => {
    const book = store.getState().book?.id;
    if (!book) return null;
    try {
      await texts.saveAll();
      const done = await make(book);
      await open(book);
      const { change: own } = done;
      if (own) acts.did({ change: own });
      notices.tell(
        said(done),
        own ? { action: { label: 'Take it back', run: () => void fromNotice(own) } } : {},
      );
      return done;
    } catch (error) {
      fault(error);
      return null;
    }
  };

  const inBook = async (
    make: (book: string) => Promise<RepairDone>,
    said: (changed: number) => string,
  ): Promise<boolean> => (await change(make, ({ changed }) => said(changed))) !== null;

  const takeBack = async (own: string): Promise<string | null> => {
    const book = store.getState().book?.id;
    if (!book) return null;
    try {
      await texts.saveAll();
      const taken = await api.takeBack(book, own);
      await open(book);
      notices.tell(takenBack(taken.left), taken.left.length > 0 ? { tone: 'fault' } : {});
      return taken.change;
    } catch (error) {
      fault(error);
      return null;
    }
  };

  /** Undo does not come to it any more; what took it back is undone like anything else. */
  const fromNotice = async (own: string) => {
    acts.forget(own);
    const back = await takeBack(own);
    if (back) acts.did({ change: back });
  };

  return {
    repair: (request) =>
      inBook(
        (book) => api.repair(book, request),
        request.repair.type === 'make-note' ? notesWereMade : linksWere('changed'),
      ),
    repairMany: (words, planned) =>
      inBook((book) => api.repairMany(book, { words, planned: [...planned] }), linksWere('changed')),
    repairInside: (request) =>
      inBook(
        (book) => api.repairInside(book, request),
        (changed) => (changed > 0 ? insideWas(request.repair) : 'There was nothing to repair any more.'),
      ),
    moveSection: (move) =>
      inBook(
        (book) => api.moveSection(book, move),
        () => 'The section was moved.',
      ),
    linkMentions: (request) => inBook((book) => api.linkMentions(book, request), linksWere('made')),
    linkLabels: (request) => inBook((book) => api.linkLabels(book, request), linksWere('made')),
    replace: async (request) => (await change((book) => api.replace(book, request), replacedWords)) !== null,
    makeTypedNotes: (take) => inBook((book) => api.makeTypedNotes(book, { take: [...take] }), notesWereMade),
    makeNavigation: (take) =>
      inBook(
        (book) => api.makeNavigation(book, { take: [...take] }),
        (count) =>
          message(
            '{count, plural, one {One piece of navigation is} other {# pieces of navigation are}} real now.',
            {
              count,
            },
          ),
      ),
    async addChapter(after) {
      const done = await change(
        (book) => api.addChapter(book, { title: '', after }),
        ({ title }) => `“${title}” was added.`,
      );
      return done?.id ?? null;
    },
    async startChapter(title, after, lead) {
      const book = store.getState().book?.id;
      if (!book) return null;
      const work = (async () => {
        const { id, change: own } = await api.addChapter(book, { title, after });
        if (own) acts.did({ change: own });
        lead(id);
        await texts.saveAll();
        await open(book);
        return id;
      })();
      acts.doing(work);
      return work.catch((error: unknown) => {
        fault(error);
        return null;
      });
    },
    removeChapter: async ({ id, title }) =>
      (await change(
        () => api.removeChapter(id),
        () => `“${title}” was removed.`,
      )) !== null,
    renameChapter: async ({ id, title: before }, title) =>
      (await change(
        () => api.renameChapter(id, title),
        () => `“${before}” is called “${title}” now.`,
      )) !== null,
    async splitChapter(chapter, before) {
      const done = await change(
        () => api.splitChapter(chapter, before),
        () => 'The chapter was split.',
      );
      return done?.chapter ?? null;
    },
    async joinChapter({ id, title }) {
      const done = await change(
        () => api.joinChapter(id),
        () => `“${title}” was joined to the chapter before it.`,
      );
      return done?.chapter ?? null;
    },
    divide: (begins) =>
      inBook(
        (book) => api.divide(book, [...begins]),
        (changed) =>
          changed > 0 ? `The book has ${changed} chapters now.` : 'The chapters are as they were.',
      ),
    arrange: async (chapters, said) =>
      (await change(
        (book) =>
          api.arrange(
            book,
            chapters.map(({ id, matter }) => ({ id, matter })),
          ),
        () => said,
      )) !== null,
    restore: (version, chapter) =>
      inBook(
        (book) => api.restore(book, version, chapter?.id),
        () => (chapter ? `“${chapter.title}” is as it was then.` : 'The book is as it was then.'),
      ),
    takeBack,
  };
}

/** What was done to something inside the book. */
function insideWas(repair: InsideRepairRequest['repair']): string {
  if (repair.type === 'rename-bookmark') return `The bookmark is called “${repair.name}” now.`;
  if (repair.type === 'remove-bookmark') return 'The bookmark was removed; its words stay.';
  return repair.type.startsWith('remove-') ? 'It was removed.' : 'It is repaired.';
}

const notesWereMade = (count: number): string =>
  message('{count, plural, one {One mark leads to a real note.} other {# marks lead to real notes.}}', {
    count,
  });

const replacedWords = ({ changed, left }: ReplaceDone): string =>
  message(
    '{changed, plural, =0 {Nothing was replaced.} one {One spot was replaced.} other {# spots were replaced.}}{left, plural, =0 {} one { One stays: a link or a bookmark would have no words, or an address would be none.} other { # stay: links or bookmarks would have no words, or addresses would be none.}}',
    { changed, left },
  );

const linksWere =
  (done: string) =>
  (count: number): string =>
    message('{count, plural, one {One link was {done}.} other {# links were {done}.}}', { count, done });

/** What is said of a change that was taken back; `left` names what stays, since it was changed again. */
function takenBack(left: readonly string[]): string {
  if (left.length === 0) return 'It is taken back. What was written since is still there.';
  const [first, ...more] = left;
  return message(
    'It is taken back, but for {more, plural, =0 {“{first}”} one {“{first}” and one more} other {“{first}” and # more}}: that was changed again since.',
    { first: first ?? '', more: more.length },
  );
}

import { ApiError } from '@vennet/client';
import { titleOf } from '@vennet/core/manuscript';
import type { ChapterSave, ChapterSaved } from '@vennet/core/wire';
import type { Node } from 'prosemirror-model';
import { createStore, type StoreApi } from 'zustand';
import type { NoticeStore } from '../parts/notices.js';
import type { Copies } from './local-copies.js';
import { leaveAll } from './open-slips.js';
import type { OpenBookStore } from './store.js';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreachable' | 'conflict' | 'refused';

export interface SaverNeeds {
  store: OpenBookStore;
  copies: Copies;
  notices: Pick<NoticeStore, 'tell' | 'announce'>;
  save(chapter: string, text: ChapterSave): Promise<ChapterSaved>;
}

/** Brings what is typed to the server, and keeps it in the browser until it is there. */
export interface Saver {
  state: StoreApi<{ state: SaveState }>;
  /** Takes note of a chapter's new text. Nothing is serialised while typing. */
  edited(chapter: string, doc: Node): void;
  /**
   * Sends everything that waits, what is being filled in beside the text too, and waits for what is under way: afterwards the
   * server has the newest text.
   */
  saveAll(): Promise<void>;
  /** Drops what waits for a chapter: its text was settled in another way. */
  forget(chapter: string): void;
  /** Keeps what was typed in the last moment before the page goes away. */
  keepLast(): void;
}

/** Pauses in typing, in ms: after the first the text is kept in the browser, after the second it is sent. */
const KEEP_AFTER = 120;
const SEND_AFTER = 700;
/** Time between tries while the server does not answer, in ms. */
const TRY_AGAIN = 2_000;

type Timer = ReturnType<typeof setTimeout>;

interface Pending {
  doc: Node;
  keepTimer?: Timer;
  sendTimer?: Timer;
  /** The save that is under way. */
  sending: Promise<void> | null;
}

export function createSaver({ store, copies, notices, save }: SaverNeeds): Saver {
  const state = createStore<{ state: SaveState }>(() => ({ state: 'saved' }));
  const pending = new Map<string, Pending>();

  const storedChapter = (chapter: string) => store.getState().book?.chapters.find(({ id }) => id === chapter);

  const show = (now: SaveState) => {
    if (state.getState().state === now) return;
    state.setState({ state: now });
    if (now === 'saved') notices.announce('Saved');
    if (now === 'unreachable') notices.announce('Vennet does not answer. Your text is kept in this browser.');
  };

  const keep = (chapter: string) => {
    const job = pending.get(chapter);
    const stored = storedChapter(chapter);
    if (!job || !stored) return;
    const doc = job.doc.toJSON() as object;
    store.getState().setChapter({ ...stored, doc, title: titleOf(job.doc, stored.title) });
    copies.keep(chapter, { doc, version: stored.version, at: new Date().toISOString() }).catch(() =>
      notices.tell('This browser can’t keep a copy of your text. Leave the page only when it says “Saved”.', {
        tone: 'fault',
      }),
    );
  };

  const forget = (chapter: string) => {
    const job = pending.get(chapter);
    clearTimeout(job?.keepTimer);
    clearTimeout(job?.sendTimer);
    pending.delete(chapter);
    if (pending.size === 0) show('saved');
  };

  const sendIn = (time: number, chapter: string, job: Pending) => {
    clearTimeout(job.sendTimer);
    job.sendTimer = setTimeout(() => void send(chapter), time);
  };

  /** Saves a chapter; a save that is under way is waited for and not doubled. */
  const send = (chapter: string): Promise<void> => {
    const job = pending.get(chapter);
    if (!job) return Promise.resolve();
    job.sending ??= sendNow(chapter, job).finally(() => (job.sending = null));
    return job.sending;
  };

  const sendNow = async (chapter: string, job: Pending): Promise<void> => {
    const stored = storedChapter(chapter);
    if (!stored || store.getState().conflicts.has(chapter)) return;
    const { doc } = job;
    show('saving');
    try {
      const saved = await save(chapter, { version: stored.version, doc: doc.toJSON() as object });
      store.getState().setVersion(saved);
    } catch (error) {
      return met(error, chapter, job);
    }
    if (job.doc === doc) {
      forget(chapter);
      await copies.drop(chapter);
    } else {
      keep(chapter);
      sendIn(SEND_AFTER, chapter, job);
    }
  };

  const met = (error: unknown, chapter: string, job: Pending) => {
    if (error instanceof ApiError && error.problem.current) {
      const { current } = error.problem;
      const mine = job.doc.toJSON() as object;
      // The text was stored, and only the answer was lost.
      if (JSON.stringify(current.doc) === JSON.stringify(mine)) {
        store.getState().setChapter(current);
        forget(chapter);
        return void copies.drop(chapter);
      }
      store.getState().setConflict(chapter, { mine, theirs: current });
      return show('conflict');
    }
    if (error instanceof ApiError && error.problem.status < 500) {
      notices.tell(`${error.problem.detail} Your text is kept in this browser.`, { tone: 'fault' });
      return show('refused');
    }
    show('unreachable');
    sendIn(TRY_AGAIN, chapter, job);
  };

  return {
    state,
    forget,
    edited(chapter, doc) {
      const job: Pending = pending.get(chapter) ?? { doc, sending: null };
      job.doc = doc;
      pending.set(chapter, job);
      show('unsaved');
      clearTimeout(job.keepTimer);
      job.keepTimer = setTimeout(() => keep(chapter), KEEP_AFTER);
      sendIn(SEND_AFTER, chapter, job);
    },
    async saveAll() {
      leaveAll();
      for (const [chapter, job] of [...pending]) {
        await job.sending;
        clearTimeout(job.keepTimer);
        clearTimeout(job.sendTimer);
        keep(chapter);
        await send(chapter);
      }
    },
    keepLast() {
      for (const [chapter, { doc }] of pending) {
        const stored = storedChapter(chapter);
        if (!stored) continue;
        try {
          copies.keepNow(chapter, {
            doc: doc.toJSON() as object,
            version: stored.version,
            at: new Date().toISOString(),
          });
        } catch {
          // A very long chapter may not fit; then the copy of a moment ago has to do.
        }
      }
    },
  };
}

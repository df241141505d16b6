import type { Node } from 'prosemirror-model';
import { readChapter, titleOf } from '@vennet/core/manuscript';
import { create } from 'zustand';
import { api, ApiError } from '../api/client.js';
import { useBook } from './store.js';
import { dropCopy, keepCopy, keepCopyNow } from './local-copies.js';
import { useNotices } from '../parts/notices.js';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreachable' | 'conflict' | 'refused';

/** Pauses in typing, in ms: after the first the text is kept in the browser, after the second it is sent. */
const KEEP_AFTER = 120;
const SEND_AFTER = 700;
/** Time between tries while the server does not answer, in ms. */
const TRY_AGAIN = 2_000;

interface Pending {
  doc: Node;
  keepTimer?: number;
  sendTimer?: number;
  /** The save that is under way. */
  sending: Promise<void> | null;
}

export const useSaving = create<{ state: SaveState }>(() => ({ state: 'saved' }));

const pending = new Map<string, Pending>();
const storedChapter = (chapter: string) => useBook.getState().book?.chapters.find(({ id }) => id === chapter);
const show = (state: SaveState) => {
  if (useSaving.getState().state === state) return;
  useSaving.setState({ state });
  const { announce } = useNotices.getState();
  if (state === 'saved') announce('Saved');
  if (state === 'unreachable') announce('Vennet does not answer. Your text is kept in this browser.');
};

/** Takes note of a chapter's new text: keeps it in the browser, then saves it. Nothing is serialised while typing. */
export function edited(chapter: string, doc: Node): void {
  const job: Pending = pending.get(chapter) ?? { doc, sending: null };
  job.doc = doc;
  pending.set(chapter, job);
  show('unsaved');
  clearTimeout(job.keepTimer);
  job.keepTimer = window.setTimeout(() => keep(chapter), KEEP_AFTER);
  sendIn(SEND_AFTER, chapter, job);
}

function keep(chapter: string): void {
  const job = pending.get(chapter);
  const stored = storedChapter(chapter);
  if (!job || !stored) return;
  const doc = job.doc.toJSON() as object;
  useBook.getState().setChapter({ ...stored, doc, title: titleOf(job.doc, stored.title) });
  keepCopy(chapter, { doc, version: stored.version, at: new Date().toISOString() }).catch(() =>
    useNotices
      .getState()
      .tell('This browser can’t keep a copy of your text. Leave the page only when it says “Saved”.', {
        tone: 'fault',
      }),
  );
}

/** Saves a chapter; a save that is under way is waited for and not doubled. */
function send(chapter: string): Promise<void> {
  const job = pending.get(chapter);
  if (!job) return Promise.resolve();
  job.sending ??= sendNow(chapter, job).finally(() => (job.sending = null));
  return job.sending;
}

async function sendNow(chapter: string, job: Pending): Promise<void> {
  const stored = storedChapter(chapter);
  if (!stored || useBook.getState().conflicts.has(chapter)) return;
  const { doc } = job;
  show('saving');
  try {
    useBook.getState().setVersion(await api.saveChapter(chapter, stored.version, doc.toJSON()));
  } catch (error) {
    return met(error, chapter, job);
  }
  if (job.doc === doc) {
    forget(chapter);
    await dropCopy(chapter);
  } else {
    keep(chapter);
    sendIn(SEND_AFTER, chapter, job);
  }
}

function sendIn(time: number, chapter: string, job: Pending): void {
  clearTimeout(job.sendTimer);
  job.sendTimer = window.setTimeout(() => void send(chapter), time);
}

function met(error: unknown, chapter: string, job: Pending): void {
  if (error instanceof ApiError && error.problem.current) {
    // The text was stored, and only the answer was lost.
    if (JSON.stringify(error.problem.current.doc) === JSON.stringify(job.doc.toJSON())) {
      useBook.getState().setChapter(error.problem.current);
      forget(chapter);
      return void dropCopy(chapter);
    }
    useBook.getState().setConflict(chapter, { mine: job.doc.toJSON(), theirs: error.problem.current });
    return show('conflict');
  }
  if (error instanceof ApiError && error.problem.status < 500) {
    useNotices
      .getState()
      .tell(`${error.problem.detail} Your text is kept in this browser.`, { tone: 'fault' });
    return show('refused');
  }
  show('unreachable');
  sendIn(TRY_AGAIN, chapter, job);
}

/** Sends everything that waits, and waits for what is under way: afterwards the server has the newest text. */
export async function saveAll(): Promise<void> {
  for (const [chapter, job] of [...pending]) {
    await job.sending;
    clearTimeout(job.keepTimer);
    clearTimeout(job.sendTimer);
    keep(chapter);
    await send(chapter);
  }
}

/** Drops what waits for a chapter: its text was settled in another way. */
export function forget(chapter: string): void {
  const job = pending.get(chapter);
  clearTimeout(job?.keepTimer);
  clearTimeout(job?.sendTimer);
  pending.delete(chapter);
  if (pending.size === 0) show('saved');
}

useBook.subscribe(({ unsent, book }, before) => {
  if (unsent === before.unsent) return;
  for (const chapter of book?.chapters ?? [])
    if (unsent.includes(chapter.id)) edited(chapter.id, readChapter(chapter).doc);
});

/** What was typed in the last moment before the page goes away is kept too. */
function keepLast(): void {
  for (const [chapter, { doc }] of pending) {
    const stored = storedChapter(chapter);
    if (!stored) continue;
    try {
      keepCopyNow(chapter, { doc: doc.toJSON(), version: stored.version, at: new Date().toISOString() });
    } catch {
      // A very long chapter may not fit; then the copy of a moment ago has to do.
    }
  }
}

window.addEventListener('pagehide', keepLast);
document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'hidden') keepLast();
});

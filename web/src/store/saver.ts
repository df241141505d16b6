import type { Node } from 'prosemirror-model';
import { readChapter, titleOf } from '@vennet/core/manuscript';
import { create } from 'zustand';
import { api, ApiError } from '../api/client.js';
import { useBook } from './book.js';
import { dropCopy, keepCopy, keepCopyNow } from './local-copies.js';
import { useNotices } from './notices.js';

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
  sending: boolean;
}

export const useSaving = create<{ state: SaveState }>(() => ({ state: 'saved' }));

const pending = new Map<string, Pending>();
const show = (state: SaveState) => {
  if (useSaving.getState().state === state) return;
  useSaving.setState({ state });
  const { announce } = useNotices.getState();
  if (state === 'saved') announce('Saved');
  if (state === 'unreachable') announce('Vennet does not answer. Your text is kept in this browser.');
};

/** Takes note of a chapter's new text: keeps it in the browser, then saves it. Nothing is serialised while typing. */
export function edited(chapter: string, doc: Node): void {
  const job = pending.get(chapter) ?? { doc, sending: false };
  job.doc = doc;
  pending.set(chapter, job);
  show('unsaved');
  clearTimeout(job.keepTimer);
  clearTimeout(job.sendTimer);
  job.keepTimer = window.setTimeout(() => keep(chapter), KEEP_AFTER);
  job.sendTimer = window.setTimeout(() => void send(chapter), SEND_AFTER);
}

function keep(chapter: string): void {
  const job = pending.get(chapter);
  const stored = useBook.getState().book?.chapters.find(({ id }) => id === chapter);
  if (!job || !stored) return;
  const doc: unknown = job.doc.toJSON();
  useBook.getState().setChapter({ ...stored, doc, title: titleOf(job.doc, stored.title) });
  keepCopy(chapter, { doc, version: stored.version, at: new Date().toISOString() }).catch(() =>
    useNotices
      .getState()
      .tell('This browser can’t keep a copy of your text. Leave the page only when it says “Saved”.', {
        tone: 'fault',
      }),
  );
}

async function send(chapter: string): Promise<void> {
  const job = pending.get(chapter);
  const stored = useBook.getState().book?.chapters.find(({ id }) => id === chapter);
  if (!job || !stored || job.sending || useBook.getState().conflicts.has(chapter)) return;
  const { doc } = job;
  job.sending = true;
  show('saving');
  try {
    const saved = await api.saveChapter(chapter, stored.version, doc.toJSON());
    const now = useBook.getState().book?.chapters.find(({ id }) => id === chapter);
    if (now) useBook.getState().setChapter({ ...now, version: saved.version, title: saved.title });
    if (job.doc === doc) {
      pending.delete(chapter);
      await dropCopy(chapter);
      show('saved');
    } else void keepAndSendAgain(chapter, job);
  } catch (error) {
    job.sending = false;
    met(error, chapter, job);
  } finally {
    job.sending = false;
  }
}

function keepAndSendAgain(chapter: string, job: Pending): void {
  job.sending = false;
  keep(chapter);
  clearTimeout(job.sendTimer);
  job.sendTimer = window.setTimeout(() => void send(chapter), SEND_AFTER);
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
  clearTimeout(job.sendTimer);
  job.sendTimer = window.setTimeout(() => void send(chapter), TRY_AGAIN);
}

/** Sends everything that waits; for leaving the room where it was written. */
export async function saveAll(): Promise<void> {
  for (const [chapter, job] of pending) {
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
    const stored = useBook.getState().book?.chapters.find(({ id }) => id === chapter);
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

import { ApiError, type Vennet } from '@vennet/client';
import { readChapter, SCHEMA_VERSION, titleOf } from '@vennet/core/manuscript';
import { applySteps, rebase, stepsBetween, stepsFrom } from '@vennet/core/steps';
import type { StepsAnswer, StepsMade, VersionedChapter } from '@vennet/core/wire';
import { receiveTransaction, sendableSteps } from 'prosemirror-collab';
import { closeHistory, redo, undo, undoDepth } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import type { EditorState, Transaction } from 'prosemirror-state';
import type { Step } from 'prosemirror-transform';
import { createStore, type StoreApi } from 'zustand';
import type { NoticeStore } from '../parts/notices.js';
import type { Acts } from './acts.js';
import type { KeptSteps, StepsStore } from './kept-steps.js';
import { leaveAll } from './open-slips.js';
import type { OpenBookStore } from './store.js';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'unreachable' | 'conflict' | 'refused';

export interface TextsNeeds {
  store: OpenBookStore;
  kept: StepsStore;
  notices: Pick<NoticeStore, 'tell' | 'announce'>;
  api: Pick<Vennet, 'sendSteps' | 'stepsSince'>;
  /** What this window is called by the server and in the browser. */
  window: string;
  mint(): string;
  /** The state of the editor for a text, with `collab` of this window among its plugins. */
  makeState(chapter: string, doc: Node): EditorState;
  /** What was done in the texts, and in what order. */
  acts: Pick<Acts, 'did' | 'isBroken'>;
}

/**
 * The texts of the open book that were opened in this window, each with its own history. What is typed becomes steps that are kept
 * in the browser, sent after a pause, and moved over what other hands did in the meantime.
 */
export interface Texts {
  state: StoreApi<{ state: SaveState }>;
  /** The text of a chapter as it is here; made when it is first asked for. */
  stateOf(chapter: string): EditorState | null;
  /** Makes a change of this window. */
  apply(chapter: string, transaction: Transaction): EditorState;
  /** Is told of changes that come from elsewhere. */
  watch(changed: (chapter: string, state: EditorState) => void): () => void;
  /** Sends everything that waits, what is being filled in beside the text too: afterwards the server has the newest text. */
  saveAll(): Promise<void>;
  /** Gets what has come into a chapter up to a version. */
  catchUp(chapter: string, version: number): Promise<void>;
  /** Makes a text that was read anew agree with what is here; gives it as it is then. */
  merged(chapter: VersionedChapter): Promise<VersionedChapter>;
  /** Goes on with steps that a closed window has left behind. False where they can't be made any more. */
  adopt(steps: KeptSteps): Promise<boolean>;
  /** Takes back the last thing that was done in a text, or does it again; gives where, or `null` where there is none. */
  step(chapter: string, way: 'undo' | 'redo'): number | null;
  /** Puts another text in the place of a chapter's, as a change of this window. */
  replace(chapter: string, doc: Node): void;
  /** Lets go of a text: it is read anew when it is asked for again. */
  forget(chapter: string): void;
  /** Keeps what was typed in the last moment before the page goes away. */
  keepLast(): void;
}

/** Pauses in typing, in ms: after the first the text is kept in the browser, after the second it is sent. */
const KEEP_AFTER = 120;
const SEND_AFTER = 700;
/** Time between tries while the server does not answer, in ms. */
const TRY_AGAIN = 2_000;

interface Text {
  chapter: string;
  state: EditorState;
  /** The server's text that the state stands on: without the steps that still wait. */
  base: Node;
  version: number;
  batch: { id: string; size: number } | null;
  sending: Promise<void> | null;
  keepTimer?: ReturnType<typeof setTimeout>;
  sendTimer?: ReturnType<typeof setTimeout>;
  /** The server has refused its steps: it is not tried again by itself. */
  refused: boolean;
}

/** How many things undo could take back in a text. */
const depthOf = (state: EditorState): number => undoDepth(state) as number;

/** Whether a change is one of undo and redo themselves: `prosemirror-history` marks those. */
const isHistory = (transaction: Transaction): boolean => transaction.getMeta('history$') !== undefined;

/** A step that is of this window alone and never sent. */
const staysHere = (step: Step): boolean => 'staysHere' in step;

const unsentOf = ({ state }: Text): readonly Step[] => sendableSteps(state)?.steps ?? [];
const sentOf = (steps: readonly Step[]): object[] =>
  steps.filter((step) => !staysHere(step)).map((step) => step.toJSON() as object);

export function createTexts({ store, kept, notices, api, window, mint, makeState, acts }: TextsNeeds): Texts {
  const state = createStore<{ state: SaveState }>(() => ({ state: 'saved' }));
  const texts = new Map<string, Text>();
  const watchers = new Set<(chapter: string, state: EditorState) => void>();

  const storedChapter = (chapter: string) => store.getState().book?.chapters.find(({ id }) => id === chapter);
  const isWaiting = (text: Text) => unsentOf(text).some((step) => !staysHere(step));

  const show = (now: SaveState) => {
    if (state.getState().state === now) return;
    state.setState({ state: now });
    if (now === 'saved') notices.announce('Saved');
    if (now === 'unreachable') notices.announce('Vennet does not answer. Your text is kept in this browser.');
  };
  const showWhetherSaved = () => {
    if (![...texts.values()].some(isWaiting))
      show(store.getState().conflicts.size > 0 ? 'conflict' : 'saved');
  };

  const stateOf = (chapter: string): EditorState | null => {
    const known = texts.get(chapter);
    if (known) return known.state;
    const stored = storedChapter(chapter);
    if (!stored) return null;
    const made = makeState(chapter, readChapter(stored).doc);
    texts.set(chapter, {
      chapter,
      state: made,
      base: made.doc,
      version: stored.version,
      batch: null,
      sending: null,
      refused: false,
    });
    return made;
  };

  const recordOf = (text: Text): KeptSteps => {
    const { chapter, version, batch } = text;
    const unsent = unsentOf(text);
    return {
      window,
      chapter,
      version,
      schema: SCHEMA_VERSION,
      batch: batch && { id: batch.id, size: sentOf(unsent.slice(0, batch.size)).length },
      steps: sentOf(unsent),
      doc: text.state.doc.toJSON() as object,
      at: new Date().toISOString(),
    };
  };

  /** Hands a text on to what is computed of the book, and keeps in the browser what is still to be sent. */
  const keep = (text: Text) => {
    clearTimeout(text.keepTimer);
    const stored = storedChapter(text.chapter);
    const { doc } = text.state;
    if (stored)
      store.getState().setChapter({
        ...stored,
        version: text.version,
        doc: doc.toJSON() as object,
        title: titleOf(doc, stored.title),
      });
    const done = isWaiting(text) ? kept.keep(recordOf(text)) : kept.drop(window, text.chapter);
    done.catch(() =>
      notices.tell('This browser can’t keep a copy of your text. Leave the page only when it says “Saved”.', {
        tone: 'fault',
      }),
    );
  };

  const sendIn = (time: number, text: Text) => {
    clearTimeout(text.sendTimer);
    text.sendTimer = setTimeout(() => void send(text), time);
  };

  const confirm = (text: Text, version: number, size: number) => {
    const steps = unsentOf(text).slice(0, size);
    text.base = applySteps(text.base, steps).doc;
    text.state = text.state.apply(
      receiveTransaction(
        text.state,
        steps,
        steps.map(() => window),
      ),
    );
    text.version = version;
    text.batch = null;
  };

  /** Lets go of steps at the front that are never sent. */
  const confirmOwn = (text: Text) => {
    if (text.batch) return;
    const unsent = unsentOf(text);
    const first = unsent.findIndex((step) => !staysHere(step));
    const count = first < 0 ? unsent.length : first;
    if (count > 0) confirm(text, text.version, count);
  };

  /** Words that can't be put anywhere any more are shown, and can be copied. */
  const tellAstray = (words: readonly string[]) => {
    if (words.length === 0) return;
    notices.tell(`The place where you wrote is gone. These words were there: “${words.join(' … ')}”`, {
      tone: 'fault',
      action: { label: 'Copy them', run: () => void navigator.clipboard.writeText(words.join('\n')) },
    });
  };

  /** Takes in steps that other hands made. Own ones that find no place any more are told in words. */
  const takeIn = (text: Text, theirs: readonly Step[]) => {
    const own = unsentOf(text);
    text.base = applySteps(text.base, theirs).doc;
    if (own.length > 0) {
      const { astray, fits } = rebase(text.base, own, theirs);
      if (text.batch) text.batch.size = fits.slice(0, text.batch.size).filter(Boolean).length;
      if (text.batch?.size === 0) text.batch = null;
      tellAstray(astray);
    }
    text.state = text.state.apply(
      receiveTransaction(
        text.state,
        [...theirs],
        theirs.map(() => ''),
        { mapSelectionBackward: true },
      ),
    );
  };

  const receive = (text: Text, missed: readonly StepsMade[]) => {
    const { doc } = text.state;
    for (const { change, from, steps } of missed) {
      if (from < text.version) continue;
      if (change === text.batch?.id) confirm(text, from + steps.length, text.batch.size);
      else {
        takeIn(text, stepsFrom(steps));
        text.version = from + steps.length;
      }
    }
    if (text.state.doc === doc) return;
    keep(text);
    for (const changed of watchers) changed(text.chapter, text.state);
  };

  /** The server does not have the steps any more since the version that this text stands on: the two texts are compared. */
  const compare = (text: Text, current: VersionedChapter) => {
    const before = text.state.doc;
    text.batch = null;
    takeIn(text, stepsBetween(text.base, readChapter(current).doc).steps);
    text.version = current.version;
    if (text.state.doc === before) return;
    keep(text);
    for (const changed of watchers) changed(text.chapter, text.state);
  };

  const met = (text: Text, { missed, current }: StepsAnswer) => {
    if (current) compare(text, current);
    else receive(text, missed);
  };

  /** Sends what waits of a text; what is under way already is waited for and not doubled. */
  const send = (text: Text): Promise<void> => {
    clearTimeout(text.sendTimer);
    text.sending ??= sendNow(text).finally(() => (text.sending = null));
    return text.sending;
  };

  const sendNow = async (text: Text): Promise<void> => {
    confirmOwn(text);
    while (isWaiting(text)) {
      show('saving');
      const unsent = unsentOf(text);
      text.batch ??= { id: mint(), size: unsent.length };
      const { id: batch, size } = text.batch;
      keep(text);
      try {
        const answer = await api.sendSteps(text.chapter, {
          batch,
          window,
          version: text.version,
          schema: SCHEMA_VERSION,
          steps: sentOf(unsent.slice(0, size)),
        });
        if (answer.taken) {
          confirm(text, answer.version, size);
          confirmOwn(text);
          const stored = storedChapter(text.chapter);
          if (stored)
            store.getState().setVersion({ id: text.chapter, version: text.version, title: answer.title });
        } else met(text, answer);
      } catch (error) {
        return failed(error, text);
      }
    }
    await kept.drop(window, text.chapter);
    showWhetherSaved();
  };

  const failed = (error: unknown, text: Text) => {
    if (error instanceof ApiError && error.problem.status < 500 && error.problem.status !== 429) {
      text.refused = true;
      notices.tell(`${error.problem.detail} Your text is kept in this browser.`, { tone: 'fault' });
      return show('refused');
    }
    show('unreachable');
    sendIn(TRY_AGAIN, text);
  };

  const edited = (text: Text) => {
    show('unsaved');
    text.refused = false;
    clearTimeout(text.keepTimer);
    text.keepTimer = setTimeout(() => keep(text), KEEP_AFTER);
    sendIn(SEND_AFTER, text);
  };

  const apply = (chapter: string, transaction: Transaction): EditorState => {
    const text = texts.get(chapter);
    if (!text) throw new RangeError(`the text of ${chapter} is not open`);
    // What was done elsewhere in between stands between: undo takes back one after the other.
    if (transaction.docChanged && acts.isBroken(chapter))
      text.state = text.state.apply(closeHistory(text.state.tr));
    const { doc } = text.state;
    const depth = depthOf(text.state);
    text.state = text.state.apply(transaction);
    if (!isHistory(transaction) && depthOf(text.state) > depth) acts.did({ chapter });
    if (text.state.doc !== doc) edited(text);
    else confirmOwn(text);
    return text.state;
  };

  const opened = (chapter: string): Text | null => (stateOf(chapter) ? (texts.get(chapter) ?? null) : null);

  /** Makes steps in a text as a change of this window, seen or not. */
  const make = (text: Text, steps: readonly Step[]) => {
    if (steps.length === 0) return;
    const { tr } = text.state;
    for (const step of steps) tr.step(step);
    apply(text.chapter, tr);
    for (const changed of watchers) changed(text.chapter, text.state);
  };

  return {
    state,
    stateOf,
    apply,
    watch(changed) {
      watchers.add(changed);
      return () => watchers.delete(changed);
    },
    async saveAll() {
      leaveAll();
      for (const text of texts.values()) {
        await text.sending;
        if (text.keepTimer) keep(text);
        if (isWaiting(text) && !text.refused) await send(text);
      }
    },
    async catchUp(chapter, version) {
      const text = texts.get(chapter);
      if (!text) {
        const stored = storedChapter(chapter);
        if (!stored || stored.version >= version) return;
        const { current, missed, version: now } = await api.stepsSince(chapter, stored.version);
        const latest = storedChapter(chapter);
        if (texts.has(chapter) || latest?.version !== stored.version) return;
        const { doc } = applySteps(
          readChapter(stored).doc,
          missed.flatMap(({ steps }) => stepsFrom(steps)),
        );
        store.getState().setChapter(
          current ?? {
            ...stored,
            version: now,
            doc: doc.toJSON() as object,
            title: titleOf(doc, stored.title),
          },
        );
        return;
      }
      await text.sending;
      if (text.version >= version) return;
      met(text, await api.stepsSince(chapter, text.version));
    },
    async merged(chapter) {
      const text = texts.get(chapter.id);
      if (!text) return chapter;
      await text.sending;
      if (text.version < chapter.version) met(text, await api.stepsSince(chapter.id, text.version));
      const { doc } = text.state;
      return {
        ...chapter,
        version: text.version,
        doc: doc.toJSON() as object,
        title: titleOf(doc, chapter.title),
      };
    },
    async adopt({ chapter, version, schema, batch, steps }) {
      const text = opened(chapter);
      if (!text || schema !== SCHEMA_VERSION) return false;
      const inBatch = batch ? steps.slice(0, batch.size) : [];
      // Sent again under its own id, so that it is not made twice when it arrives late.
      const arrived =
        batch !== null &&
        (await api.sendSteps(chapter, { batch: batch.id, window, version, schema, steps: inBatch })).taken;
      const { missed, current } = await api.stepsSince(chapter, version);
      if (current) return false;
      await text.sending;
      receive(text, missed);
      const own = stepsFrom(arrived ? steps.slice(inBatch.length) : steps);
      const theirs = stepsFrom(
        missed.filter(({ change }) => change !== batch?.id).flatMap((one) => one.steps),
      );
      const { transform, astray } = rebase(text.base, own, theirs);
      const here = rebase(text.state.doc, transform.steps, unsentOf(text));
      make(text, here.transform.steps);
      await kept.keep(recordOf(text));
      tellAstray([...astray, ...here.astray]);
      return true;
    },
    step(chapter, way) {
      const text = opened(chapter);
      if (!text) return null;
      let at: number | null = null;
      (way === 'undo' ? undo : redo)(text.state, (transaction) => {
        apply(chapter, transaction);
        at = transaction.selection.from;
      });
      if (at !== null) for (const changed of watchers) changed(chapter, text.state);
      return at;
    },
    replace(chapter, doc) {
      const text = opened(chapter);
      if (text) make(text, stepsBetween(text.state.doc, doc).steps);
    },
    forget(chapter) {
      const text = texts.get(chapter);
      clearTimeout(text?.keepTimer);
      clearTimeout(text?.sendTimer);
      texts.delete(chapter);
      void kept.drop(window, chapter);
      showWhetherSaved();
    },
    keepLast() {
      for (const text of texts.values()) {
        if (!isWaiting(text)) continue;
        try {
          kept.keepNow(recordOf(text));
        } catch {
          // A very long chapter may not fit; then what was kept a moment ago has to do.
        }
      }
    },
  };
}

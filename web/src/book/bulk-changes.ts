import type { Vennet } from '@vennet/client';
import type { SectionMove } from '@vennet/core/edits';
import type { InsideRepairRequest, MentionsRequest, RepairDone, RepairRequest } from '@vennet/core/wire';
import type { NoticeStore } from '../parts/notices.js';
import type { Acts } from './acts.js';
import type { Opening } from './opening.js';
import type { Texts } from './texts.js';
import type { OpenBookStore } from './store.js';
import { message } from '@vennet/core/language';

export interface BulkNeeds {
  store: OpenBookStore;
  api: Pick<Vennet, 'repair' | 'repairInside' | 'moveSection' | 'linkMentions' | 'takeBack'>;
  texts: Pick<Texts, 'saveAll'>;
  notices: Pick<NoticeStore, 'tell'>;
  open: Opening;
  acts: Pick<Acts, 'did' | 'forget'>;
  fault(error: unknown): void;
}

/** Changes all over the open book, made at the server. Each offers to be taken back; each gives whether it was done. */
export interface BulkChanges {
  repair(request: RepairRequest): Promise<boolean>;
  /** Repairs a place, a note or a list. */
  repairInside(request: InsideRepairRequest): Promise<boolean>;
  moveSection(move: SectionMove): Promise<boolean>;
  /** Makes links of mentions. */
  linkMentions(request: MentionsRequest): Promise<boolean>;
  /** Takes a change back; gives the change that this is, or `null` where nothing came of it. */
  takeBack(change: string): Promise<string | null>;
}

export function createBulkChanges({ store, api, texts, notices, open, acts, fault }: BulkNeeds): BulkChanges {
  const inBook = async (
    change: (book: string) => Promise<RepairDone>,
    said: (changed: number) => string,
  ): Promise<boolean> => {
    const book = store.getState().book?.id;
    if (!book) return false;
    try {
      await texts.saveAll();
      const done = await change(book);
      await open(book);
      const { change: own } = done;
      if (own) acts.did({ change: own });
      notices.tell(
        said(done.changed),
        own ? { action: { label: 'Take it back', run: () => void fromNotice(own) } } : {},
      );
      return true;
    } catch (error) {
      fault(error);
      return false;
    }
  };

  const takeBack = async (change: string): Promise<string | null> => {
    const book = store.getState().book?.id;
    if (!book) return null;
    try {
      await texts.saveAll();
      const taken = await api.takeBack(book, change);
      await open(book);
      notices.tell(takenBack(taken.left), taken.left.length > 0 ? { tone: 'fault' } : {});
      return taken.change;
    } catch (error) {
      fault(error);
      return null;
    }
  };

  /** Undo does not come to it any more; what took it back is undone like anything else. */
  const fromNotice = async (change: string) => {
    acts.forget(change);
    const back = await takeBack(change);
    if (back) acts.did({ change: back });
  };

  return {
    repair: (request) =>
      inBook(
        (book) => api.repair(book, request),
        request.repair.type === 'make-note' ? notesWereMade : linksWere('changed'),
      ),
    repairInside: (request) =>
      inBook(
        (book) => api.repairInside(book, request),
        (changed) => (changed > 0 ? 'It is repaired.' : 'There was nothing to repair any more.'),
      ),
    moveSection: (move) =>
      inBook(
        (book) => api.moveSection(book, move),
        () => 'The section was moved.',
      ),
    linkMentions: (request) => inBook((book) => api.linkMentions(book, request), linksWere('made')),
    takeBack,
  };
}

const notesWereMade = (count: number): string =>
  message('{count, plural, one {One mark leads to a real note.} other {# marks lead to real notes.}}', {
    count,
  });

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

import type { Vennet } from '@vennet/client';
import type { SectionMove } from '@vennet/core/edits';
import type { InsideRepairRequest, MentionsRequest, RepairDone, RepairRequest } from '@vennet/core/wire';
import type { NoticeStore } from '../parts/notices.js';
import type { Opening } from './opening.js';
import type { Saver } from './saver.js';
import type { OpenBookStore } from './store.js';
import { message } from '@vennet/core/language';

export interface BulkNeeds {
  store: OpenBookStore;
  api: Pick<Vennet, 'repair' | 'repairInside' | 'moveSection' | 'linkMentions' | 'takeBack'>;
  saver: Pick<Saver, 'saveAll'>;
  notices: Pick<NoticeStore, 'tell'>;
  open: Opening;
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
  /** Takes the last of them back, while it is still the last. False when there is none. */
  takeBack(): boolean;
  canTakeBack(): boolean;
}

export function createBulkChanges({ store, api, saver, notices, open, fault }: BulkNeeds): BulkChanges {
  /** The last change all over the book, while undo takes it back. */
  let last: { book: string; change: string } | null = null;

  const inBook = async (
    change: (book: string) => Promise<RepairDone>,
    said: (changed: number) => string,
  ): Promise<boolean> => {
    const book = store.getState().book?.id;
    if (!book) return false;
    try {
      await saver.saveAll();
      const done = await change(book);
      await open(book);
      const own = done.change && { book, change: done.change };
      if (own) last = own;
      notices.tell(
        said(done.changed),
        own ? { action: { label: 'Take it back', run: () => void takeBack(own) } } : {},
      );
      return true;
    } catch (error) {
      fault(error);
      return false;
    }
  };

  const takeBack = async (own: { book: string; change: string }) => {
    if (last?.change === own.change) last = null;
    try {
      await saver.saveAll();
      const { left } = await api.takeBack(own.book, own.change);
      await open(own.book);
      notices.tell(takenBack(left), left.length > 0 ? { tone: 'fault' } : {});
    } catch (error) {
      fault(error);
    }
  };

  const canTakeBack = () => last !== null && last.book === store.getState().book?.id;

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
    canTakeBack,
    takeBack() {
      if (!last || !canTakeBack()) return false;
      void takeBack(last);
      return true;
    },
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

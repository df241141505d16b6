import { create } from 'zustand';

/** A short message at the foot of the window; with an action it can take something back. */
export interface Notice {
  id: number;
  words: string;
  tone: 'calm' | 'fault';
  action?: { label: string; run(): void };
}

export interface NoticeStore {
  notices: Notice[];
  /** What a screen reader is told, without anything being shown. */
  announced: string;
  tell(words: string, more?: Partial<Pick<Notice, 'tone' | 'action'>>): void;
  dismiss(id: number): void;
  dismissAll(): void;
  announce(words: string): void;
}

/** Time that a calm notice stays, in ms; one with an action stays longer, a fault until it is put away. */
const STAYS = 6_000;
const STAYS_WITH_ACTION = 20_000;
/** How many notices are kept at all. */
const MOST_KEPT = 50;
let last = 0;

export const useNotices = create<NoticeStore>((set, get) => ({
  notices: [],
  announced: '',
  tell(words, { tone = 'calm', action } = {}) {
    const id = ++last;
    set({ notices: [...get().notices, { id, words, tone, action }].slice(-MOST_KEPT) });
    if (tone === 'calm') setTimeout(() => get().dismiss(id), action ? STAYS_WITH_ACTION : STAYS);
  },
  dismiss: (id) => set({ notices: get().notices.filter((notice) => notice.id !== id) }),
  dismissAll: () => set({ notices: [] }),
  announce: (announced) => set({ announced }),
}));

/** Tells what went wrong, in the words of the error. */
export function tellFault(error: unknown): void {
  useNotices.getState().tell(error instanceof Error ? error.message : String(error), { tone: 'fault' });
}

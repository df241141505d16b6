import { del, entries, set } from 'idb-keyval';

/** Steps of one window over one chapter that the server has not acknowledged yet, kept in this browser. */
export interface KeptSteps {
  window: string;
  chapter: string;
  /** The version of the server's text that they stand on. */
  version: number;
  /** The version of the schema that they are made for. */
  schema: number;
  /** The batch that is on its way, and how many of the steps belong to it: nobody knows whether it has arrived. */
  batch: { id: string; size: number } | null;
  /** In JSON. */
  steps: object[];
  /** The text with them, for when they can't be made any more. */
  doc: object;
  /** ISO 8601. */
  at: string;
}

/** Where such steps are kept. */
export interface StepsStore {
  keep(steps: KeptSteps): Promise<void>;
  /** Keeps them at once: when a page goes away, only what is written synchronously is sure to be written. */
  keepNow(steps: KeptSteps): void;
  drop(window: string, chapter: string): Promise<void>;
  /**
   * Goes through the steps over these chapters that closed windows have left behind. Each is let go once `take` is done with it;
   * no two windows get the same.
   */
  takeLeft(chapters: readonly string[], take: (steps: KeptSteps) => Promise<void>): Promise<void>;
}

const PREFIX = 'steps:';
const LAST = 'vennet.steps:';
const nameOf = (window: string, chapter: string) => `${window}:${chapter}`;
const lockOf = (window: string) => `vennet-window:${window}`;

/** Says to other windows that this one is open, until it closes. */
export function holdWindow(window: string): void {
  void navigator.locks.request(lockOf(window), () => new Promise<void>(() => {}));
}

const isClosed = (window: string): Promise<boolean> =>
  navigator.locks.request(lockOf(window), { ifAvailable: true }, (lock) => lock !== null);

/** The steps kept in this browser: in IndexedDB, and the very last ones in its local storage. */
export const browserSteps: StepsStore = {
  keep: (steps) => set(PREFIX + nameOf(steps.window, steps.chapter), steps),
  keepNow: (steps) => localStorage.setItem(LAST + nameOf(steps.window, steps.chapter), JSON.stringify(steps)),
  drop(window, chapter) {
    localStorage.removeItem(LAST + nameOf(window, chapter));
    return del(PREFIX + nameOf(window, chapter));
  },
  async takeLeft(chapters, take) {
    await navigator.locks.request('vennet-adopting', async () => {
      for (const steps of await allKept()) {
        if (!chapters.includes(steps.chapter) || !(await isClosed(steps.window))) continue;
        await take(steps);
        await browserSteps.drop(steps.window, steps.chapter);
      }
    });
  },
};

/** Of two records of one window and chapter, the later one. */
async function allKept(): Promise<KeptSteps[]> {
  const kept = new Map<string, KeptSteps>();
  const stored = await entries<string, KeptSteps>().catch(() => []);
  for (const [name, steps] of stored) if (name.startsWith(PREFIX)) kept.set(name.slice(PREFIX.length), steps);
  for (const name of Object.keys(localStorage)) {
    if (!name.startsWith(LAST)) continue;
    const steps = JSON.parse(localStorage.getItem(name) ?? 'null') as KeptSteps | null;
    const own = name.slice(LAST.length);
    if (steps && steps.at >= (kept.get(own)?.at ?? '')) kept.set(own, steps);
  }
  return [...kept.values()];
}

/** Something that was done in this window: in the text of a chapter, or all over the book. */
type Act = InText | { change: string } | { together: readonly InText[] };
type InText = { chapter: string };

export interface ActsNeeds {
  /** Takes back, or does again, the last thing in the text of a chapter; gives where, or `null` where there is none. */
  inText(chapter: string, way: 'undo' | 'redo'): number | null;
  /** Takes a change back; gives the change that this is, or `null` where there was nothing to take back. */
  takeBack(change: string): Promise<string | null>;
  /** Brings the author to what has changed. */
  show(chapter: string, at: number): void;
}

/** What was done in this window, in the order in which it was done, whatever chapter it was in: that is the order of undo. */
export interface Acts {
  did(act: Act): void;
  /** What is done in texts until this ends is one thing: it is undone and done again at once. */
  together(make: () => void): void;
  /** Something is being done that will be told of when it is: undo and redo wait for it. */
  doing(work: Promise<unknown>): void;
  /** Forgets a change that was taken back in another way. */
  forget(change: string): void;
  /** True when something new of this chapter may not be joined to what was done in it before: there is something in between. */
  isBroken(chapter: string): boolean;
  undo(): boolean;
  redo(): boolean;
  canUndo(): boolean;
  canRedo(): boolean;
}

export function createActs({ inText, takeBack, show }: ActsNeeds): Acts {
  let done: Act[] = [];
  let undone: Act[] = [];
  let underWay: Promise<unknown> | null = null;

  const doing = (work: Promise<unknown>) => {
    const all: Promise<unknown> = Promise.allSettled([underWay, work]).then(() => {
      if (underWay === all) underWay = null;
    });
    underWay = all;
  };

  /** Steps through a list until something has happened; what is there no more is passed over. */
  const step = (way: 'undo' | 'redo'): boolean => {
    if (underWay) {
      void underWay.then(() => step(way));
      return true;
    }
    const [from, to] = way === 'undo' ? [done, undone] : [undone, done];
    for (let act = from.pop(); act; act = from.pop()) {
      if ('change' in act) {
        doing(takeBack(act.change).then((change) => change !== null && to.push({ change })));
        return true;
      }
      const parts = 'together' in act ? act.together : [act];
      const made = (way === 'undo' ? parts.toReversed() : parts).flatMap(({ chapter }) => {
        const at = inText(chapter, way);
        return at === null ? [] : [{ chapter, at }];
      });
      // The author is brought to what was done last: to what leads, and not to where it leads.
      const last = way === 'undo' ? made[0] : made.at(-1);
      if (!last) continue;
      to.push(act);
      show(last.chapter, last.at);
      return true;
    }
    return false;
  };

  return {
    did(act) {
      done.push(act);
      undone = [];
    },
    together(make) {
      const before = done;
      done = [];
      make();
      const made = done.filter((act) => 'chapter' in act);
      done = [...before, ...(made.length > 1 ? [{ together: made }] : done)];
    },
    forget(change) {
      done = done.filter((act) => !('change' in act) || act.change !== change);
    },
    isBroken(chapter) {
      const last = done.at(-1);
      return last !== undefined && !('chapter' in last && last.chapter === chapter);
    },
    doing,
    undo: () => step('undo'),
    redo: () => step('redo'),
    canUndo: () => done.length > 0 || underWay !== null,
    canRedo: () => undone.length > 0,
  };
}

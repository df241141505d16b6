/** Something that was done in this window: in the text of a chapter, or all over the book. */
type Act = { chapter: string } | { change: string };

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
      const at = inText(act.chapter, way);
      if (at === null) continue;
      to.push(act);
      show(act.chapter, at);
      return true;
    }
    return false;
  };

  return {
    did(act) {
      done.push(act);
      undone = [];
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

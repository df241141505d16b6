import { useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import { beingFilledIn } from '../book/open-slips.js';
import { createSlip, faultsOf, type SlipUse } from './slip-machine.js';
import { isChanged } from './slip-reducer.js';

/** A slip as its form works with it. */
export interface Slip<Values> {
  values: Values;
  isNew: boolean;
  /** The author has said something that is not in the text. */
  isChanged: boolean;
  /** The fields that can't be accepted as they are. */
  faults: readonly (keyof Values)[];
  /** Fields wait to be accepted. */
  change(more: Partial<Values>): void;
  /** A choice is kept at once. */
  choose(more: Partial<Values>): void;
  accept(more?: Partial<Values>): void;
  setBack(): void;
  leave(): void;
}

/** The slip of something for as long as it is shown; one that is taken away unasked is left, not lost. */
export function useSlip<Values extends object>(use: SlipUse<Values>): Slip<Values> {
  const [slip] = useState(() => createSlip(use));
  const state = useSyncExternalStore(slip.subscribe, slip.state);
  useLayoutEffect(() => slip.use(use));
  const shown = useRef(false);
  useLayoutEffect(() => {
    const leave = () => slip.act({ does: 'leave' });
    const filledIn = beingFilledIn(leave);
    shown.current = true;
    window.addEventListener('pagehide', leave, { capture: true });
    return () => {
      shown.current = false;
      filledIn();
      window.removeEventListener('pagehide', leave, { capture: true });
      // In development React takes every part away once and puts it back at once.
      queueMicrotask(() => shown.current || leave());
    };
  }, [slip]);
  const { draft, stored, isNew } = state;
  return {
    values: draft,
    isNew,
    isChanged: isChanged(state),
    faults: faultsOf(use)(draft, stored),
    change: (more) => slip.act({ does: 'change', more }),
    choose: (more) => slip.act({ does: 'choose', more }),
    accept: (more) => slip.act({ does: 'accept', more }),
    setBack: () => slip.act({ does: 'set-back' }),
    leave: () => slip.act({ does: 'leave' }),
  };
}

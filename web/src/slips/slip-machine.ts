import {
  slipReducer,
  type FaultsIn,
  type SlipAction,
  type SlipEffect,
  type SlipState,
} from './slip-reducer.js';

/** What a slip is for, and what it can do. */
export interface SlipUse<Values> {
  /** The values as the text has them; of something new, those to begin with. */
  stored: Values;
  /** It is not in the text yet. */
  isNew?: boolean;
  /** What was said of something new before it was put aside. */
  kept?: Values | null;
  faultsIn?: FaultsIn<Values>;
  /** Writes what differs from `before` into the text. */
  write(values: Values, before: Values): void;
  /** Puts something half-made aside. */
  keep?(values: Values): void;
  /** Lets something new go. */
  drop?(): void;
  close(): void;
  /** Gives the caret back to the text. */
  toText(): void;
  /** Brings the author to the first field that can't be accepted. */
  toFault?(fields: readonly (keyof Values)[]): void;
}

/** A slip at work: takes what happens, and does at once what follows from it. */
export interface SlipMachine<Values> {
  /** What the slip can do from now on, and what the text has now. */
  use(now: SlipUse<Values>): void;
  act(action: SlipAction<Values>): void;
  state(): SlipState<Values>;
  subscribe(changed: () => void): () => void;
}

const NO_FAULTS = (): [] => [];
export const faultsOf = <Values>({ faultsIn = NO_FAULTS }: SlipUse<Values>): FaultsIn<Values> => faultsIn;

export function createSlip<Values extends object>(first: SlipUse<Values>): SlipMachine<Values> {
  let used = first;
  let state: SlipState<Values> = {
    stored: first.stored,
    draft: first.kept ?? first.stored,
    isNew: first.isNew ?? false,
    isSettled: false,
  };
  const heard = new Set<() => void>();

  const does = (effect: SlipEffect<Values>) => {
    if (effect === 'drop') used.drop?.();
    else if (effect === 'close') used.close();
    else if (effect === 'to-text') used.toText();
    else if ('write' in effect) used.write(effect.write, effect.before);
    else if ('keep' in effect) used.keep?.(effect.keep);
    else used.toFault?.(effect.faults);
  };
  const act = (action: SlipAction<Values>) => {
    const step = slipReducer(faultsOf(used), state, action);
    if (step.state !== state) {
      state = step.state;
      for (const changed of heard) changed();
    }
    step.effects.forEach(does);
  };
  return {
    act,
    use(now) {
      const { stored } = used;
      used = now;
      // The slip is ahead of the text that was drawn last: only what is new in that is followed.
      if (!state.isNew && JSON.stringify(stored) !== JSON.stringify(now.stored))
        act({ does: 'follow', stored: now.stored });
    },
    state: () => state,
    subscribe(changed) {
      heard.add(changed);
      return () => heard.delete(changed);
    },
  };
}

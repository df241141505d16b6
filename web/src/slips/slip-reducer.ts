/** How one slip stands: what the text has, and what its author has said so far. */
export interface SlipState<Values> {
  /** The values in the text; of something new, those that its slip began with. */
  stored: Values;
  draft: Values;
  /** It is not in the text yet. */
  isNew: boolean;
  /** It was made, or let go: what comes after is not for this slip any more. */
  isSettled: boolean;
}

/** What happens to a slip. */
export type SlipAction<Values> =
  /** The author changes fields; they wait to be accepted. */
  | { does: 'change'; more: Partial<Values> }
  /** The author picks something that is kept at once: a choice, a repair. Of something new it waits like a change. */
  | { does: 'choose'; more: Partial<Values> }
  /** One button, one key. `more` comes with it: a suggestion that is taken and accepted in one press. */
  | { does: 'accept'; more?: Partial<Values> }
  | { does: 'set-back' }
  /** The author goes on elsewhere. */
  | { does: 'leave' }
  /** The text has changed around the slip: by undo, by a repair, from elsewhere. */
  | { does: 'follow'; stored: Values };

/** What has to be done about it, in this order. */
export type SlipEffect<Values> =
  /** Writes the values into the text. */
  | { write: Values; before: Values }
  /** Puts something half-made aside. */
  | { keep: Values }
  /** Lets something new go. */
  | 'drop'
  | 'close'
  | 'to-text'
  /** Brings the author to what can't be accepted. */
  | { faults: readonly (keyof Values)[] };

/** What can't be accepted of the values of a slip, by fields. */
export type FaultsIn<Values> = (values: Values, stored: Values) => readonly (keyof Values)[];

export interface SlipStep<Values> {
  state: SlipState<Values>;
  effects: readonly SlipEffect<Values>[];
}

/** What a slip is and what is to be done, after something has happened to it. One behaviour for every kind of slip. */
export function slipReducer<Values extends object>(
  faultsIn: FaultsIn<Values>,
  state: SlipState<Values>,
  action: SlipAction<Values>,
): SlipStep<Values> {
  const { stored, draft, isNew, isSettled } = state;
  if (isSettled) return { state, effects: [] };
  switch (action.does) {
    case 'change':
      return { state: { ...state, draft: { ...draft, ...action.more } }, effects: [] };
    case 'choose': {
      const chosen = { ...draft, ...action.more };
      if (isNew) return { state: { ...state, draft: chosen }, effects: [] };
      return written({ ...state, draft: chosen }, { ...stored, ...action.more });
    }
    case 'accept': {
      const said = { ...draft, ...action.more };
      const faults = faultsIn(said, stored);
      const now = { ...state, draft: said };
      if (faults.length > 0) return { state: now, effects: [{ faults }] };
      return andThen(written(now, said), 'to-text');
    }
    case 'set-back': {
      const now = { ...state, draft: stored, isSettled: isNew };
      return { state: now, effects: [isNew ? 'drop' : 'close', 'to-text'] };
    }
    case 'leave': {
      const faults = faultsIn(draft, stored);
      if (!isNew) {
        const valid = withFields(draft, stored, faults);
        return written({ ...state, draft: valid }, valid);
      }
      const now = { ...state, isSettled: true };
      if (isSame(draft, stored)) return { state: now, effects: ['drop'] };
      return faults.length > 0 ? { state: now, effects: [{ keep: draft }] } : written(state, draft);
    }
    case 'follow':
      return {
        state: { ...state, stored: action.stored, draft: merged(draft, stored, action.stored) },
        effects: [],
      };
  }
}

/** Whether the author has said anything that is not in the text. */
export const isChanged = <Values>({ draft, stored }: SlipState<Values>): boolean => !isSame(draft, stored);

function written<Values>(state: SlipState<Values>, values: Values): SlipStep<Values> {
  const { stored: before, isNew } = state;
  const now = { ...state, stored: values, isSettled: isNew };
  if (!isNew && isSame(values, before)) return { state: now, effects: [] };
  return { state: now, effects: [{ write: values, before }] };
}

const andThen = <Values>(step: SlipStep<Values>, effect: SlipEffect<Values>): SlipStep<Values> => ({
  ...step,
  effects: [...step.effects, effect],
});

function withFields<Values extends object>(
  values: Values,
  from: Values,
  fields: readonly (keyof Values)[],
): Values {
  return { ...values, ...Object.fromEntries(fields.map((field) => [field, from[field]])) };
}

/** Fields that the author has changed stay as they are; the others follow the text. */
function merged<Values extends object>(draft: Values, before: Values, now: Values): Values {
  const own = (Object.keys(draft) as (keyof Values)[]).filter(
    (field) => !isSame(draft[field], before[field]),
  );
  return withFields(now, draft, own);
}

/** Values of slips are data. */
const isSame = (one: unknown, other: unknown): boolean => JSON.stringify(one) === JSON.stringify(other);

import { Step, StepMap, StepResult, type Mappable } from 'prosemirror-transform';
import { PluginKey, type EditorState, type Transaction } from 'prosemirror-state';
import type { Node } from 'prosemirror-model';

/** Something that is about to be made at words or at a picture: what the open slip is for while there is no link yet. */
export interface Draft {
  id: string;
  from: number;
  to: number;
  what: 'link' | 'bookmark' | 'area';
  /** What its author has said of it so far: the values of its slip. `null` while that is nothing. */
  values: object | null;
}

/**
 * A step that leaves the text as it is: it puts a half-made draft aside, or takes it up again. So undo and redo know of it,
 * and its place moves along with the words.
 */
export class DraftStep extends Step {
  /** It is of this window alone: it is never sent. */
  readonly staysHere = true;

  constructor(
    readonly draft: Draft,
    readonly isKept: boolean,
  ) {
    super();
  }

  apply(doc: Node): StepResult {
    return StepResult.ok(doc);
  }

  override getMap(): StepMap {
    return StepMap.empty;
  }

  invert(): DraftStep {
    return new DraftStep(this.draft, !this.isKept);
  }

  map(mapping: Mappable): DraftStep {
    return new DraftStep(movedDraft(this.draft, mapping), this.isKept);
  }

  toJSON() {
    return { stepType: 'draft', draft: this.draft, isKept: this.isKept };
  }

  static override fromJSON(_schema: unknown, json: { draft: Draft; isKept: boolean }): DraftStep {
    return new DraftStep(json.draft, json.isKept);
  }
}

Step.jsonID('draft', DraftStep);

/** A draft where its words have come to stand. */
export function movedDraft(draft: Draft, mapping: Mappable): Draft {
  const from = mapping.map(draft.from, 1);
  return { ...draft, from, to: Math.max(from, mapping.map(draft.to, -1)) };
}

export const keptKey = new PluginKey<readonly Draft[]>('kept drafts');

/** The drafts of a chapter that were left half-made, in no order. */
export const keptIn = (state: EditorState): readonly Draft[] => keptKey.getState(state) ?? NONE;
const NONE: readonly Draft[] = [];

/** Puts a draft aside: it stays as a closed slip in the margin. */
export const keepDraft = (transaction: Transaction, draft: Draft): Transaction =>
  transaction.step(new DraftStep(draft, true));

/** Takes a draft that was put aside away from there: it is worked on again, or let go. */
export const takeUpDraft = (transaction: Transaction, draft: Draft): Transaction =>
  transaction.step(new DraftStep(draft, false));

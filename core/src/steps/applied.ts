import type { Node } from 'prosemirror-model';
import { Step } from 'prosemirror-transform';
import { schema } from '../manuscript/index.js';

/** Steps that were made over a text, with what takes each back: `inverses[i]` over the text after `steps[i]`. */
export interface AppliedSteps {
  doc: Node;
  steps: Step[];
  inverses: Step[];
}

/** Steps that can't be made: `index` is that of the first one that does not fit. */
export class StepsRefused extends Error {
  constructor(
    readonly index: number,
    readonly why: string,
  ) {
    super(`step ${index}: ${why}`);
  }
}

/** Steps out of their JSON. @throws StepsRefused where one is none */
export function stepsFrom(json: readonly unknown[]): Step[] {
  return json.map((one, index) => {
    try {
      return Step.fromJSON(schema, one);
    } catch (error) {
      throw new StepsRefused(index, (error as Error).message);
    }
  });
}

/** Makes steps over a text, one after the other. @throws StepsRefused where one does not fit */
export function applySteps(doc: Node, steps: readonly Step[]): AppliedSteps {
  const inverses: Step[] = [];
  let now = doc;
  steps.forEach((step, index) => {
    const result = resultOf(step, now);
    if (!result.doc) throw new StepsRefused(index, result.failed ?? 'it does not fit');
    inverses.push(step.invert(now));
    now = result.doc;
  });
  return { doc: now, steps: [...steps], inverses };
}

/** What a step makes of a text. Positions beyond the text make some kinds of steps throw instead of failing. */
export function resultOf(step: Step, doc: Node): { doc: Node | null; failed: string | null } {
  try {
    return step.apply(doc);
  } catch (error) {
    return { doc: null, failed: (error as Error).message };
  }
}

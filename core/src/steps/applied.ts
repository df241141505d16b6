import type { Node } from 'prosemirror-model';
import { Step, Transform } from 'prosemirror-transform';
import { schema } from '../manuscript/index.js';

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
export function applySteps(doc: Node, steps: readonly Step[]): Transform {
  const transform = new Transform(doc);
  steps.forEach((step, index) => {
    try {
      transform.step(step);
    } catch (error) {
      throw new StepsRefused(index, (error as Error).message);
    }
  });
  return transform;
}

/** What a step makes of a text. Positions beyond the text make some kinds of steps throw instead of failing. */
export function resultOf(step: Step, doc: Node): { doc: Node | null; failed: string | null } {
  try {
    return step.apply(doc);
  } catch (error) {
    return { doc: null, failed: (error as Error).message };
  }
}

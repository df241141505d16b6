import type { Node } from 'prosemirror-model';
import { ReplaceStep, Transform } from 'prosemirror-transform';

/**
 * The change that makes one text out of another, as steps: none where they are the same. What the two begin and end with
 * stays as it is, so that whoever has written there keeps it.
 */
export function stepsBetween(before: Node, after: Node): Transform {
  const transform = new Transform(before);
  const start = before.content.findDiffStart(after.content);
  const end = start === null ? null : before.content.findDiffEnd(after.content);
  if (start === null || !end) return transform;
  // Where the same signs could stand at the start or at the end, they count for the start.
  const overlap = Math.max(0, start - Math.min(end.a, end.b));
  const [to, until] = [end.a + overlap, end.b + overlap];
  const small = new ReplaceStep(start, to, after.slice(start, until));
  const made = transform.maybeStep(small);
  if (made.failed || !transform.doc.eq(after)) {
    const whole = new Transform(before);
    return whole.step(new ReplaceStep(0, before.content.size, after.slice(0, after.content.size)));
  }
  return transform;
}

import { Fragment, type Node } from 'prosemirror-model';

/** A text with the very same blocks as an earlier one wherever they are equal: what was computed of those still holds. */
export function sharedWith(before: Node, now: Node): Node {
  if (before === now || before.eq(now)) return before;
  const children: Node[] = [...now.children];
  let start = 0;
  while (start < children.length && start < before.childCount && before.child(start).eq(children[start]!)) {
    children[start] = before.child(start);
    start++;
  }
  let end = 0;
  while (end < children.length - start && end < before.childCount - start) {
    const [old, fresh] = [before.child(before.childCount - 1 - end), children[children.length - 1 - end]!];
    if (!old.eq(fresh)) break;
    children[children.length - 1 - end] = old;
    end++;
  }
  return now.copy(Fragment.fromArray(children));
}

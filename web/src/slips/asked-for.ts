/** How often a slip was asked for when one last took the focus. */
let answered = 0;

/** True for the first slip that is drawn after one was asked for by key or button: the focus is to come into it. */
export function isAskedFor(asked: number): boolean {
  const is = asked > answered;
  answered = asked;
  return is;
}

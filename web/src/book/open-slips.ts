/** What is being filled in beside the text: each is left, and so kept, before the text is sent whole. */
const open = new Set<() => void>();

/** Notes something that is being filled in; what comes back says that it is not any more. */
export function beingFilledIn(leave: () => void): () => void {
  open.add(leave);
  return () => open.delete(leave);
}

export function leaveAll(): void {
  for (const leave of [...open]) leave();
}

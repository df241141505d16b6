import { existsSync } from 'node:fs';
import type { Response } from 'express';
import { ProblemError } from './problem.js';

/** What is said of a file whose bytes are not where they were kept. `again` says how it comes back. */
export const lostFile = (name: string, again: string) =>
  new ProblemError(410, 'The file is lost', `“${name}” is lost from the store. ${again}`);

/** Sends a file that was kept; the sender may go away before it has all of it. @throws ProblemError when it is lost */
export async function sendStored(
  response: Response,
  path: string,
  { name, again, ...options }: { name: string; again: string; lastModified?: boolean },
): Promise<void> {
  if (!existsSync(path)) throw lostFile(name, again);
  await new Promise<void>((sent) => response.sendFile(path, { dotfiles: 'allow', ...options }, () => sent()));
}

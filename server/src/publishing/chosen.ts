import type { ExportChoices } from '@vennet/core/wire';
import { ProblemError } from '../platform/problem.js';

/** What was left out of a request may be there without a value. */
export const withValues = <Choices extends object>(choices: Choices): Partial<Choices> =>
  Object.fromEntries(Object.entries(choices).filter(([, value]) => value !== undefined)) as Partial<Choices>;

/** Refuses a choice that a form has no use for. @param words for the author, about the first one @throws ProblemError */
export function refuseStrange(
  more: ExportChoices,
  isKnown: (name: string, value: unknown) => boolean,
  words: (name: string) => string,
): void {
  const strange = Object.entries(withValues(more)).find(([name, value]) => !isKnown(name, value));
  if (strange) throw new ProblemError(422, 'No such choice', words(strange[0]));
}

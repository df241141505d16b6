import { recognise } from '@vennet/core/destination';
import { ProblemError } from './problem.js';

/** A web address as it was typed into a field, serialised; empty takes it away. @throws ProblemError */
export function publicAddress(typed: string): string | null {
  if (typed.trim() === '') return null;
  const recognition = recognise(typed);
  if (recognition.ok && recognition.destination.kind === 'web') return recognition.destination.href;
  const why = recognition.ok ? 'An email address is no place to get a file from.' : recognition.reason;
  throw new ProblemError(422, 'Not a public address', `${why} Nothing was changed.`, { path: 'address' });
}

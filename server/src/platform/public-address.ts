import { pageAddress, recognise } from '@vennet/core/destination';
import { ProblemError } from './problem.js';

/** A web address as it was typed into a field, serialised; empty takes it away. @throws ProblemError */
export function publicAddress(typed: string): string | null {
  if (typed.trim() === '') return null;
  const recognition = recognise(typed);
  const address = recognition.ok ? pageAddress(recognition.destination) : null;
  if (address !== null) return address;
  const why = recognition.ok ? 'No file can be got from there.' : recognition.reason;
  throw new ProblemError(422, 'Not a public address', `${why} Nothing was changed.`, { path: 'address' });
}

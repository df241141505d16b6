import type { Destination } from '../destination/index.js';
import type { Verdict } from './verdict.js';

/** The verdict on a destination that needs no network: a place of the book is there or it is not. */
export function verdictInside(destination: Destination, isPlace: (id: string) => boolean): Verdict | null {
  if (destination.kind !== 'place') return null;
  return isPlace(destination.place)
    ? { verdict: 'sound', reason: 'The place is in this book.' }
    : { verdict: 'broken', reason: 'The place it led to is not in this book.' };
}

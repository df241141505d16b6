import { isThere } from '../editor/changes/name-spot.js';
import { readEntry, spotIn, type DestinationEntry } from './destination-entry.js';

/** Whether a link can be made of an entry: it has a destination, and a spot that is to be named is still in the text. */
export function canLead(entry: DestinationEntry): boolean {
  const spot = spotIn(entry);
  return readEntry(entry).destination !== null && (spot === null || isThere(spot));
}

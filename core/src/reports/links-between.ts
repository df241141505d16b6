import type { ProofRow } from '../readback/index.js';

/** A link that is otherwise in one of two made files than in the other. */
export interface LinkBetween {
  what: 'gone' | 'new' | 'changed';
  /** As it is in the older file, and in the newer one; `null` where it is not there. */
  older: ProofRow | null;
  newer: ProofRow | null;
}

const isThere = (row: ProofRow | undefined): row is ProofRow => row !== undefined && row.state !== 'lost';
/** What a reader has of a link. */
const read = ({ foundHref, foundText, note }: ProofRow) => [foundHref, foundText, note].join('\n');

/** What became of the links from one made file to another: those that are gone, new and changed, in this order. */
export function linksBetween(older: readonly ProofRow[], newer: readonly ProofRow[]): LinkBetween[] {
  const before = new Map(older.map((row) => [row.id, row]));
  const after = new Map(newer.map((row) => [row.id, row]));
  const gone = older.filter((row) => isThere(row) && !isThere(after.get(row.id)));
  const fresh = newer.filter((row) => isThere(row) && !isThere(before.get(row.id)));
  const changed = newer.flatMap((row): LinkBetween[] => {
    const was = before.get(row.id);
    return isThere(row) && isThere(was) && read(was) !== read(row)
      ? [{ what: 'changed', older: was, newer: row }]
      : [];
  });
  return [
    ...gone.map((row): LinkBetween => ({ what: 'gone', older: row, newer: null })),
    ...fresh.map((row): LinkBetween => ({ what: 'new', older: null, newer: row })),
    ...changed,
  ];
}

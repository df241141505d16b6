import { CONTAINERS, faultInBounds } from '@vennet/core/manuscript';
import type { ResolvedPos } from 'prosemirror-model';
import { Plugin, type Transaction } from 'prosemirror-state';
import { useNotices } from '../../parts/notices.js';

/** A change of more than this is looked at together with all the rest, in positions of the text. */
const LARGE = 1_000;

/** Refuses what would make a chapter hold more than it can be saved with, and says so. */
export function withinBounds(): Plugin {
  return new Plugin({
    filterTransaction(transaction, { doc }) {
      // What other hands have written is there already.
      if (!transaction.docChanged || transaction.getMeta('rebased') !== undefined) return true;
      const fault = faultOf(transaction);
      // A text from before a bound was drawn can still be written on.
      if (fault === null || faultInBounds(doc)) return true;
      useNotices
        .getState()
        .tell(`This can’t be put here: ${fault}. The text is as it was.`, { tone: 'fault' });
      return false;
    },
  });
}

function faultOf({ doc, mapping }: Transaction): string | null {
  let from = doc.content.size;
  let to = 0;
  mapping.maps.forEach((map, index) =>
    map.forEach((_oldFrom, _oldTo, start, end) => {
      const rest = mapping.slice(index + 1);
      from = Math.min(from, rest.map(start, -1));
      to = Math.max(to, rest.map(end, 1));
    }),
  );
  if (to - from > LARGE) return faultInBounds(doc)?.message ?? null;
  let fault: string | null = null;
  doc.nodesBetween(Math.min(from, to), to, (node, position) => {
    if (node.isTextblock) fault ??= faultInBounds(node, containersAt(doc.resolve(position)))?.message ?? null;
    return fault === null;
  });
  return fault;
}

/** How many lists, quotations and tables a position stands in. */
const containersAt = (place: ResolvedPos): number =>
  Array.from({ length: place.depth + 1 }, (_, depth) => place.node(depth).type.name).filter((name) =>
    CONTAINERS.has(name),
  ).length;

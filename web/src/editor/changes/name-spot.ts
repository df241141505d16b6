import {
  attrsOf,
  flatText,
  idFromWords,
  idOf,
  itemNumber,
  OBJECT,
  pagesOf,
  schema,
  setSpots,
} from '@vennet/core/manuscript';
import type { UnnamedSpot } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import type { Transaction } from 'prosemirror-state';
import { openBook } from '../../book/open-book.js';
import { knowPlace } from '../../book/known-place.js';
import { mint } from '../state/mint.js';
import type { PageToName, SpotToName } from '../state/pointing.js';
import { useEditor } from '../state/store.js';
import { takenIds } from '../state/taken-ids.js';

/** The spot with the id that it is to have. */
export const spotToName = (spot: UnnamedSpot): SpotToName => ({
  ...spot,
  id: spot.item === '' ? idFromWords(spot.words, takenIds()) : mint(),
});

/** Where a spot is now, by its words; the text may have changed since it was found. `null` when it is gone. */
function spanNow(doc: Node, { from, to, words, item }: UnnamedSpot): { from: number; to: number } | null {
  const isIt = (start: number, end: number) =>
    end <= doc.content.size && flatText(doc, start, end).replaceAll(OBJECT, '').trim().startsWith(said);
  const said = words.replace(/…$/, '');
  let nearest: { from: number; to: number } | null = null;
  const offer = (start: number, end: number) => {
    if (nearest === null || Math.abs(start - from) < Math.abs(nearest.from - from))
      nearest = { from: start, to: end };
  };
  if (item === '') {
    if (isIt(from, to)) return { from, to };
    doc.descendants((node, at) => {
      if (!node.isText) return true;
      const start = node.text?.indexOf(words) ?? -1;
      if (start >= 0) offer(at + start, at + start + words.length);
      return false;
    });
    return nearest;
  }
  doc.descendants((node, at, parent, index) => {
    if (itemNumber(parent, index) !== '' && idOf(node) === null && isIt(at, at + node.nodeSize))
      offer(at, at + node.nodeSize);
    return !node.isTextblock;
  });
  return nearest;
}

/** Whether a spot can still be led to. */
export function isThere(spot: SpotToName): boolean {
  if (spot.onPage) return true;
  const doc = openBook().texts.stateOf(spot.chapter)?.doc;
  return doc !== undefined && spanNow(doc, spot) !== null;
}

/** Names a spot and makes what leads to it, as one thing that is undone at once. */
export function withSpot(spot: SpotToName | null, make: () => void): void {
  if (!spot) return make();
  openBook().acts.together(() => {
    nameSpot(spot);
    make();
  });
}

function nameSpot(spot: SpotToName): void {
  const { texts } = openBook();
  const { view, chapter } = useEditor.getState();
  const open = view && chapter === spot.chapter ? view : null;
  const state = open?.state ?? texts.stateOf(spot.chapter);
  if (!state) return;
  const span = spot.onPage ? pageNow(state.doc, spot.onPage.page) : spanNow(state.doc, spot);
  if (!span) return;
  const transaction = spot.onPage
    ? onPage(closeHistory(state.tr), spot.onPage, span.from)
    : named(closeHistory(state.tr), spot, span);
  if (open) open.dispatch(transaction);
  else texts.apply(spot.chapter, transaction);
  const { id, chapter: own, words, item } = spot;
  knowPlace({ id, kind: item === '' ? 'bookmark' : 'item', words, chapter: own, number: item }, span.from);
}

/** Where a page stands. */
function pageNow(doc: Node, page: string): { from: number; to: number } | null {
  const found = pagesOf(doc).find(({ node }) => idOf(node) === page);
  return found ? { from: found.at, to: found.at + 1 } : null;
}

function onPage(transaction: Transaction, { spot }: PageToName, at: number): Transaction {
  const page = transaction.doc.nodeAt(at);
  if (page) setSpots(transaction, at, [...attrsOf.page(page).spots, spot]);
  return transaction;
}

function named(
  transaction: Transaction,
  { id, words, item }: SpotToName,
  { from, to }: { from: number; to: number },
): Transaction {
  return item === ''
    ? transaction.addMark(from, to, schema.marks.bookmark.create({ id, name: words }))
    : transaction.setNodeAttribute(from, 'id', id);
}

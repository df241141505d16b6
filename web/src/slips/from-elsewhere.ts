import type { Link } from '@vennet/core/manuscript';
import { applyRepair } from '@vennet/core/repair';
import { closeHistory } from 'prosemirror-history';
import { openBook } from '../book/open-book.js';
import { withSpot } from '../editor/changes/name-spot.js';
import { goToDraft, goToUse } from '../editor/going/visited.js';
import { keepDraft, keptIn, takeUpDraft, type Draft } from '../editor/state/kept-drafts.js';
import { linksIn } from '../editor/state/links.js';
import { readEntry, spotIn, type DestinationEntry } from '../leads-to/destination-entry.js';

/** A new link whose destination was pointed at in another chapter: its author comes back to its slip. */
export function takeUpFromElsewhere(chapter: string, draft: Draft, values: object): void {
  const { texts } = openBook();
  const state = texts.stateOf(chapter);
  if (!state) return;
  const transaction = closeHistory(state.tr);
  const kept = keptIn(state).find(({ id }) => id === draft.id);
  if (kept) takeUpDraft(transaction, kept);
  const { id, from, to } = kept ?? draft;
  texts.apply(chapter, keepDraft(transaction, { id, what: 'link', from, to, values }));
  goToDraft(chapter, id);
}

/** A link whose new destination was pointed at in another chapter leads there at once, and its author comes back to it. */
export function leadFromElsewhere(chapter: string, { id }: Link, entry: DestinationEntry): void {
  const { texts } = openBook();
  const { destination } = readEntry(entry);
  if (!destination) return;
  withSpot(spotIn(entry), () => {
    const state = texts.stateOf(chapter);
    const link = state && linksIn(state.doc, chapter).find((one) => one.id === id);
    if (!link) return;
    const transaction = closeHistory(state.tr);
    applyRepair(transaction, link, { type: 'destination', destination });
    texts.apply(chapter, transaction);
  });
  goToUse({ id, chapter });
}

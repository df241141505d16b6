import { flatText } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import { Plugin, Selection, type Transaction } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { DraftStep, keptIn, keptKey, movedDraft, type Draft } from '../state/kept-drafts.js';

/** A draft with its words, by which it is found again in a text that was changed elsewhere. */
type Stored = Draft & { words: string };

const keyOf = (chapter: string) => `vennet.drafts:${chapter}`;

/** Keeps half-made drafts of a chapter: through every change of the text, its being left, and the closing of the page. */
export function keptDrafts(chapter: string): Plugin {
  return new Plugin<readonly Draft[]>({
    key: keptKey,
    state: {
      init: (_config, { doc }) => storedFor(chapter).map((stored) => foundAgain(stored, doc)),
      apply: (transaction, kept) => (transaction.steps.length > 0 ? after(kept, transaction) : kept),
    },
    props: {
      decorations(state) {
        const words = keptIn(state).filter(({ what }) => what !== 'area');
        return DecorationSet.create(
          state.doc,
          words.map(({ from, to }) => Decoration.inline(from, to, { class: 'is-kept' })),
        );
      },
    },
    view: () => ({
      update({ state }, before) {
        const kept = keptIn(state);
        if (kept !== keptIn(before)) store(chapter, kept, state.doc);
      },
    }),
  });
}

function after(kept: readonly Draft[], { steps, mapping }: Transaction): readonly Draft[] {
  if (kept.length === 0 && !steps.some((step) => step instanceof DraftStep)) return kept;
  return steps.reduce((now: readonly Draft[], step, index) => {
    if (!(step instanceof DraftStep)) return now.map((draft) => movedDraft(draft, mapping.maps[index]!));
    const others = now.filter(({ id }) => id !== step.draft.id);
    return step.isKept ? [...others, step.draft] : others;
  }, kept);
}

function store(chapter: string, kept: readonly Draft[], doc: Node): void {
  const stored = kept.map((draft): Stored => ({ ...draft, words: flatText(doc, draft.from, draft.to) }));
  if (kept.length === 0) localStorage.removeItem(keyOf(chapter));
  else localStorage.setItem(keyOf(chapter), JSON.stringify(stored));
}

function storedFor(chapter: string): Stored[] {
  return JSON.parse(localStorage.getItem(keyOf(chapter)) ?? '[]') as Stored[];
}

/** Where a draft stands now: at its place if its words are there, else where the same words are next to it, else without words. */
function foundAgain({ words, ...draft }: Stored, doc: Node): Draft {
  const { from, to } = draft;
  if (to <= doc.content.size && flatText(doc, from, to) === words) return draft;
  const same: number[] = [];
  doc.descendants((node, position) => {
    if (!node.isTextblock || words === '') return !node.isTextblock;
    const text = flatText(doc, position + 1, position + 1 + node.content.size);
    for (let at = text.indexOf(words); at >= 0; at = text.indexOf(words, at + 1))
      same.push(position + 1 + at);
    return false;
  });
  const [nearest] = same.sort((one, other) => Math.abs(one - from) - Math.abs(other - from));
  if (nearest !== undefined) return { ...draft, from: nearest, to: nearest + words.length };
  const beside = Selection.near(doc.resolve(Math.min(from, doc.content.size))).from;
  return { ...draft, from: beside, to: beside };
}

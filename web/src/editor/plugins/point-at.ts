import { flatText, idOf, schema } from '@vennet/core/manuscript';
import { itemSpot, numberedItemAt, spotOfWords, trimmedEnds } from '@vennet/core/repair';
import type { Node, ResolvedPos } from 'prosemirror-model';
import { Plugin, TextSelection } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { spotToName } from '../changes/name-spot.js';
import { wordAt } from '../state/links.js';
import { isPointing, stopPointing, usePointing, type PointedAt } from '../state/pointing.js';

/**
 * While the author points at what a link leads to, a press in the text picks the spot and nothing else: the heading, the picture, the item of a
 * numbered list or the bookmark that is there, else the words from there on; words over which the mouse is drawn are taken as they are.
 */
export function pointAt(chapter: string): Plugin {
  let from: number | null = null;
  const positionOf = (view: EditorView, event: MouseEvent) =>
    view.posAtCoords({ left: event.clientX, top: event.clientY })?.pos ?? null;
  return new Plugin({
    view(view) {
      const show = () => view.dom.toggleAttribute('data-pointing', isPointing());
      show();
      return { destroy: usePointing.subscribe(show) };
    },
    props: {
      handleDOMEvents: {
        mousedown(view, event) {
          if (!isPointing()) return false;
          event.preventDefault();
          from = positionOf(view, event);
          return true;
        },
        mouseup(view, event) {
          if (!isPointing()) return false;
          const to = positionOf(view, event);
          const target = from === null || to === null ? null : targetAt(view, chapter, from, to);
          if (!target) return true;
          const { take } = usePointing.getState();
          stopPointing();
          take?.(target);
          return true;
        },
        click: () => isPointing(),
      },
    },
  });
}

function targetAt(view: EditorView, chapter: string, one: number, other: number): PointedAt | null {
  const { doc } = view.state;
  const [from, to] = [Math.min(one, other), Math.max(one, other)];
  const $from = doc.resolve(from);
  if (to > from) {
    const end = Math.min(to, $from.parent.isTextblock ? $from.end() : from);
    const drawn = spanOf(doc, from, end);
    return drawn && { spot: spotToName(spotOfWords(chapter, doc, drawn.from, drawn.to)) };
  }
  const named = nameAt($from, doc.nodeAt(from));
  if (named) return { place: named };
  const item = numberedItemAt($from);
  if (item) {
    const { at, node, number } = item;
    return { spot: spotToName(itemSpot(chapter, node, at, number)) };
  }
  const { tr } = view.state;
  const word = wordAt(view.state.apply(tr.setSelection(TextSelection.near($from))));
  if (word.from === word.to) return null;
  const few = FEW_WORDS.exec(flatText(doc, word.from, $from.end()))?.[0] ?? '';
  return {
    spot: spotToName(spotOfWords(chapter, doc, word.from, Math.max(word.to, word.from + few.length))),
  };
}

/** A word, and some that follow it in its sentence: one alone says little of a spot. */
const FEW_WORDS = /^[\p{L}\p{N}'’-]+(?: [\p{L}\p{N}'’-]+){0,4}/u;

/** The place that is here already: a bookmark, a heading, a captioned picture or table. */
function nameAt($at: ResolvedPos, here: Node | null): string | null {
  const bookmark = [...(here?.marks ?? []), ...$at.marks()].find(
    ({ type }) => type === schema.marks.bookmark,
  );
  if (bookmark) return String(bookmark.attrs.id);
  if (here && here.type.name === 'figure') return idOf(here);
  for (let depth = $at.depth; depth > 0; depth--) {
    const { type } = $at.node(depth);
    if (type.name === 'heading') return idOf($at.node(depth));
    if (type.name === 'caption' || type.name === 'table_caption') return idOf($at.node(depth - 1));
    if (type.name === 'list_item' && numberedItemAt($at)) return idOf($at.node(depth));
  }
  return null;
}

function spanOf(doc: Node, from: number, to: number): { from: number; to: number } | null {
  const text = flatText(doc, from, to);
  if (text.length !== to - from) return null;
  const { start, end } = trimmedEnds(text);
  return start < end ? { from: from + start, to: from + end } : null;
}

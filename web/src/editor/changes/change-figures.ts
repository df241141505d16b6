import { wordsIn } from '@vennet/core/ground';
import {
  attrsOf,
  DEFAULT_FRAME,
  figureParts,
  pagesOf,
  schema,
  setAreas,
  type AreaFrame,
  type Box,
  type LinkArea,
} from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { NodeSelection, TextSelection, type Transaction } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { knownText } from '../../book/ground-file.js';
import { useBook } from '../../book/store.js';
import { figureAt } from '../state/links.js';
import { mint } from '../state/mint.js';

/** Changes attributes of the picture at a position; it stays selected. */
export function changeFigure(view: EditorView, position: number, attrs: Record<string, unknown>): void {
  const transaction = closeHistory(view.state.tr);
  for (const [name, value] of Object.entries(attrs))
    if (name === 'areas') setAreas(transaction, position, value as readonly LinkArea[]);
    else transaction.setNodeAttribute(position, name, value);
  view.dispatch(stillSelected(transaction, position));
}

function stillSelected(transaction: Transaction, position: number): Transaction {
  return transaction.setSelection(NodeSelection.create(transaction.doc, position));
}

export const areasOf = (node: Node): readonly LinkArea[] => attrsOf.figure(node).areas;

/** Changes one area of the picture that is selected. */
export function changeArea(view: EditorView, id: string, more: Partial<LinkArea>): void {
  const figure = figureAt(view.state);
  if (!figure) return;
  const areas = areasOf(figure.node).map((area) => {
    if (area.id !== id) return area;
    const changed = { ...area, ...more };
    return figure.node.type.name === 'page' && isElsewhere(area, changed)
      ? onWordsThere(changed, figure.node)
      : changed;
  });
  changeFigure(view, figure.position, { areas });
}

export function addArea(view: EditorView, area: LinkArea): void {
  const figure = figureAt(view.state);
  if (figure) changeFigure(view, figure.position, { areas: [...areasOf(figure.node), area] });
}

export function removeArea(view: EditorView, id: string): void {
  const figure = figureAt(view.state);
  if (figure)
    changeFigure(view, figure.position, { areas: areasOf(figure.node).filter((area) => area.id !== id) });
}

const isElsewhere = (one: Box, other: Box): boolean =>
  one.x !== other.x || one.y !== other.y || one.width !== other.width || one.height !== other.height;

/** A link of a page that was moved or resized is one rectangle, and on other words. */
function onWordsThere({ lines: _lines, words: _words, ...area }: LinkArea, page: Node): LinkArea {
  const text = knownText(attrsOf.page(page).number);
  const words = text ? wordsIn(text, [area]) : '';
  return words === '' ? area : { ...area, words };
}

/** The line below words of a page that lead somewhere, in the colour of the book’s links. */
export const underline = (): AreaFrame => ({
  line: 'under',
  width: 1,
  colour: useBook.getState().book?.look.light ?? DEFAULT_FRAME.colour,
});

/** The same link at the same spot of other pages, by their numbers; each has an id of its own. */
export function copyToPages(view: EditorView, area: LinkArea, numbers: ReadonlySet<number>): number {
  const transaction = closeHistory(view.state.tr);
  let copied = 0;
  for (const { node, at, attrs } of pagesOf(view.state.doc)) {
    const { number, areas } = attrs;
    const { id: _id, from: _from, words: _words, lines: _lines, ...same } = area;
    if (!numbers.has(number) || areas.some(({ id }) => id === area.id)) continue;
    setAreas(transaction, at, [...areas, onWordsThere({ ...same, id: mint() }, node)]);
    copied++;
  }
  if (copied > 0) view.dispatch(transaction);
  return copied;
}

/** Puts an empty caption or credit under the selected picture and the caret into it, or goes to the one that is there. */
export function toWordsBelow(view: EditorView, which: 'caption' | 'credit'): void {
  const figure = figureAt(view.state);
  if (!figure) return;
  const { node, position } = figure;
  const { caption, [which]: there } = figureParts(node);
  const at = position + 1 + (which === 'credit' ? (caption?.nodeSize ?? 0) : 0);
  const transaction = view.state.tr;
  if (!there) closeHistory(transaction).insert(at, schema.nodes[which].create());
  const end = at + 1 + (there?.content.size ?? 0);
  view.dispatch(transaction.setSelection(TextSelection.create(transaction.doc, end)));
  view.focus();
}

/** A third of the picture, in its middle: where an area begins that is not drawn with the mouse. */
export const MIDDLE: Box = { x: 0.35, y: 0.35, width: 0.3, height: 0.3 };

import { rowsOf, schema, tableCaption, tableOf } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import type { Node } from 'prosemirror-model';
import { Selection, TextSelection, type Command, type EditorState } from 'prosemirror-state';
import { goToNextCell, isInTable, selectedRect, TableMap } from 'prosemirror-tables';
import { lineAfter, putBlock } from './put-block.js';
import { mint } from '../state/mint.js';

const { nodes } = schema;

/** How a table begins. */
export interface NewTable {
  rows: number;
  columns: number;
  headRow: boolean;
  headColumn: boolean;
  caption: string;
}

/** The most rows and columns that a table is put in with; more are added or pasted. */
export const MOST_NEW = { rows: 200, columns: 30 } as const;

const emptyCell = (isHead: boolean): Node =>
  (isHead ? nodes.table_header : nodes.table_cell).create(null, nodes.paragraph.create());

/** Puts a table after the block at the caret, in the place of an empty paragraph; the caret goes into its first cell. */
export const insertTable =
  ({ rows, columns, headRow, headColumn, caption }: NewTable): Command =>
  (state, dispatch) => {
    const made = tableOf(
      Array.from({ length: rows }, (_, row) =>
        nodes.table_row.create(
          null,
          Array.from({ length: columns }, (_unused, column) =>
            emptyCell((headRow && row === 0) || (headColumn && column === 0)),
          ),
        ),
      ),
      { id: mint() },
      caption === '' ? null : nodes.table_caption.create(null, schema.text(caption)),
    );
    const tr = closeHistory(state.tr);
    const from = putBlock(tr, state.selection.$from, made);
    // What is written after a table has a place to stand.
    lineAfter(tr, from + made.nodeSize);
    const cells = from + 1 + (caption === '' ? 0 : made.firstChild!.nodeSize);
    tr.setSelection(Selection.near(tr.doc.resolve(cells + 1)));
    dispatch?.(tr.scrollIntoView());
    return true;
  };

/** The table that the selection is in. */
export function tableAt({ selection }: EditorState): { node: Node; at: number } | null {
  const { $from } = selection;
  for (let depth = $from.depth; depth > 0; depth--)
    if ($from.node(depth).type === nodes.table) return { node: $from.node(depth), at: $from.before(depth) };
  return null;
}

/** To the next cell, or to the one before; past the last cell, or the first, out of the table. */
export const toCell =
  (direction: 1 | -1): Command =>
  (state, dispatch) => {
    const table = tableAt(state);
    if (!table) return false;
    if (isInTable(state) && goToNextCell(direction)(state, dispatch)) return true;
    if (!isInTable(state) && direction === 1) {
      // From the caption into the first cell.
      const first = table.at + 1 + (tableCaption(table.node)?.nodeSize ?? 0) + 1;
      dispatch?.(state.tr.setSelection(Selection.near(state.doc.resolve(first))).scrollIntoView());
      return true;
    }
    if (!dispatch) return true;
    const { tr } = state;
    const end = table.at + table.node.nodeSize;
    const beyond = Selection.findFrom(tr.doc.resolve(direction === 1 ? end : table.at), direction);
    if (direction === 1 && (!beyond || beyond.from < end))
      tr.insert(end, nodes.paragraph.create()).setSelection(TextSelection.create(tr.doc, end + 1));
    else if (beyond) tr.setSelection(beyond);
    dispatch(tr.scrollIntoView());
    return true;
  };

/** Puts the caret into the caption of the table, which gets one where it has none. */
export const toTableCaption: Command = (state, dispatch) => {
  const table = tableAt(state);
  if (!table) return false;
  const tr = closeHistory(state.tr);
  const caption = tableCaption(table.node);
  if (!caption) tr.insert(table.at + 1, nodes.table_caption.create());
  const end = table.at + 2 + (caption?.content.size ?? 0);
  dispatch?.(tr.setSelection(TextSelection.create(tr.doc, end)).scrollIntoView());
  return true;
};

export const removeCaption: Command = (state, dispatch) => {
  const table = tableAt(state);
  const caption = table && tableCaption(table.node);
  if (!table || !caption) return false;
  dispatch?.(closeHistory(state.tr).delete(table.at + 1, table.at + 1 + caption.nodeSize));
  return true;
};

export const removeTable: Command = (state, dispatch) => {
  const table = tableAt(state);
  if (!table) return false;
  if (dispatch) {
    const tr = closeHistory(state.tr);
    const { parent } = tr.doc.resolve(table.at);
    const { nodeSize } = table.node;
    if (parent.childCount === 1) tr.replaceWith(table.at, table.at + nodeSize, nodes.paragraph.create());
    else tr.delete(table.at, table.at + nodeSize);
    tr.setSelection(Selection.near(tr.doc.resolve(Math.min(table.at, tr.doc.content.size))));
    dispatch(tr.scrollIntoView());
  }
  return true;
};

/** Moves the row at the caret by one. Where cells are merged over rows it stays. */
export const moveRow =
  (direction: 1 | -1): Command =>
  (state, dispatch) => {
    if (!isInTable(state)) return false;
    const { top, bottom, map, table, tableStart } = selectedRect(state);
    const to = top + direction;
    if (bottom - top !== 1 || to < 0 || to >= map.height || isMerged(table, 'rowspan')) return false;
    if (dispatch) {
      const tr = closeHistory(state.tr);
      const row = table.child(top);
      const starts = startsOf(table, tableStart);
      tr.delete(starts[top]!, starts[top]! + row.nodeSize);
      const at = tr.mapping.map(direction === 1 ? starts[to]! + table.child(to).nodeSize : starts[to]!);
      tr.insert(at, row);
      const offset = state.selection.head - starts[top]!;
      tr.setSelection(Selection.near(tr.doc.resolve(at + Math.min(offset, row.nodeSize - 1))));
      dispatch(tr.scrollIntoView());
    }
    return true;
  };

/** Moves the column at the caret by one. Where cells are merged it stays. */
export const moveColumn =
  (direction: 1 | -1): Command =>
  (state, dispatch) => {
    if (!isInTable(state)) return false;
    const { top, left, right, map, table, tableStart } = selectedRect(state);
    const to = left + direction;
    const isSimple = !isMerged(table, 'rowspan') && !isMerged(table, 'colspan');
    if (right - left !== 1 || to < 0 || to >= map.width || !isSimple) return false;
    if (dispatch) {
      const tr = closeHistory(state.tr);
      let caret = 0;
      table.children.forEach((row, index) => {
        const starts = startsOf(row, startsOf(table, tableStart)[index]! + 1);
        const [from, beside, cell] = [starts[left]!, starts[to]!, row.child(left)];
        const before = tr.mapping.map(from);
        tr.delete(before, before + cell.nodeSize);
        const at = tr.mapping.map(direction === 1 ? beside + row.child(to).nodeSize : beside);
        tr.insert(at, cell);
        if (index === top) caret = at;
      });
      tr.setSelection(Selection.near(tr.doc.resolve(caret + 2)));
      dispatch(tr.scrollIntoView());
    }
    return true;
  };

const isMerged = (body: Node, span: 'rowspan' | 'colspan'): boolean =>
  body.children.some((row) => row.children.some(({ attrs }) => Number(attrs[span]) > 1));

/** Where each child of a node begins, whose content begins at `start`. */
function startsOf(node: Node, start: number): number[] {
  let at = start;
  return node.children.map((child) => {
    const own = at;
    at += child.nodeSize;
    return own;
  });
}

/** Whether the first row, or the first column, of the table at the selection is made of header cells. */
export function hasHead(state: EditorState, what: 'row' | 'column'): boolean {
  const table = tableAt(state)?.node;
  const rows = table ? rowsOf(table) : [];
  const cells = what === 'row' ? (rows[0]?.children ?? []) : rows.map((row) => row.child(0));
  return cells.length > 0 && cells.every(({ type }) => type === nodes.table_header);
}

/** Makes header cells of the first row or column, or plain ones. */
export const turnHead =
  (what: 'row' | 'column'): Command =>
  (state, dispatch) => {
    const table = tableAt(state);
    const body = table?.node.lastChild;
    if (!table || !body) return false;
    const start = table.at + table.node.nodeSize - body.nodeSize;
    const map = TableMap.get(body);
    const isHead = hasHead(state, what);
    const keep = hasHead(state, what === 'row' ? 'column' : 'row') ? map.map[0] : -1;
    const line =
      what === 'row'
        ? { left: 0, top: 0, right: map.width, bottom: 1 }
        : { left: 0, top: 0, right: 1, bottom: map.height };
    const tr = closeHistory(state.tr);
    for (const cell of map.cellsInRect(line))
      // The corner belongs to both.
      if (!(isHead && cell === keep))
        tr.setNodeMarkup(
          start + cell,
          isHead ? nodes.table_cell : nodes.table_header,
          body.nodeAt(cell)?.attrs,
        );
    dispatch?.(tr);
    return true;
  };

import { tableCaption } from '@vennet/core/manuscript';
import { Table2 } from 'lucide-react';
import type { EditorState } from 'prosemirror-state';
import {
  addColumnAfter,
  addColumnBefore,
  addRowAfter,
  addRowBefore,
  deleteColumn,
  deleteRow,
  mergeCells,
  splitCell,
} from 'prosemirror-tables';
import {
  hasHead,
  moveColumn,
  moveRow,
  removeCaption,
  removeTable,
  tableAt,
  toTableCaption,
  turnHead,
} from '../editor/changes/tables.js';
import { ToolMenu, type ToolItem } from './ToolMenu.js';

/** What can be done with the table at the caret. */
export const TableMenu = () => (
  <ToolMenu
    face={
      <>
        <Table2 size={16} aria-hidden="true" /> Table
      </>
    }
    items={itemsAt}
  />
);

function itemsAt(state: EditorState): ToolItem[] {
  const table = tableAt(state);
  const caption = table && tableCaption(table.node);
  return [
    { words: 'A row above', command: addRowBefore },
    { words: 'A row below', command: addRowAfter },
    { words: 'A column before', command: addColumnBefore },
    { words: 'A column after', command: addColumnAfter },
    { words: 'Row up', apart: true, command: moveRow(-1) },
    { words: 'Row down', command: moveRow(1) },
    { words: 'Column forward', command: moveColumn(-1) },
    { words: 'Column back', command: moveColumn(1) },
    { words: 'Header row', apart: true, checked: hasHead(state, 'row'), command: turnHead('row') },
    { words: 'Header column', checked: hasHead(state, 'column'), command: turnHead('column') },
    { words: 'Make one of the selected cells', apart: true, command: mergeCells },
    { words: 'Split the cell', command: splitCell },
    { words: caption ? 'To its caption' : 'Give it a caption', apart: true, command: toTableCaption },
    ...(caption ? [{ words: 'Remove its caption', command: removeCaption }] : []),
    { words: 'Remove the row', apart: true, command: deleteRow },
    { words: 'Remove the column', command: deleteColumn },
    { words: 'Remove the table', command: removeTable },
  ];
}

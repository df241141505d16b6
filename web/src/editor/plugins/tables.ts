import { Fragment, Slice } from 'prosemirror-model';
import { Plugin } from 'prosemirror-state';
import { handlePaste, isInTable, tableEditing } from 'prosemirror-tables';

/** Steps of other hands come in by `prosemirror-collab`, which marks them. */
const FROM_ELSEWHERE = 'collab$';

/**
 * The editing of tables: selections of cells, and tables that stay rectangular. What comes from another window was made rectangular there:
 * two windows that mend the same table would mend it twice. Cells that are pasted into cells take their places.
 */
export function tables(): Plugin {
  const { spec } = tableEditing();
  return new Plugin({
    ...spec,
    appendTransaction(transactions, before, after) {
      if (transactions.some((one) => one.getMeta(FROM_ELSEWHERE) !== undefined)) return null;
      return spec.appendTransaction?.call(this, transactions, before, after) ?? null;
    },
    props: {
      ...spec.props,
      handlePaste: (view, event, slice) =>
        handlePaste(view, event, isInTable(view.state) ? cellsOf(slice) : slice),
    },
  });
}

/** The rows of a table that is all that is pasted. */
function cellsOf(slice: Slice): Slice {
  const only = slice.content.childCount === 1 ? slice.content.firstChild : null;
  return only?.type.name === 'table' && only.lastChild
    ? new Slice(Fragment.from(only.lastChild), 0, 0)
    : slice;
}

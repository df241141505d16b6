import { isOfPages, keepsPages } from '@vennet/core/manuscript';
import { NodeSelection, Plugin, TextSelection } from 'prosemirror-state';

/** The pages of a finished file stay: nothing that is typed, pasted or deleted changes them. */
export function pagesStay(): Plugin {
  return new Plugin({
    filterTransaction: (transaction) =>
      !transaction.docChanged ||
      !isOfPages(transaction.before) ||
      keepsPages(transaction.before, transaction.doc),
    appendTransaction: (_, __, { doc, selection, tr }) =>
      // A caret in the outline would be nowhere.
      isOfPages(doc) && selection instanceof TextSelection
        ? tr.setSelection(NodeSelection.create(doc, 0))
        : null,
  });
}

import { inputRules, type InputRule } from 'prosemirror-inputrules';
import { Plugin, TextSelection } from 'prosemirror-state';

/** What the plugin of rules says of a change that one of them made. */
interface Made {
  /** Where was typed, before the change. */
  from: number;
  to: number;
}

/**
 * What is made of signs as they are typed. A press may be typed after before it is known here: the caret stands where was typed,
 * then, not where it was known to be.
 */
export function typedRules(rules: readonly InputRule[]): Plugin[] {
  const making = inputRules({ rules });
  const followed = new Plugin({
    appendTransaction(changes, before, { tr }) {
      for (const change of changes) {
        const made = change.getMeta(making) as Made | undefined;
        if (!made || change.selectionSet || before.selection.from === made.from) continue;
        return tr.setSelection(TextSelection.near(tr.doc.resolve(change.mapping.map(made.to))));
      }
      return null;
    },
  });
  return [making, followed];
}

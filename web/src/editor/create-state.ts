import { BOUNDS, schema } from '@vennet/core/manuscript';
import { collab } from 'prosemirror-collab';
import { dropCursor } from 'prosemirror-dropcursor';
import { gapCursor } from 'prosemirror-gapcursor';
import { history } from 'prosemirror-history';
import { InputRule, textblockTypeInputRule, wrappingInputRule } from 'prosemirror-inputrules';
import type { Node } from 'prosemirror-model';
import { EditorState } from 'prosemirror-state';
import { autolink } from './plugins/autolink.js';
import { besideSelected } from './plugins/beside-selected.js';
import { numbersShown } from './plugins/numbers-plugin.js';
import { quotes } from './plugins/quotes.js';
import { typedRules } from './plugins/typed-rules.js';
import { pagesStay } from './plugins/pages-stay.js';
import { pointAt } from './plugins/point-at.js';
import { returnLinesShown } from './plugins/return-lines.js';
import { pastedText } from './plugins/paste.js';
import { droppedFiles } from './changes/insert-pictures.js';
import { keptDrafts } from './plugins/kept-drafts.js';
import { keptSpots } from './state/kept-spots.js';
import { withRule } from './changes/put-rule.js';
import { keys, type LinkActions } from './keys.js';
import { slipPlugin } from './plugins/slip-plugin.js';
import { withinBounds } from './plugins/within-bounds.js';
import { firstLines } from './plugins/first-lines.js';
import { foundWords } from './plugins/found-words.js';
import { unspelled } from './plugins/unspelled.js';
import { shownSigns } from './plugins/shown-signs.js';
import { tables } from './plugins/tables.js';
import { uniqueIds } from './plugins/unique-ids.js';

/** The state of the editor for one chapter. `window` tells its steps from those of other hands. */
export function createState(doc: Node, actions: LinkActions, window: string): EditorState {
  const { nodes } = schema;
  return EditorState.create({
    doc,
    plugins: [
      pagesStay(),
      pointAt(actions.chapter),
      besideSelected(),
      ...typedRules([
        ...quotes,
        wrappingInputRule(/^\s*[-*]\s$/, nodes.bullet_list),
        wrappingInputRule(/^(\d+)\.\s$/, nodes.ordered_list, (match) => ({
          start: Math.min(BOUNDS.start, Number(match[1])),
        })),
        wrappingInputRule(/^\s*>\s$/, nodes.quotation),
        textblockTypeInputRule(/^```\s$/, nodes.code_block),
        new InputRule(/^---\s$/, (state, _match, start, end) => withRule(state.tr.delete(start, end))),
        textblockTypeInputRule(/^(#{1,3})\s$/, nodes.heading, (match) => ({ level: match[1]!.length })),
      ]),
      autolink(),
      pastedText(),
      tables(),
      ...keys(actions),
      history(),
      collab({ clientID: window }),
      slipPlugin(actions.chapter),
      keptDrafts(actions.chapter),
      uniqueIds(),
      withinBounds(),
      numbersShown(actions.chapter),
      returnLinesShown(actions.chapter),
      keptSpots(),
      firstLines(),
      unspelled(),
      shownSigns(),
      foundWords(),
      droppedFiles(),
      dropCursor({ color: 'var(--amber)', width: 2 }),
      gapCursor(),
    ],
  });
}

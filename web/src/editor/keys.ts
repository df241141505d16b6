import { schema } from '@vennet/core/manuscript';
import { baseKeymap, chainCommands, exitCode, setBlockType, wrapIn } from 'prosemirror-commands';
import { undoInputRule } from 'prosemirror-inputrules';
import { keymap } from 'prosemirror-keymap';
import { liftListItem, sinkListItem, splitListItem, wrapInList } from 'prosemirror-schema-list';
import type { Command, Plugin } from 'prosemirror-state';
import { insertNote } from './changes/insert-inside.js';
import { arrowOverBlock, fromCaption } from './changes/arrows-over-blocks.js';
import { putRule } from './changes/put-rule.js';
import { putSign, turnLook } from './changes/word-looks.js';
import { toCell } from './changes/tables.js';
import { removeLink } from './changes/change-links.js';
import { toLink } from './going/links.js';
import { draftBookmark, openSelected, openSlip } from './state/slip.js';
import { openBook } from '../book/open-book.js';

const { nodes, marks } = schema;

/** Undo and redo of what was done in this window, in whatever chapter, and all over the book. */
const undo: Command = (_state, dispatch) => (dispatch ? openBook().acts.undo() : openBook().acts.canUndo());
const redo: Command = (_state, dispatch) => (dispatch ? openBook().acts.redo() : openBook().acts.canRedo());

/** What can be done to the text, by name: the line over the text, the keys and the menu all use these. */
export const textCommands = {
  undo,
  redo,
  emphasis: turnLook(marks.emphasis),
  strong: turnLook(marks.strong),
  paragraph: setBlockType(nodes.paragraph),
  chapterHeading: setBlockType(nodes.heading, { level: 1 }),
  heading: setBlockType(nodes.heading, { level: 2 }),
  subheading: setBlockType(nodes.heading, { level: 3 }),
  quotation: wrapIn(nodes.quotation),
  code: setBlockType(nodes.code_block),
  rule: putRule,
  bulletList: wrapInList(nodes.bullet_list),
  numberedList: wrapInList(nodes.ordered_list),
} satisfies Record<string, Command>;

const hardBreak: Command = chainCommands(exitCode, (state, dispatch) => {
  dispatch?.(state.tr.replaceSelectionWith(nodes.hard_break.create()).scrollIntoView());
  return true;
});

export interface LinkActions {
  chapter: string;
  follow: Command;
  copyAddress: Command;
  mentions: Command;
  choosePicture: Command;
  askForTable: Command;
  find: Command;
  back(): boolean;
  forward(): boolean;
}

/** The keys of the text. Those of links beside Mod-k are Vennet's own. */
export function keys(actions: LinkActions): Plugin[] {
  const { chapter, follow, copyAddress, mentions, choosePicture, back, forward } = actions;
  return [
    keymap({
      'Mod-k': openSlip(chapter),
      'Alt-PageDown': toLink(chapter, 1),
      'Alt-PageUp': toLink(chapter, -1),
      'Mod-Alt-k': removeLink(chapter),
      'Mod-Alt-Enter': follow,
      'Mod-Alt-c': copyAddress,
      'Mod-Alt-m': mentions,
      'Mod-Alt-p': choosePicture,
      'Mod-Alt-n': insertNote,
      'Mod-Alt-b': draftBookmark,
      // Taken even when there is nowhere to go: the browser would leave the book.
      'Alt-ArrowLeft': () => back() || true,
      'Alt-ArrowRight': () => forward() || true,
      'Mod-z': textCommands.undo,
      'Mod-y': redo,
      'Shift-Mod-z': redo,
      'Mod-b': textCommands.strong,
      'Mod-i': textCommands.emphasis,
      ArrowUp: chainCommands(fromCaption, arrowOverBlock('up')),
      ArrowDown: arrowOverBlock('down'),
      ArrowLeft: arrowOverBlock('left'),
      ArrowRight: arrowOverBlock('right'),
      Backspace: undoInputRule,
      'Mod-Alt-Space': putSign('\u00a0'),
      'Mod-Alt--': putSign('\u00ad'),
      'Shift-Enter': hardBreak,
      Enter: chainCommands(openSelected, splitListItem(nodes.list_item)),
      Tab: chainCommands(sinkListItem(nodes.list_item), toCell(1)),
      'Shift-Tab': chainCommands(liftListItem(nodes.list_item), toCell(-1)),
      'Mod-Alt-t': actions.askForTable,
      'Mod-Alt-f': actions.find,
    }),
    keymap(baseKeymap),
  ];
}

/** The sheet of keys, in words. `Mod` is shown as Ctrl or Cmd. */
export const KEY_SHEET: { group: string; keys: [string, string][] }[] = [
  {
    group: 'Links',
    keys: [
      ['Mod+K', 'Make a link of the selected words, or open the slip of the link at the caret'],
      ['Enter', 'In a slip: accept it'],
      ['Esc', 'In a slip: leave it as it was'],
      ['Alt+Page Down', 'To the next link'],
      ['Alt+Page Up', 'To the link before'],
      ['Mod+Alt+Enter', 'Follow the link'],
      ['Mod+Alt+C', 'Copy its address'],
      ['Mod+Alt+K', 'Remove the link, keep its words'],
      ['Mod+Alt+M', 'Link every mention of the same words, or unlink them'],
    ],
  },
  {
    group: 'Inside the book',
    keys: [
      ['Mod+Alt+N', 'A note at the caret'],
      ['Mod+Alt+B', 'A bookmark on the selected words, or on the word at the caret'],
      ['Alt+Left', 'Back to where you came from'],
      ['Alt+Right', 'Forward again'],
      ['Alt+Up, Alt+Down', 'In the outline: move the chapter or section'],
      ['Enter', 'At a selected note, reference, list or return link: to its slip'],
    ],
  },
  {
    group: 'Pictures',
    keys: [
      ['Mod+Alt+P', 'Put a picture into the text'],
      ['Mod+K', 'At a picture: to its slip'],
      ['Tab', 'In a selected picture: from link area to link area'],
      ['Arrow keys', 'At a link area: move it (with Alt by a tenth)'],
      ['Shift+Arrow keys', 'At a link area: make it wider, narrower, higher or lower'],
      ['Enter', 'At a link area: to its slip'],
      ['Delete', 'At a link area: remove it'],
    ],
  },
  {
    group: 'Text',
    keys: [
      ['Mod+I', 'Emphasis'],
      ['Mod+B', 'Strong'],
      ['Mod+Alt+F', 'Find and replace'],
      ['Mod+Z', 'Undo, also the last change all over the book'],
      ['Mod+Y', 'Redo'],
      ['Shift+Enter', 'New line in the same paragraph; out of a passage of code'],
      ['Mod+Alt+Space', 'A space that no line breaks at'],
      ['Mod+Alt+-', 'A soft hyphen: where a word may be divided'],
      ['Backspace', 'Right after a sign was changed while typing: as it was typed'],
      ['Mod+Enter', 'In a note: a new paragraph'],
    ],
  },
  {
    group: 'Typed at the beginning of a paragraph',
    keys: [
      ['# and a space', 'A chapter heading; ## a heading, ### a smaller one'],
      ['- and a space', 'A list'],
      ['1. and a space', 'A numbered list, from that number on'],
      ['> and a space', 'A quotation'],
      ['``` and a space', 'A passage of code'],
      ['--- and a space', 'A rule between parts'],
    ],
  },
  {
    group: 'Tables',
    keys: [
      ['Mod+Alt+T', 'Put a table into the text'],
      ['Tab, Shift+Tab', 'To the next cell, to the one before; past the last one, out of the table'],
      ['Shift+Arrow keys', 'Select cells'],
      ['Delete', 'Empty the selected cells'],
    ],
  },
  {
    group: 'A made file that is tried as a reader',
    keys: [
      ['Alt+Page Down', 'To the next link of the page'],
      ['Alt+Page Up', 'To the link before'],
      ['Alt+Left', 'Back to where you came from'],
      ['Alt+Right', 'Forward again'],
      ['Page Down, Page Up', 'Turn the page'],
    ],
  },
  {
    group: 'Everywhere',
    keys: [
      ['?', 'This sheet (outside a text field)'],
      ['Shift+F10', 'What can be done here, in the text'],
    ],
  },
];

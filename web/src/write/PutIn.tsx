import { Plus } from 'lucide-react';
import type { Command, EditorState } from 'prosemirror-state';
import { insertContents, insertReturn } from '../editor/changes/insert-inside.js';
import { insertRoom, isOnNewPage, toggleNewPage } from '../editor/changes/page-layout.js';
import { textCommands } from '../editor/keys.js';
import { useEditor } from '../editor/state/store.js';
import { split } from '../outline/chapter-asks.js';
import { askFor } from './write-asks.js';
import { ToolMenu, type ToolItem } from './ToolMenu.js';

/** What follows the block at the caret, and that block, becomes a chapter of its own. */
const splitHere: Command = ({ selection: { $from } }, dispatch) => {
  const before = $from.depth > 0 ? $from.before(1) : 0;
  if (before === 0) return false;
  if (dispatch) void split(useEditor.getState().chapter, before);
  return true;
};

const askForNewTable: Command = (_state, dispatch) => {
  if (dispatch) askFor('table');
  return true;
};

const THINGS: ToolItem[] = [
  { words: 'A table', about: 'Of the size that you say', command: askForNewTable },
  { words: 'A rule', about: 'A line between two parts', command: textCommands.rule },
  { words: 'Room to write', about: 'Ruled or blank, of the height that you say', command: insertRoom },
  {
    words: 'A list of this section',
    about: 'Links to the headings below, such as questions',
    command: insertContents({ scope: 'section' }),
  },
  {
    words: 'A question list',
    about: 'The same, with a way back after each answer',
    command: insertContents({ scope: 'section', back: true }),
  },
  {
    words: 'A list of the whole book',
    about: 'Links to all chapters',
    command: insertContents({ scope: 'book' }),
  },
  { words: 'A link to the top', about: 'Back to the beginning of the book', command: insertReturn('top') },
  {
    words: 'A link to the contents',
    about: 'Back to the list of chapters',
    command: insertReturn('contents'),
  },
  {
    words: 'A link to where readers came from',
    about: 'One for each link that leads here',
    command: insertReturn('origin'),
  },
  {
    words: 'A new chapter from here on',
    about: 'The paragraph at the caret and all after it',
    command: splitHere,
  },
];

const thingsAt = (state: EditorState): ToolItem[] => [
  ...THINGS,
  {
    words: 'A new page from here on',
    about: 'The heading, paragraph or picture at the caret begins it',
    checked: isOnNewPage(state),
    command: toggleNewPage,
  },
];

/** What can be put into the text beside links: computed lists, and links back. */
export function PutIn() {
  return (
    <ToolMenu
      face={
        <>
          <Plus size={16} aria-hidden="true" /> Put in
        </>
      }
      items={thingsAt}
    />
  );
}

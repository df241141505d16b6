import { Plus } from 'lucide-react';
import { insertContents, insertReturn } from '../editor/changes/insert-inside.js';
import { ToolMenu, type ToolItem } from './ToolMenu.js';

const THINGS: ToolItem[] = [
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
      items={THINGS}
    />
  );
}

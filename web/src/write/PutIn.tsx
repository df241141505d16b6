import { Plus } from 'lucide-react';
import { DropdownMenu, Toolbar } from 'radix-ui';
import type { Command } from 'prosemirror-state';
import { useEditor } from '../editor/store.js';
import { insertContents, insertReturn } from '../inside/insert-inside.js';

const THINGS: [string, string, Command][] = [
  [
    'A list of this section',
    'Links to the headings below, such as questions',
    insertContents({ scope: 'section' }),
  ],
  [
    'A question list',
    'The same, with a way back after each answer',
    insertContents({ scope: 'section', back: true }),
  ],
  ['A list of the whole book', 'Links to all chapters', insertContents({ scope: 'book' })],
  ['A link to the top', 'Back to the beginning of the book', insertReturn('top')],
  ['A link to the contents', 'Back to the list of chapters', insertReturn('contents')],
  ['A link to where readers came from', 'One for each link that leads here', insertReturn('origin')],
];

/** What can be put into the text beside links: computed lists, and links back. */
export function PutIn() {
  const put = (command: Command) => {
    const { view } = useEditor.getState();
    if (view) command(view.state, view.dispatch);
  };
  return (
    <DropdownMenu.Root>
      <Toolbar.Button asChild>
        <DropdownMenu.Trigger className="button" data-look="quiet" data-size="small">
          <Plus size={16} aria-hidden="true" /> Put in
        </DropdownMenu.Trigger>
      </Toolbar.Button>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="menu"
          align="start"
          onCloseAutoFocus={(event) => event.preventDefault()}
        >
          {THINGS.map(([words, about, command]) => (
            <DropdownMenu.Item key={words} className="menu-item !block" onSelect={() => put(command)}>
              {words}
              <span className="block text-xs text-soft">{about}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

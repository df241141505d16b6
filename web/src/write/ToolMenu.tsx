import type { Command, EditorState } from 'prosemirror-state';
import { DropdownMenu, Toolbar } from 'radix-ui';
import { useRef, type ReactNode } from 'react';
import { useEditor } from '../editor/state/store.js';

export interface ToolItem {
  words: string;
  /** What it does, where the words alone don't say it. */
  about?: string;
  /** Of something that is so or is not. */
  checked?: boolean;
  /** It begins a group of its own. */
  apart?: boolean;
  command: Command;
}

/** Whether a command can't do anything where the caret is. */
function isOff(command: Command): boolean {
  const { state } = useEditor.getState();
  return state !== null && !command(state);
}

/** A menu of the action line. What was chosen is done once the menu is gone and the text has the focus again. */
export function ToolMenu({
  face,
  className = '',
  items,
}: {
  face: ReactNode;
  className?: string;
  /** What is offered; a function gives what is offered at the caret, once the menu is open. */
  items: readonly ToolItem[] | ((state: EditorState) => readonly ToolItem[]);
}) {
  const chosen = useRef<Command | null>(null);
  const closed = (event: Event) => {
    event.preventDefault();
    const { view } = useEditor.getState();
    view?.focus();
    if (view) chosen.current?.(view.state, view.dispatch);
    chosen.current = null;
  };
  return (
    // The text beside stays what it is: nothing of it is hidden from anybody while the menu is open.
    <DropdownMenu.Root modal={false}>
      <Toolbar.Button asChild>
        <DropdownMenu.Trigger className={`button ${className}`} data-look="quiet" data-size="small">
          {face}
        </DropdownMenu.Trigger>
      </Toolbar.Button>
      <DropdownMenu.Portal container={document.querySelector('main')}>
        <DropdownMenu.Content className="menu" align="start" onCloseAutoFocus={closed}>
          <Entries items={items} choose={(command) => (chosen.current = command)} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Entries({
  items,
  choose,
}: {
  items: Parameters<typeof ToolMenu>[0]['items'];
  choose(command: Command): void;
}) {
  const { state } = useEditor.getState();
  const offered = typeof items !== 'function' ? items : state ? items(state) : [];
  return offered.map((item) => <Entry key={item.words} item={item} choose={() => choose(item.command)} />);
}

/** One entry. What it can do is asked once the menu is open, not at every key. */
function Entry({
  item: { words, about, checked, apart = false, command },
  choose,
}: {
  item: ToolItem;
  choose(): void;
}) {
  const line = apart ? 'border-t border-line' : '';
  if (checked === undefined)
    return (
      <DropdownMenu.Item
        className={`menu-item ${about ? '!block' : ''} ${line}`}
        disabled={isOff(command)}
        onSelect={choose}
      >
        {words}
        {about && <span className="block text-xs text-soft">{about}</span>}
      </DropdownMenu.Item>
    );
  return (
    <DropdownMenu.CheckboxItem
      className={`menu-item ${line}`}
      checked={checked}
      disabled={isOff(command)}
      onSelect={choose}
    >
      <span aria-hidden="true" className={about && !checked ? 'hidden' : 'w-4'}>
        {checked ? '✓' : ''}
      </span>
      <span>
        {words}
        {about && <span className="block text-xs text-soft">{about}</span>}
      </span>
    </DropdownMenu.CheckboxItem>
  );
}

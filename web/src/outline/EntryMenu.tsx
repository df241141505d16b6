import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useEditor } from '../editor/state/store.js';
import { linkHere } from '../editor/changes/drag-place.js';

/** What can be done with an entry of the outline, for those who do not drag. */
export function EntryMenu({
  words,
  place,
  up,
  down,
  more = [],
}: {
  words: string;
  place: string;
  up?(): void;
  down?(): void;
  /** What else can be done with it. */
  more?: readonly { words: string; act(): void }[];
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="outline-more" title={`More about “${words}”`}>
        <Ellipsis size={14} aria-hidden="true" />
        <span className="sr-only">More about “{words}”</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          className="menu"
          align="start"
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            useEditor.getState().view?.focus();
          }}
        >
          <DropdownMenu.Item className="menu-item" onSelect={() => linkHere(place)}>
            Lead here from the caret
          </DropdownMenu.Item>
          {up && (
            <DropdownMenu.Item className="menu-item" onSelect={up}>
              Move up
            </DropdownMenu.Item>
          )}
          {down && (
            <DropdownMenu.Item className="menu-item" onSelect={down}>
              Move down
            </DropdownMenu.Item>
          )}
          {more.length > 0 && <DropdownMenu.Separator className="menu-line" />}
          {more.map((item) => (
            <DropdownMenu.Item key={item.words} className="menu-item" onSelect={item.act}>
              {item.words}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

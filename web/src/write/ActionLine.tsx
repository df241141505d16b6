import {
  ArrowDown,
  ArrowUp,
  Bold,
  ImagePlus,
  Italic,
  Link2,
  List,
  ListOrdered,
  Quote,
  Redo2,
  Undo2,
  type LucideIcon,
} from 'lucide-react';
import { DropdownMenu, Toolbar } from 'radix-ui';
import type { Command } from 'prosemirror-state';
import { textCommands } from '../editor/keys.js';
import { openSlip } from '../editor/slip-plugin.js';
import { useEditor } from '../editor/store.js';
import { choosePicture } from '../picture/insert-pictures.js';
import { Uploads } from '../shelf/Uploads.js';
import { LookDialog } from './LookDialog.js';
import { stepThroughLinks } from './ChapterEditor.js';

function run(command: Command): void {
  const { view } = useEditor.getState();
  if (!view) return;
  command(view.state, view.dispatch);
  view.focus();
}

const BLOCKS: [string, keyof typeof textCommands][] = [
  ['Paragraph', 'paragraph'],
  ['Chapter heading', 'chapterHeading'],
  ['Heading', 'heading'],
  ['Smaller heading', 'subheading'],
];

/** The short line of the most used actions over the text. */
export function ActionLine() {
  const state = useEditor((store) => store.state);
  const parent = state?.selection.$from.parent;
  const block =
    parent?.type.name === 'heading'
      ? ['Chapter heading', 'Heading', 'Smaller heading'][Math.min(2, (parent.attrs.level as number) - 1)]
      : 'Paragraph';
  const putPicture = () => {
    const { view } = useEditor.getState();
    if (view) choosePicture(view);
  };
  const addLink = () => {
    const { view, chapter } = useEditor.getState();
    if (view) openSlip(chapter)(view.state, view.dispatch);
  };
  return (
    <Toolbar.Root
      aria-label="Actions on the text"
      className="flex shrink-0 flex-wrap items-center gap-1 border-b border-line bg-sheet px-6 py-1.5"
    >
      <Toolbar.Button
        className="button mr-2"
        data-size="small"
        data-look="main"
        onMouseDown={(event) => event.preventDefault()}
        onClick={addLink}
      >
        <Link2 size={16} aria-hidden="true" /> Link
      </Toolbar.Button>
      <Act words="Picture" icon={ImagePlus} act={putPicture} />
      <Act words="Link before" icon={ArrowUp} act={() => stepThroughLinks(-1)} />
      <Act words="Next link" icon={ArrowDown} act={() => stepThroughLinks(1)} />
      <Gap />
      <DropdownMenu.Root>
        <Toolbar.Button asChild>
          <DropdownMenu.Trigger
            className="button min-w-36 !justify-between"
            data-look="quiet"
            data-size="small"
          >
            {block} <span aria-hidden="true">▾</span>
          </DropdownMenu.Trigger>
        </Toolbar.Button>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            className="menu"
            align="start"
            onCloseAutoFocus={(event) => event.preventDefault()}
          >
            {BLOCKS.map(([words, name]) => (
              <DropdownMenu.Item key={name} className="menu-item" onSelect={() => run(textCommands[name])}>
                {words}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Act words="Emphasis" icon={Italic} act={() => run(textCommands.emphasis)} />
      <Act words="Strong" icon={Bold} act={() => run(textCommands.strong)} />
      <Act words="Quotation" icon={Quote} act={() => run(textCommands.quotation)} />
      <Act words="List" icon={List} act={() => run(textCommands.bulletList)} />
      <Act words="Numbered list" icon={ListOrdered} act={() => run(textCommands.numberedList)} />
      <Gap />
      <Act words="Undo" icon={Undo2} act={() => run(textCommands.undo)} />
      <Act words="Redo" icon={Redo2} act={() => run(textCommands.redo)} />
      <Gap />
      <LookDialog />
      <Uploads />
    </Toolbar.Root>
  );
}

function Act({ words, icon: Icon, act }: { words: string; icon: LucideIcon; act(): void }) {
  return (
    <Toolbar.Button
      className="button"
      data-look="quiet"
      data-size="small"
      title={words}
      onMouseDown={(event) => event.preventDefault()}
      onClick={act}
    >
      <Icon size={16} aria-hidden="true" />
      <span className="sr-only">{words}</span>
    </Toolbar.Button>
  );
}

const Gap = () => <Toolbar.Separator className="mx-1.5 h-5 w-px bg-line" />;

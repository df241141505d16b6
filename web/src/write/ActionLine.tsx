import { attrsOf } from '@vennet/core/manuscript';
import {
  ArrowDown,
  ArrowLeft,
  ArrowRight,
  ArrowUp,
  Bold,
  Bookmark,
  ImagePlus,
  Italic,
  Link2,
  List,
  ListOrdered,
  Quote,
  Redo2,
  StickyNote,
  Undo2,
  type LucideIcon,
} from 'lucide-react';
import { Toolbar } from 'radix-ui';
import type { Command } from 'prosemirror-state';
import { textCommands } from '../editor/keys.js';
import { draftBookmark, openSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { insertNote } from '../editor/changes/insert-inside.js';
import { StructureDialog } from '../choices/StructureDialog.js';
import { goBack, goForward, useVisited } from '../editor/going/visited.js';
import { choosePicture } from '../editor/changes/insert-pictures.js';
import { Uploads } from '../frame/Uploads.js';
import { useBook } from '../book/store.js';
import { LookDialog } from '../choices/LookDialog.js';
import { tableAt } from '../editor/changes/tables.js';
import { TableMenu } from './TableMenu.js';
import { PutIn } from './PutIn.js';
import { ToolMenu, type ToolItem } from './ToolMenu.js';
import { stepThroughLinks } from '../editor/going/links.js';

function run(command: Command): void {
  const { view } = useEditor.getState();
  if (!view) return;
  command(view.state, view.dispatch);
  view.focus();
}

/** Counts the heading at the caret, or leaves it without a number. */
const countHeading: Command = (state, dispatch) => {
  const { $from } = state.selection;
  if ($from.parent.type.name !== 'heading') return false;
  const uncounted = !$from.parent.attrs.uncounted;
  dispatch?.(state.tr.setNodeAttribute($from.before(), 'uncounted', uncounted));
  return true;
};

const BLOCKS: ToolItem[] = [
  { words: 'Paragraph', command: textCommands.paragraph },
  { words: 'Chapter heading', command: textCommands.chapterHeading },
  { words: 'Heading', command: textCommands.heading },
  { words: 'Smaller heading', command: textCommands.subheading },
];

/** The short line of the most used actions over the text. */
export function ActionLine() {
  const state = useEditor((store) => store.state);
  const numbering = useBook((store) => store.book?.structure.numbering);
  const parent = state?.selection.$from.parent;
  const block =
    parent?.type.name === 'heading'
      ? ['Chapter heading', 'Heading', 'Smaller heading'][Math.min(2, attrsOf.heading(parent).level - 1)]
      : 'Paragraph';
  const countings: ToolItem[] =
    parent?.type.name === 'heading' && numbering !== 'none'
      ? [
          {
            words: 'This heading is numbered',
            apart: true,
            checked: !attrsOf.heading(parent).uncounted,
            command: countHeading,
          },
        ]
      : [];
  const putPicture = () => {
    const { view } = useEditor.getState();
    if (view) choosePicture(view);
  };
  const past = useVisited((store) => store.past.length);
  const future = useVisited((store) => store.future.length);
  // What opens a slip leaves the focus to it.
  const act = (command: Command) => {
    const { view } = useEditor.getState();
    if (view) command(view.state, view.dispatch);
  };
  const addLink = () => {
    const { view, chapter } = useEditor.getState();
    if (view) openSlip(chapter)(view.state, view.dispatch);
  };
  return (
    <Toolbar.Root
      aria-label="Actions on the text"
      className="flex shrink-0 flex-wrap items-center gap-0.5 border-b border-line bg-sheet px-5 py-1.5"
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
      <Act words="Note" icon={StickyNote} act={() => act(insertNote)} />
      <Act words="Bookmark" icon={Bookmark} act={() => act(draftBookmark)} />
      <Act words="Picture" icon={ImagePlus} act={putPicture} />
      <PutIn />
      {state && tableAt(state) && <TableMenu state={state} />}
      <Gap />
      <Act words="Back to where you came from" icon={ArrowLeft} off={past === 0} act={() => goBack()} />
      <Act words="Forward again" icon={ArrowRight} off={future === 0} act={() => goForward()} />
      <Act words="Link before" icon={ArrowUp} act={() => stepThroughLinks(-1)} />
      <Act words="Next link" icon={ArrowDown} act={() => stepThroughLinks(1)} />
      <Gap />
      <ToolMenu
        className="min-w-32 !justify-between"
        face={
          <>
            {block} <span aria-hidden="true">▾</span>
          </>
        }
        items={[...BLOCKS, ...countings]}
      />
      <Act words="Emphasis" icon={Italic} act={() => run(textCommands.emphasis)} />
      <Act words="Strong" icon={Bold} act={() => run(textCommands.strong)} />
      <Act words="Quotation" icon={Quote} act={() => run(textCommands.quotation)} />
      <Act words="List" icon={List} act={() => run(textCommands.bulletList)} />
      <Act words="Numbered list" icon={ListOrdered} act={() => run(textCommands.numberedList)} />
      <Gap />
      <Act words="Undo" icon={Undo2} act={() => run(textCommands.undo)} />
      <Act words="Redo" icon={Redo2} act={() => run(textCommands.redo)} />
      <Gap />
      <StructureDialog />
      <LookDialog />
      <Uploads />
    </Toolbar.Root>
  );
}

function Act({
  words,
  icon: Icon,
  act,
  off = false,
}: {
  words: string;
  icon: LucideIcon;
  act(): void;
  off?: boolean;
}) {
  return (
    <Toolbar.Button
      className="button"
      data-look="quiet"
      data-size="small"
      title={words}
      disabled={off}
      onMouseDown={(event) => event.preventDefault()}
      onClick={act}
    >
      <Icon size={16} aria-hidden="true" />
      <span className="sr-only">{words}</span>
    </Toolbar.Button>
  );
}

const Gap = () => <Toolbar.Separator className="mx-1 h-5 w-px bg-line" />;

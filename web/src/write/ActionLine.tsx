import { attrsOf, schema } from '@vennet/core/manuscript';
import {
  Bold,
  Bookmark,
  ImagePlus,
  Italic,
  Link2,
  List,
  ListOrdered,
  Redo2,
  StickyNote,
  Undo2,
} from 'lucide-react';
import { Toolbar } from 'radix-ui';
import { useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Node } from 'prosemirror-model';
import type { Command, EditorState } from 'prosemirror-state';
import { hasLook, plainWords, turnLook } from '../editor/changes/word-looks.js';
import { areSignsShown, showSigns } from '../editor/plugins/shown-signs.js';
import { nameOfLanguage } from '../parts/languages.js';
import { askFor, type WriteAsk } from './write-asks.js';
import { textCommands } from '../editor/keys.js';
import { draftBookmark, openSlip } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { insertNote } from '../editor/changes/insert-inside.js';
import { StructureDialog } from '../choices/StructureDialog.js';
import { choosePicture } from '../editor/changes/insert-pictures.js';
import { Uploads } from '../frame/Uploads.js';
import { useBook } from '../book/store.js';
import { LookDialog } from '../choices/LookDialog.js';
import { tableAt } from '../editor/changes/tables.js';
import { TableMenu } from './TableMenu.js';
import { PutIn } from './PutIn.js';
import { ToolMenu, type ToolItem } from './ToolMenu.js';
import { Act, Gap, WaysThrough } from './ToolParts.js';

const { marks } = schema;

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
  { words: 'Quotation', apart: true, command: textCommands.quotation },
  { words: 'Passage of code', command: textCommands.code },
];

/** Looks of words that have no button of their own, and what else can be done with words. */
const wordItems = (state: EditorState): ToolItem[] => [
  ...(
    [
      ['Raised', marks.superscript],
      ['Lowered', marks.subscript],
      ['Code', marks.code],
      ['Struck through', marks.struck],
      ['Small capitals', marks.small_capitals],
    ] as const
  ).map(([words, type]) => ({ words, checked: hasLook(state, type), command: turnLook(type) })),
  {
    words: 'In another language …',
    apart: true,
    about: languageOf(state) ?? 'A title, a name or a term',
    command: asking('language'),
  },
  { words: 'Without any look', about: 'Links and bookmarks stay', command: plainWords },
  { words: 'A special sign …', apart: true, about: 'Found by its name', command: asking('sign') },
  {
    words: 'Show spaces and hyphens that hide',
    apart: true,
    checked: areSignsShown(state),
    command: showSigns,
  },
];

/** The language that the words at the selection are said to be in. */
function languageOf({ selection, storedMarks }: EditorState): string | null {
  const mark = marks.language.isInSet(storedMarks ?? selection.$to.marks());
  return mark ? nameOfLanguage(attrsOf.language(mark).tag) : null;
}

const asking =
  (ask: WriteAsk): Command =>
  (_state, dispatch) => {
    if (dispatch) askFor(ask);
    return true;
  };

/** What the block at the caret is. */
function blockWords({ type, attrs }: Node, isQuoted: boolean): string {
  if (type.name === 'heading')
    return ['Chapter heading', 'Heading', 'Smaller heading'][Math.min(2, Number(attrs.level) - 1)]!;
  if (type.name === 'code_block') return 'Passage of code';
  if (type.name === 'caption' || type.name === 'table_caption') return 'Caption';
  return isQuoted ? 'Quotation' : 'Paragraph';
}

/** Whether the caret stands in a node of this kind. */
const isWithin = ({ selection: { $from } }: EditorState, name: string): boolean =>
  Array.from({ length: $from.depth }, (_, depth) => $from.node(depth)).some(({ type }) => type.name === name);

/** What the line shows of the spot at the caret. Typing changes nothing of it, and then nothing is drawn. */
function atCaret(state: EditorState) {
  const { parent } = state.selection.$from;
  return {
    block: blockWords(parent, isWithin(state, 'quotation')),
    isCounted: parent.type.name === 'heading' ? !attrsOf.heading(parent).uncounted : undefined,
    isInTable: tableAt(state) !== null,
    isEmphasised: hasLook(state, marks.emphasis),
    isStrong: hasLook(state, marks.strong),
    isInList: isWithin(state, 'bullet_list'),
    isInNumbers: isWithin(state, 'ordered_list'),
  };
}

/** The short line of the most used actions over the text. */
export function ActionLine() {
  const at = useEditor(useShallow(({ state }) => state && atCaret(state)));
  const numbering = useBook((store) => store.book?.structure.numbering);
  const countings: ToolItem[] =
    at?.isCounted !== undefined && numbering !== 'none'
      ? [
          {
            words: 'This heading is numbered',
            apart: true,
            checked: at.isCounted,
            command: countHeading,
          },
        ]
      : [];
  const putPicture = () => {
    const { view } = useEditor.getState();
    if (view) choosePicture(view);
  };
  const [isFolded, setFolded] = useState(true);
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
      data-folded={isFolded ? '' : undefined}
      className="action-line flex shrink-0 flex-wrap items-center gap-px border-b border-line bg-sheet px-5 py-1.5 max-sm:px-2"
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
      <Toolbar.Button
        className="button order-last ml-auto sm:!hidden"
        data-look="quiet"
        data-size="small"
        aria-expanded={!isFolded}
        onMouseDown={(event) => event.preventDefault()}
        onClick={() => setFolded(!isFolded)}
      >
        {isFolded ? 'More' : 'Less'}
      </Toolbar.Button>
      <Act words="Note" icon={StickyNote} act={() => act(insertNote)} />
      <Act words="Bookmark" icon={Bookmark} act={() => act(draftBookmark)} />
      <Act words="Picture" icon={ImagePlus} act={putPicture} />
      <PutIn />
      {at?.isInTable && <TableMenu />}
      <Gap />
      <WaysThrough />
      <Gap />
      <ToolMenu
        className="min-w-28 !justify-between"
        face={
          <>
            {at?.block ?? 'Paragraph'} <span aria-hidden="true">▾</span>
          </>
        }
        items={[...BLOCKS, ...countings]}
      />
      <Act words="Emphasis" icon={Italic} on={at?.isEmphasised} act={() => run(textCommands.emphasis)} />
      <Act words="Strong" icon={Bold} on={at?.isStrong} act={() => run(textCommands.strong)} />
      {at && (
        <ToolMenu
          face={
            <>
              Words <span aria-hidden="true">▾</span>
            </>
          }
          items={wordItems}
        />
      )}
      <Act words="List" icon={List} on={at?.isInList} act={() => run(textCommands.bulletList)} />
      <Act
        words="Numbered list"
        icon={ListOrdered}
        on={at?.isInNumbers}
        act={() => run(textCommands.numberedList)}
      />
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

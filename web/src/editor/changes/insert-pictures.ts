import { schema } from '@vennet/core/manuscript';
import { closeHistory } from 'prosemirror-history';
import { NodeSelection, Plugin, type Transaction } from 'prosemirror-state';
import { dropPoint } from 'prosemirror-transform';
import { Fragment, Slice, type Node } from 'prosemirror-model';
import type { EditorView } from 'prosemirror-view';
import { dropSpot, keepSpot, spotIn } from '../state/kept-spots.js';
import { mint } from '../state/mint.js';
import { askForSlip } from '../state/slip.js';
import { openBook } from '../../book/open-book.js';
import type { Uploads } from '../../book/uploads.js';
import { openArea } from '../state/open-area.js';

/** Sends a picture and puts it into the text, at a position that is kept meanwhile; its slip then asks for words. */
export async function insertPicture(
  view: EditorView,
  file: File,
  at = view.state.selection.to,
): Promise<void> {
  await insertWhenSent(view, at, openBook().uploads.picture, file, ({ id }) =>
    schema.node('figure', { id: mint(), enclosure: id }),
  );
}

/** Sends a file to the Shelf and puts words that lead to it into the text. */
async function insertFileLink(view: EditorView, file: File, at: number): Promise<void> {
  await insertWhenSent(view, at, openBook().uploads.toShelf, file, ({ id, name }) => {
    const link = schema.marks.link.create({ id: mint(), destination: { kind: 'file', enclosure: id } });
    return schema.text(name.replace(/\.\w+$/, '').replace(/[-_]+/g, ' '), [link]);
  });
}

async function insertWhenSent(
  view: EditorView,
  at: number,
  send: Uploads['picture'],
  file: File,
  nodeFor: (file: { id: string; name: string }) => Node,
): Promise<void> {
  const transaction = view.state.tr;
  const spot = keepSpot(transaction, at);
  view.dispatch(transaction);
  const taken = await send(file);
  if (view.isDestroyed) return;
  const now = spotIn(view.state, spot) ?? view.state.selection.to;
  const change = dropSpot(view.state.tr, spot);
  if (taken) place(view, change, now, nodeFor(taken.file));
  else view.dispatch(change);
}

function place(view: EditorView, change: EditorView['state']['tr'], at: number, node: Node): void {
  closeHistory(change);
  if (node.isText) return view.dispatch(change.insert(at, node));
  const spot = placePicture(change, at, node);
  change.setSelection(NodeSelection.create(change.doc, spot));
  openArea(null);
  view.dispatch(askForSlip(change.scrollIntoView()));
}

/** Puts a figure near a spot: in the place of an empty line, or beside its block. Gives where it stands. */
export function placePicture(change: Transaction, at: number, node: Node): number {
  const $at = change.doc.resolve(at);
  const emptyLine = $at.parent.type.name === 'paragraph' && $at.parent.content.size === 0;
  const spot = emptyLine
    ? $at.before()
    : (dropPoint(change.doc, at, new Slice(Fragment.from(node), 0, 0)) ?? change.doc.content.size);
  if (emptyLine && $at.node(-1).childCount > 1) change.replaceWith(spot, spot + 2, node);
  else change.insert(spot, node);
  return spot;
}

const isPicture = (file: File) => file.type.startsWith('image/');

/** Pictures that are dropped on the text or pasted into it; other files that are dropped become links to the Shelf. */
export function droppedFiles(): Plugin {
  return new Plugin({
    props: {
      handleDrop(view, event, _slice, moved) {
        const files = [...(event.dataTransfer?.files ?? [])];
        if (moved || files.length === 0) return false;
        event.preventDefault();
        const at =
          view.posAtCoords({ left: event.clientX, top: event.clientY })?.pos ?? view.state.selection.to;
        for (const file of files) void (isPicture(file) ? insertPicture : insertFileLink)(view, file, at);
        return true;
      },
      handlePaste(view, event) {
        const pictures = [...(event.clipboardData?.files ?? [])].filter(isPicture);
        // A program that copies text often puts a picture of it beside it: the text is what is meant.
        if (pictures.length === 0 || event.clipboardData?.getData('text/plain')) return false;
        for (const file of pictures) void insertPicture(view, file);
        return true;
      },
    },
  });
}

/** Lets the author choose pictures from the computer. */
export function choosePicture(view: EditorView): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = 'image/*';
  input.onchange = () => {
    for (const file of input.files ?? []) void insertPicture(view, file);
  };
  input.click();
}

import { message } from '@vennet/core/language';
import { schema } from '@vennet/core/manuscript';
import type { ShelfTaken } from '@vennet/core/wire';
import type { EditorView } from 'prosemirror-view';
import { api } from '../../api/client.js';
import { openBook } from '../../book/open-book.js';
import { useBook } from '../../book/store.js';
import { tellFault, useNotices } from '../../parts/notices.js';
import { dropSpot, keepSpot, spotIn } from '../state/kept-spots.js';
import { mint } from '../state/mint.js';
import { pictureIn, type PastedParts, type PastedPicture } from './pasted-pictures.js';
import { placePicture } from './insert-pictures.js';

/** A picture that was pasted, and the spot that it goes to. */
interface Waiting extends PastedPicture {
  kept: number;
}

/** Brings pasted pictures to their spots: those that came along at once, those at an address when the author says so. Says what was left out. */
export function bringPictures(view: EditorView, { pictures, leftOut }: PastedParts): void {
  if (view.isDestroyed) return;
  const waiting = keepSpots(view, pictures);
  const here = waiting.filter(({ src }) => src.startsWith('data:') || src.startsWith('blob:'));
  const away = waiting.filter(({ src }) => /^https?:/i.test(src));
  void bringAll(view, here, async ({ src }) => {
    const file = pictureIn(src) ?? (await drawnAgain(src));
    return file ? openBook().uploads.picture(file) : null;
  });
  const lost = pictures.length - here.length - away.length + leftOut;
  if (lost > 0) useNotices.getState().tell(message(LOST, { lost }), { tone: 'fault' });
  if (away.length > 0)
    useNotices.getState().tell(message(AWAY, { count: away.length }), {
      action: { label: 'Fetch them', run: () => void bringAll(view, away, ({ src }) => fetched(src)) },
    });
}

const LOST =
  '{lost, plural, one {One thing was} other {# things were}} left out while pasting: a picture that lies on another computer, a film, a sound, a drawing or a form. Put pictures in with “Picture”.';
const AWAY =
  '{count, plural, one {One picture stands} other {# pictures stand}} at an address on the web, and did not come along.';

async function fetched(address: string): Promise<ShelfTaken | null> {
  const book = useBook.getState().book?.id;
  if (!book) return null;
  const taken = await api.takeFromAddress(book, address);
  openBook().files.put(taken.file);
  return taken;
}

/** The anchors in the places of pictures go; their spots are kept while the pictures are on their way. */
function keepSpots(view: EditorView, pictures: readonly PastedPicture[]): Waiting[] {
  const bySpot = new Map(pictures.map((picture) => [picture.spot, picture]));
  const found: { at: number; picture: PastedPicture }[] = [];
  view.state.doc.descendants((node, at) => {
    const picture = node.type === schema.nodes.anchor ? bySpot.get(String(node.attrs.id)) : undefined;
    if (picture) found.push({ at, picture });
  });
  const waiting: Waiting[] = [];
  for (const { at, picture } of found.reverse()) {
    const tr = view.state.tr.delete(at, at + 1);
    const kept = keepSpot(tr, at);
    view.dispatch(tr);
    waiting.unshift({ ...picture, kept });
  }
  return waiting;
}

async function bringAll(
  view: EditorView,
  pictures: readonly Waiting[],
  bring: (picture: Waiting) => Promise<ShelfTaken | null>,
): Promise<void> {
  for (const picture of pictures) {
    const taken = await bring(picture).catch((error: unknown) => {
      tellFault(error);
      return null;
    });
    if (view.isDestroyed) return;
    const at = spotIn(view.state, picture.kept);
    const tr = dropSpot(view.state.tr, picture.kept);
    if (taken && at !== undefined)
      placePicture(tr, at, schema.node('figure', { id: mint(), enclosure: taken.file.id, alt: picture.alt }));
    view.dispatch(tr);
  }
}

/** A picture that only this page can show, drawn again; `null` where it can't be. */
async function drawnAgain(src: string): Promise<File | null> {
  const image = new Image();
  image.src = src;
  try {
    await image.decode();
  } catch {
    return null;
  }
  const canvas = document.createElement('canvas');
  canvas.width = image.naturalWidth;
  canvas.height = image.naturalHeight;
  canvas.getContext('2d')?.drawImage(image, 0, 0);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve));
  return blob && new File([blob], 'pasted.png', { type: 'image/png' });
}

import { cleanDrawing, isDrawing, readPicture } from '@vennet/core/cleaning';
import { PICTURE_EXTENSIONS } from '@vennet/core/publish';
import sharp from 'sharp';

/** A picture and its media type. */
export interface Shown {
  type: string;
  bytes: Uint8Array;
}

/** A picture as books can show it; or why it can't be shown, and if it is a drawing, its harmless form. */
export type CheckedPicture = (Shown & { changed: string[] }) | { fault: string; drawing?: Uint8Array };

/**
 * Reads a picture to its last line, so that broken data is met now and not by readers. A drawing loses what could run in it; a type that not
 * every reading program shows becomes PNG.
 */
export async function checkPicture(bytes: Uint8Array): Promise<CheckedPicture> {
  const picture = readPicture(bytes);
  if ('fault' in picture) {
    const drawing = isDrawing(bytes) ? cleanDrawing(bytes) : picture;
    return 'fault' in drawing ? picture : { ...picture, drawing: drawing.bytes };
  }
  const shown = await shownEverywhere(picture);
  if (!shown) return { fault: 'the picture’s data is broken' };
  const { takenOut, links } = picture;
  const count = links.length === 1 ? 'A link in it was' : `${links.length} links in it were`;
  return {
    ...shown,
    changed: [
      ...(shown.type === picture.type ? [] : ['It became PNG, which every reading program shows.']),
      ...(takenOut > 0 ? ['What could run in it, or is fetched from elsewhere, was taken out.'] : []),
      ...(links.length > 0
        ? [`${count} taken out: draw link areas over the picture, which every reader can follow.`]
        : []),
    ],
  };
}

/** A picture in a type that every reading program shows; `null` when its data is broken. */
export async function shownEverywhere({ type, bytes }: Shown): Promise<Shown | null> {
  if (type === 'image/svg+xml') return { type, bytes };
  try {
    const image = sharp(bytes, { failOn: 'truncated', animated: type === 'image/gif' });
    if (!PICTURE_EXTENSIONS[type])
      return { type: 'image/png', bytes: new Uint8Array(await image.png().toBuffer()) };
    await image.stats();
    return { type, bytes };
  } catch {
    return null;
  }
}

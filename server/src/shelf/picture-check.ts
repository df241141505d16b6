import { readFile } from 'node:fs/promises';
import { readPicture, withoutScripts } from '@vennet/core/bring-in';
import { PICTURE_EXTENSIONS } from '@vennet/core/publish';
import sharp from 'sharp';

/** A picture as books can show it; or why it can't be shown, and if it is a drawing, its harmless form. */
export type CheckedPicture =
  { type: string; bytes: Uint8Array; changed: string | null } | { fault: string; drawing?: Uint8Array };

/** Pictures larger than this are not read, in bytes: nothing that is to be looked at needs it. */
const LARGEST = 100 * 2 ** 20;

/**
 * Reads a picture to its last line, so that broken data is met now and not by readers. An SVG loses what could run in
 * it; a type that not every reading program shows becomes PNG. `told` is its type by content.
 */
export async function checkPicture(path: string, size: number, told: string): Promise<CheckedPicture> {
  if (size > LARGEST) return { fault: 'the picture is larger than 100 MB' };
  const bytes = new Uint8Array(await readFile(path));
  const picture = readPicture(bytes);
  if (told === 'image/svg+xml') {
    const ran = RUNS.test(new TextDecoder().decode(bytes));
    const changed = ran ? 'What could run in it was taken out.' : null;
    return 'fault' in picture
      ? { ...picture, drawing: withoutScripts(bytes) }
      : { type: told, bytes: withoutScripts(bytes), changed };
  }
  if ('fault' in picture) return picture;
  try {
    const image = sharp(bytes, { failOn: 'truncated', animated: picture.type === 'image/gif' });
    if (PICTURE_EXTENSIONS[picture.type]) {
      await image.stats();
      return { ...picture, changed: null };
    }
    const png = new Uint8Array(await image.png().toBuffer());
    return { type: 'image/png', bytes: png, changed: 'It became PNG, which every reading program shows.' };
  } catch {
    return { fault: 'the picture’s data is broken' };
  }
}

const RUNS = /<(?:\w+:)?(?:script|foreignObject|iframe|object|embed|handler)\b|\son\w+\s*=|javascript:/i;

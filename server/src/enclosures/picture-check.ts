import { readFile } from 'node:fs/promises';
import { readPicture } from '@vennet/core/bring-in';
import { PICTURE_EXTENSIONS } from '@vennet/core/publish';
import sharp from 'sharp';

/** A picture as books can show it, or why it can't be shown. */
export type CheckedPicture = { type: string; bytes: Uint8Array; changed: string | null } | { fault: string };

/** Pictures larger than this are not read, in bytes: nothing that is to be looked at needs it. */
const LARGEST = 100 * 2 ** 20;

/**
 * Reads a picture to its last line, so that broken data is met now and not by readers. An SVG loses what could run in
 * it; a type that not every reading program shows becomes PNG.
 */
export async function checkPicture(path: string, size: number): Promise<CheckedPicture> {
  if (size > LARGEST) return { fault: 'the picture is larger than 100 MB' };
  const bytes = new Uint8Array(await readFile(path));
  const picture = readPicture(bytes);
  if ('fault' in picture) return picture;
  if (picture.type === 'image/svg+xml') {
    const ran = RUNS.test(new TextDecoder().decode(bytes));
    return { ...picture, changed: ran ? 'What could run in it was taken out.' : null };
  }
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

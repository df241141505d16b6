import { greyDrawing, type EnclosureFile } from '@vennet/core/publish';

/** The files of a book with their pictures in shades of grey. */
export const inGrey = (files: readonly EnclosureFile[]): Promise<EnclosureFile[]> =>
  Promise.all(
    files.map(async (file) => {
      const { type, bytes } = file;
      if (bytes.length === 0) return file;
      if (type === 'image/svg+xml')
        return { ...file, bytes: new TextEncoder().encode(greyDrawing(new TextDecoder().decode(bytes))) };
      // The first picture of a moving one is what a page shows.
      if (type === 'image/png' || type === 'image/jpeg') return { ...file, bytes: await greyPicture(bytes) };
      return file;
    }),
  );

async function greyPicture(bytes: Uint8Array): Promise<Uint8Array> {
  // Loaded only where it is needed.
  const { default: sharp } = await import('sharp');
  return new Uint8Array(await sharp(bytes).greyscale().toBuffer());
}

import { readBook } from '@vennet/core/manuscript';
import { editionOf, PICTURE_EXTENSIONS, type Edition } from '@vennet/core/publish';
import { surroundingsOf } from '@vennet/core/wire';
import { manuscriptFrom } from '../books/book-source.js';
import { FONT_TYPES, withFonts } from '../typesetting/fonts.js';
import { inGrey } from '../typesetting/grey.js';
import { filesOf, type SourceFile } from './files.js';
import type { PublishInput } from './publish-work.js';

/** What a book is looked at by, before a file of it is made. */
export type PageInput = Pick<PublishInput, 'source' | 'enclosures' | 'format'> &
  Partial<Pick<PublishInput, 'pdf' | 'flow'>>;

/** A book as it is set to be looked at: with its pictures and fonts, and no other file. Fonts that can’t be used are left out, and told. @throws FileRefusal */
export async function pageEdition({
  source,
  enclosures,
  format,
  pdf,
  flow,
}: PageInput): Promise<{ edition: Edition; refused: string[] }> {
  const book = manuscriptFrom(source);
  const isShown = ({ type }: SourceFile) => Boolean(PICTURE_EXTENSIONS[type]) || FONT_TYPES.has(type);
  const { files: read, notes: refused } = await withFonts(filesOf(enclosures, isShown));
  const files = pdf?.ink === 'grey' ? await inGrey(read) : read;
  const edition = editionOf(readBook(book), files, format, surroundingsOf(book), {
    ...(pdf && { pdf }),
    ...(flow && { flow }),
  });
  return { edition, refused };
}

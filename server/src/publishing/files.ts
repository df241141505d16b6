import { readFileSync } from 'node:fs';
import { harmless } from '@vennet/core/cleaning';
import type { EnclosureFile } from '@vennet/core/publish';
import { TypesettingError } from '../typesetting/typeset.js';

/** A file of the Shelf that a made file needs, and where its bytes lie. */
export interface SourceFile {
  id: string;
  name: string;
  type: string;
  path: string;
}

/** A file that can't go into the book. */
class FileRefusal extends Error {}

/** The files of a book, with the bytes of those that are wanted as they may go into it. @throws FileRefusal */
export const filesOf = (
  sources: readonly SourceFile[],
  wanted: (file: SourceFile) => boolean,
): EnclosureFile[] =>
  sources.map((file) => {
    const { id, name, type } = file;
    return { id, name, type, bytes: wanted(file) ? bytesOf(file) : new Uint8Array() };
  });

function bytesOf({ path, name, type }: SourceFile): Uint8Array {
  const made = harmless(type, read(path, name));
  if ('fault' in made)
    throw new FileRefusal(
      `The file “${name}” can’t go into the book: ${made.fault}. Replace it on the Shelf.`,
    );
  return made.bytes;
}

function read(path: string, name: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(path));
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    throw new FileRefusal(
      `The file “${name}” is lost from the store. Replace it on the Shelf, and make the book again.`,
    );
  }
}

/** What is said of an error that an author can do something about; `null` for any other. */
export function refusalWords(error: unknown): string | null {
  if (error instanceof FileRefusal) return error.message;
  if ((error as NodeJS.ErrnoException).code === 'ENOSPC')
    return 'The disk is full, so the file can’t be written. Free some space on it and make the file again.';
  if (!(error instanceof TypesettingError)) return null;
  return `The book can’t be set: ${error.message}.`;
}

import { rm } from 'node:fs/promises';
import { ProblemError } from './problem.js';

/** A file that was sent, as it lies on the disk. */
export interface Upload {
  path: string;
  name: string;
}

/** Browsers send file names as UTF-8; the parser takes them for Latin-1. What was sent is kept elsewhere or not at all. */
export async function withUpload<Result>(
  file: Express.Multer.File | undefined,
  use: (upload: Upload) => Promise<Result>,
): Promise<Result> {
  if (!file) throw new ProblemError(400, 'No file', 'Send the file as the field “file”.');
  try {
    return await use({ path: file.path, name: Buffer.from(file.originalname, 'latin1').toString() });
  } finally {
    await rm(file.path, { force: true });
  }
}

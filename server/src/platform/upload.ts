import { rm } from 'node:fs/promises';
import { ProblemError } from './problem.js';

/** A file that was sent, as it lies on the disk. */
export interface Upload {
  path: string;
  name: string;
  /** What opens it, where that is needed. */
  password?: string;
}

/** How the document of the HTTP interface describes a form with one file. */
export const FILE_BODY = {
  schema: { type: 'object', required: ['file'], properties: { file: { type: 'string', format: 'binary' } } },
};

/** What was sent as the field `file`. Browsers send file names as UTF-8; the parser takes them for Latin-1. @throws ProblemError */
export function uploadOf(file: Express.Multer.File | undefined): Upload {
  if (!file) throw new ProblemError(400, 'No file', 'Send the file as the field “file”.');
  return { path: file.path, name: Buffer.from(file.originalname, 'latin1').toString() };
}

/** Uses what was sent; afterwards it is kept elsewhere or not at all. */
export async function withUpload<Result>(
  file: Express.Multer.File | undefined,
  use: (upload: Upload) => Promise<Result>,
): Promise<Result> {
  const upload = uploadOf(file);
  try {
    return await use(upload);
  } finally {
    await rm(upload.path, { force: true });
  }
}

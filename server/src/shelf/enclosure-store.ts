import { createHash, randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { copyFile, mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';

/** The bytes of enclosures on disk, each once, named by its SHA-256. */
export class EnclosureStore {
  constructor(readonly directory: string) {}

  /** Keeps bytes and gives their SHA-256. A file is in place whole or not at all. */
  async keep(bytes: Uint8Array): Promise<string> {
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    await this.#place(sha256, (path) => writeFile(path, bytes));
    return sha256;
  }

  /** Keeps a file that lies elsewhere on the disk, without reading it into memory. */
  async keepFile(file: string): Promise<string> {
    const hash = createHash('sha256');
    await pipeline(createReadStream(file), hash);
    const sha256 = hash.digest('hex');
    await this.#place(sha256, (path) => copyFile(file, path));
    return sha256;
  }

  async #place(sha256: string, write: (path: string) => Promise<void>): Promise<void> {
    const path = this.pathOf(sha256);
    await mkdir(join(path, '..'), { recursive: true });
    const unfinished = `${path}.${randomUUID()}`;
    try {
      await write(unfinished);
      await rename(unfinished, path);
    } catch (error) {
      await rm(unfinished, { force: true });
      throw error;
    }
  }

  pathOf(sha256: string): string {
    return join(this.directory, sha256.slice(0, 2), sha256);
  }
}

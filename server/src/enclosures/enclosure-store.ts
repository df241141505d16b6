import { createHash, randomUUID } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The bytes of enclosures on disk, each once, named by its SHA-256. */
export class EnclosureStore {
  constructor(readonly directory: string) {}

  /** Keeps bytes and gives their SHA-256. A file is in place whole or not at all. */
  async keep(bytes: Uint8Array): Promise<string> {
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    const path = this.pathOf(sha256);
    await mkdir(join(path, '..'), { recursive: true });
    const unfinished = `${path}.${randomUUID()}`;
    await writeFile(unfinished, bytes);
    await rename(unfinished, path);
    return sha256;
  }

  read(sha256: string): Promise<Buffer> {
    return readFile(this.pathOf(sha256));
  }

  pathOf(sha256: string): string {
    return join(this.directory, sha256.slice(0, 2), sha256);
  }
}

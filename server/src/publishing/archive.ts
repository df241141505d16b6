import { createReadStream } from 'node:fs';
import { once } from 'node:events';
import { PassThrough, type Readable } from 'node:stream';
import { Zip, ZipPassThrough } from 'fflate';

/** A ZIP archive of files on the disk, read as it is written: no more than a piece of one is in memory. */
export function archiveOf(files: readonly { path: string; from: string }[]): Readable {
  const archive = new PassThrough();
  const zip = new Zip((error, chunk, last) => {
    if (error) return void archive.destroy(error);
    archive.write(chunk);
    if (last) archive.end();
  });
  const write = async () => {
    for (const { path, from } of files) {
      const entry = new ZipPassThrough(path);
      zip.add(entry);
      for await (const chunk of createReadStream(from) as AsyncIterable<Buffer>) {
        entry.push(chunk);
        if (archive.writableNeedDrain) await once(archive, 'drain');
      }
      entry.push(new Uint8Array(), true);
    }
    zip.end();
  };
  write().catch((error: Error) => archive.destroy(error));
  return archive;
}

import { createReadStream } from 'node:fs';
import { once } from 'node:events';
import { PassThrough, type Readable } from 'node:stream';
import { Zip, ZipPassThrough } from 'fflate';

/** A file of an archive: one on the disk, or what is in it. */
export type ArchivedFile = { path: string; from: string } | { path: string; content: Uint8Array };

/** A ZIP archive of files, those on the disk read as it is written: no more than a piece of one is in memory. */
export function archiveOf(files: readonly ArchivedFile[]): Readable {
  const archive = new PassThrough();
  const zip = new Zip((error, chunk, last) => {
    if (error) return void archive.destroy(error);
    archive.write(chunk);
    if (last) archive.end();
  });
  const write = async () => {
    for (const file of files) {
      const entry = new ZipPassThrough(file.path);
      zip.add(entry);
      const chunks =
        'content' in file ? [file.content] : (createReadStream(file.from) as AsyncIterable<Uint8Array>);
      for await (const chunk of chunks) {
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

import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { Injectable } from '@nestjs/common';
import { PageReader, StreamDecoder } from '@vennet/core/page';
import type { FileAnswer } from '@vennet/core/reach';
import type { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { spotsInPdf } from '../probe/pdf-spots.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import { claimOf } from '../shelf/identify.js';

/** Looks at files of the Shelf: whether their bytes are there and the same, of what kind they are, and whether they have a spot. */
@Injectable()
export class ShelfFiles {
  constructor(private readonly store: EnclosureStore) {}

  async look(file: EnclosureEntity | undefined, fragment: string): Promise<FileAnswer> {
    const parts = { edition: 2 as const, outcome: 'file' as const, at: new Date().toISOString() };
    if (!file) return { ...parts, state: 'lost' };
    const path = this.store.pathOf(file.sha256);
    const hash = createHash('sha256');
    try {
      await pipeline(createReadStream(path), hash);
    } catch (error) {
      const isLost = (error as NodeJS.ErrnoException).code === 'ENOENT';
      return { ...parts, state: isLost ? 'lost' : 'unreadable' };
    }
    if (hash.digest('hex') !== file.sha256) return { ...parts, state: 'other-bytes' };
    const claim = claimOf(file.name, file.type);
    if (claim !== null) return { ...parts, state: 'other-type', found: file.type };
    if (fragment === '') return { ...parts, state: 'there' };
    if (file.type === 'application/pdf') {
      const found = await spotsInPdf(path, [fragment]);
      return {
        ...parts,
        state: 'there',
        fragment: found?.fragments[0]?.[1] ?? 'unread',
        pages: found?.pages ?? null,
      };
    }
    if (!/html|xml/.test(file.type)) return { ...parts, state: 'there' };
    const reader = new PageReader([fragment], { xml: /xml/.test(file.type) });
    const decoder = new StreamDecoder(undefined);
    for await (const bytes of createReadStream(path) as AsyncIterable<Uint8Array>)
      reader.write(decoder.write(bytes));
    reader.write(decoder.end());
    return { ...parts, state: 'there', fragment: reader.end(true).fragments.get(fragment) ?? 'missing' };
  }
}

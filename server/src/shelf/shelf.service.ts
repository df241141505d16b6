import { randomUUID } from 'node:crypto';
import { readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Injectable, type OnApplicationBootstrap } from '@nestjs/common';
import type { BroughtEnclosure } from '@vennet/core/bring-in';
import { pixelsOf } from '@vennet/core/cleaning';
import { safeFileName, type ShelfFile } from '@vennet/core/shelf';
import type { ShelfChanges, ShelfTaken } from '@vennet/core/wire';
import { DataSource, IsNull, Like, Not, type Repository } from 'typeorm';
import { FONT_TYPES } from '../typesetting/fonts.js';
import { inProcess, ProcessDeath } from '../jobs/in-process.js';
import { mint } from '../platform/mint.js';
import { LOCAL_AUTHOR } from '../platform/author.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { publicAddress } from '../platform/public-address.js';
import type { Upload } from '../platform/upload.js';
import { EnclosureStore } from './enclosure-store.js';
import { shelfFileOf } from './shelf-file.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { EnclosureEntity } from '../database/entities/enclosure.entity.js';
import { NotFetched } from '../probe/fetched-file.js';
import { Prober } from '../probe/prober.js';
import { claimOf, identify } from './identify.js';
import type { CheckedPicture } from './picture-check.js';

interface Content {
  name: string;
  type: string;
  size: string;
  sha256: string;
  pixels: { width: number; height: number } | null;
  notes: string[];
}

/** The most that is taken of a picture at an address, in bytes. */
const MOST_FETCHED = 20 * 2 ** 20;

/** The files of a book: taken in, replaced, renamed, removed and put back. A link names a file by its id, which stays. */
@Injectable()
export class ShelfService implements OnApplicationBootstrap {
  readonly #books: Repository<BookEntity>;
  readonly #rows: Repository<EnclosureEntity>;

  constructor(
    database: DataSource,
    private readonly store: EnclosureStore,
    private readonly prober: Prober,
  ) {
    this.#books = database.getRepository(BookEntity);
    this.#rows = database.getRepository(EnclosureEntity);
  }

  /** Pictures that were taken in before their size was kept are measured. */
  async onApplicationBootstrap(): Promise<void> {
    const rows = await this.#rows.findBy({ pixels: IsNull(), type: Like('image/%') });
    for (const { id, sha256, size } of rows) {
      if (Number(size) > LARGEST) continue;
      const bytes = await readFile(this.store.pathOf(sha256)).catch(() => null);
      const pixels = bytes && pixelsOf(bytes);
      if (pixels) await this.#rows.update({ id }, { pixels });
    }
  }

  /** The files on the Shelf of a book, or those that were taken off it. */
  async ofBook(bookId: string, removed = false): Promise<ShelfFile[]> {
    const deletedAt = removed ? Not(IsNull()) : IsNull();
    const rows = await this.#rows.find({ where: { bookId, deletedAt }, order: { name: 'ASC' } });
    return rows.map(shelfFileOf);
  }

  /** The rows of the files on the Shelf of a book. */
  async rows(bookId: string): Promise<EnclosureEntity[]> {
    return this.#rows.find({ where: { bookId, deletedAt: IsNull() }, order: { name: 'ASC' } });
  }

  /** Keeps the files that a book was brought in with, and gives the rows that are to be stored with it. */
  async keepBrought(bookId: string, files: readonly BroughtEnclosure[]): Promise<EnclosureEntity[]> {
    const rows: EnclosureEntity[] = [];
    for (const { id, name: given, type: told, bytes, picture } of files) {
      const sha256 = await this.store.keep(bytes);
      const name = safeFileName(given);
      const type = picture ? told : await identify(this.store.pathOf(sha256), name);
      const pixels = picture ? pixelsOf(bytes) : null;
      rows.push({ ...newRow(id, bookId), name, type, size: String(bytes.length), sha256, pixels });
    }
    return rows;
  }

  /** @throws ProblemError when there is no such book in the Library */
  async bookMustBe(bookId: string): Promise<void> {
    if (!(await this.#books.existsBy({ id: bookId, deletedAt: IsNull() }))) throw notFound('book');
  }

  /** Takes a file in; `asPicture`: only if it can be shown. @throws ProblemError, and then nothing is kept */
  async take(bookId: string, upload: Upload, asPicture: boolean): Promise<ShelfTaken> {
    const { notes, ...content } = await this.#read(upload, asPicture);
    const row: EnclosureEntity = { ...newRow(mint(), bookId), ...content };
    await this.#rows.insert(row);
    return { file: shelfFileOf(row), notes };
  }

  /** Takes a picture in that stands at an address of the web. @throws ProblemError, and then nothing is kept */
  async takeFromAddress(bookId: string, address: string): Promise<ShelfTaken> {
    const path = join(tmpdir(), `vennet-fetched-${randomUUID()}`);
    try {
      const { href, bytes } = await this.prober.file(address, MOST_FETCHED);
      await writeFile(path, bytes);
      const name = decodeURIComponent(new URL(href).pathname.split('/').at(-1) ?? '') || 'picture';
      return await this.take(bookId, { path, name }, true);
    } catch (error) {
      if (!(error instanceof NotFetched)) throw error;
      throw new ProblemError(
        422,
        'Not fetched',
        `The picture at ${address.slice(0, 200)} did not come: ${error.message}. Save it on your computer and put it in with “Picture”.`,
      );
    } finally {
      await rm(path, { force: true });
    }
  }

  /** Puts a new version in the place of a file: every link and picture follows. The old one can be gone back to. */
  async replace(id: string, upload: Upload): Promise<ShelfTaken> {
    const row = await this.row(id);
    const wasPicture = row.type.startsWith('image/');
    const { notes, ...content } = await this.#read(upload, wasPicture);
    const { sha256, type, name } = row;
    const old = { sha256, type, name, size: Number(row.size), until: new Date().toISOString() };
    // The name stays what links and readers know; only its ending follows the type.
    const changed = { ...content, name: withEnding(name, content.name), earlier: [...row.earlier, old] };
    await this.#rows.update({ id }, changed);
    return { file: shelfFileOf({ ...row, ...changed }), notes };
  }

  /** Takes the last replacement back. */
  async goBack(id: string): Promise<ShelfFile> {
    const row = await this.row(id);
    const earlier = [...row.earlier];
    const old = earlier.pop();
    if (!old)
      throw new ProblemError(
        409,
        'No earlier version',
        'This file was not replaced, so there is nothing to go back to.',
      );
    const { sha256, type, name, size } = old;
    const pixels = type.startsWith('image/') ? pixelsOf(await readFile(this.store.pathOf(sha256))) : null;
    const changed = { sha256, type, name, size: String(size), pixels, earlier };
    await this.#rows.update({ id }, changed);
    return shelfFileOf({ ...row, ...changed });
  }

  async change(id: string, changes: ShelfChanges): Promise<ShelfFile> {
    const row = await this.row(id);
    const { name, address } = changes;
    const checked = {
      ...changes,
      ...(name === undefined ? {} : { name: safeFileName(name) }),
      ...(address === undefined ? {} : { address: publicAddress(address) }),
    };
    // What was not sent stays as it is.
    const changed = Object.fromEntries(Object.entries(checked).filter(([, value]) => value !== undefined));
    if (Object.keys(changed).length > 0) await this.#rows.update({ id }, changed);
    return shelfFileOf({ ...row, ...changed });
  }

  async setDeleted(id: string, deleted: boolean): Promise<void> {
    const result = await this.#rows.update({ id }, { deletedAt: deleted ? new Date() : null });
    if (result.affected === 0) throw notFound('file');
  }

  /** The row of a file that is on a Shelf. */
  async row(id: string): Promise<EnclosureEntity> {
    const row = await this.#rows.findOneBy({ id, deletedAt: IsNull() });
    if (!row) throw notFound('file');
    return row;
  }

  async #read({ path, name: given }: Upload, asPicture: boolean): Promise<Content> {
    const { size } = await stat(path);
    const safe = safeFileName(given);
    if (size === 0)
      throw new ProblemError(
        422,
        'The file is empty',
        `“${safe}” is empty, so nothing was kept. Choose it again, or export it anew from the program that made it.`,
      );
    const type = await identify(path, safe);
    const asItIs = async (...notes: string[]): Promise<Content> => ({
      name: safe,
      type,
      size: String(size),
      pixels: type.startsWith('image/') && size <= LARGEST ? pixelsOf(await readFile(path)) : null,
      sha256: await this.store.keepFile(path),
      notes: [...claimNotes(safe, type), ...notes],
    });
    if (!asPicture && FONT_TYPES.has(type)) return asItIs(await aboutFont(path, safe, type));
    if (!asPicture && !type.startsWith('image/')) return asItIs();
    const drawing = type === 'image/svg+xml';
    const picture = await pictureIn(path, size);
    if ('fault' in picture) {
      const note = `It can’t be shown in the text: ${picture.fault}.`;
      // A drawing is never kept with what could run in it.
      if (!asPicture && picture.drawing) return this.#inMemory(safe, type, picture.drawing, note);
      if (!asPicture && !drawing) return asItIs(note);
      throw new ProblemError(
        422,
        'The picture can’t be shown',
        `“${safe}”: ${picture.fault}. Nothing was kept, and the text is as it was. Save it anew as PNG, JPEG or SVG and try again.`,
      );
    }
    // Pictures are changed only to be shown.
    if (!asPicture && !drawing) return asItIs();
    const name = picture.type === type ? safe : `${safe.replace(/\.\w+$/, '')}.png`;
    return this.#inMemory(name, picture.type, picture.bytes, ...picture.changed);
  }

  async #inMemory(name: string, type: string, bytes: Uint8Array, ...notes: string[]): Promise<Content> {
    return {
      name,
      type,
      size: String(bytes.length),
      pixels: pixelsOf(bytes),
      sha256: await this.store.keep(bytes),
      notes: [...claimNotes(name, type), ...notes],
    };
  }
}

/** Pictures larger than this are not read, in bytes: nothing that is to be looked at needs it. */
const LARGEST = 100 * 2 ** 20;
/** What reading one picture may take. */
const LIMITS = { memory: 2 ** 30, time: 60_000 };

/** The picture in a file as books can show it, read in a process of its own. */
async function pictureIn(path: string, size: number): Promise<CheckedPicture> {
  if (size > LARGEST) return { fault: 'the picture is larger than 100 MB' };
  const file = new URL('./picture.process.js', import.meta.url);
  return inProcess<never, CheckedPicture>(file, { path }, { limits: LIMITS }).catch((error: unknown) => {
    if (error instanceof ProcessDeath)
      return { fault: 'it takes more time or memory to read than a picture may' };
    throw error;
  });
}

/** What can be done with a font, read in a process of its own. */
function aboutFont(path: string, name: string, type: string): Promise<string> {
  const file = new URL('./font.process.js', import.meta.url);
  return inProcess<never, string>(file, { path, name, type }, { limits: LIMITS }).catch((error: unknown) => {
    if (error instanceof ProcessDeath)
      return `The font “${name}” takes more time or memory to read than a font may, so it is not used.`;
    throw error;
  });
}

/** What is decided of a new file until its author says otherwise. */
function newRow(id: string, bookId: string): Omit<EnclosureEntity, keyof Omit<Content, 'notes'>> {
  return {
    id,
    bookId,
    description: '',
    opensFor: 'everyone',
    travels: 'inside',
    address: null,
    earlier: [],
    createdBy: LOCAL_AUTHOR,
    createdAt: new Date(),
    deletedAt: null,
  };
}

function claimNotes(name: string, type: string): string[] {
  const claim = claimOf(name, type);
  return claim
    ? [
        `Its name says that it is a ${claim}, but by its content it is “${type}”. Give it its true ending, or readers’ programs may refuse it.`,
      ]
    : [];
}

function withEnding(name: string, other: string): string {
  const ending = /\.\w+$/.exec(other)?.[0] ?? '';
  return name.replace(/\.\w+$/, '') + ending;
}

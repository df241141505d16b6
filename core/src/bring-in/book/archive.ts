import { Inflate } from 'fflate';
import { BringInError } from './refusal.js';

/** Bounds on what is unpacked; sizes in bytes. */
export interface ArchiveBounds {
  entries: number;
  /** Of all entries together, unpacked. */
  total: number;
  /** Unpacked to packed, for entries of more than a megabyte. */
  ratio: number;
}

export const ARCHIVE_BOUNDS: ArchiveBounds = { entries: 10_000, total: 512 * 2 ** 20, ratio: 250 };

interface Entry {
  name: string;
  method: number;
  crc: number;
  packed: number;
  unpacked: number;
  offset: number;
}

const CHUNK = 64 * 1024;
const MEGABYTE = 2 ** 20;

/**
 * Unpacks a ZIP archive (APPNOTE 6.3.3: stored and deflated entries) into memory, by file name. What the directory
 * promises is checked against the bounds before anything is unpacked, and what comes out against what was promised.
 *
 * @throws BringInError when it is broken, encrypted, beyond the bounds, or names a path outside itself
 */
export function unpack(bytes: Uint8Array, bounds: ArchiveBounds = ARCHIVE_BOUNDS): Map<string, Uint8Array> {
  const entries = directory(bytes, bounds);
  let total = 0;
  for (const entry of entries) {
    total += entry.unpacked;
    const ratio = entry.unpacked / Math.max(1, entry.packed);
    if (total > bounds.total || (entry.unpacked > MEGABYTE && ratio > bounds.ratio))
      throw new BringInError(
        'archive-bounds',
        `This file unpacks to far more than a book needs (“${entry.name}”), so it was not opened. If it is a real book, ask its maker for a smaller file.`,
      );
    assertInside(entry.name);
  }
  const files = new Map<string, Uint8Array>();
  for (const entry of entries)
    if (!entry.name.endsWith('/') && !files.has(entry.name)) files.set(entry.name, unpackEntry(bytes, entry));
  return files;
}

const broken = (what: string) =>
  new BringInError(
    'broken-archive',
    `This file is damaged: ${what}. Download or copy it again, then bring it in.`,
  );

function directory(bytes: Uint8Array, bounds: ArchiveBounds): Entry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = endRecord(view);
  const count = view.getUint16(end + 10, true);
  if (count === 0xffff || count > bounds.entries)
    throw new BringInError(
      'archive-bounds',
      `This file holds more than ${bounds.entries} parts, so it was not opened.`,
    );
  const entries: Entry[] = [];
  let at = view.getUint32(end + 16, true);
  for (let index = 0; index < count; index++) {
    if (at + 46 > end || view.getUint32(at, true) !== 0x02014b50)
      throw broken('its table of contents is cut off');
    const nameLength = view.getUint16(at + 28, true);
    const name = new TextDecoder().decode(bytes.subarray(at + 46, at + 46 + nameLength));
    if (view.getUint16(at + 8, true) & 1)
      throw new BringInError(
        'encrypted',
        'This file is locked with a password. Bring in a copy without one.',
      );
    entries.push({
      name,
      method: view.getUint16(at + 10, true),
      crc: view.getUint32(at + 16, true),
      packed: view.getUint32(at + 20, true),
      unpacked: view.getUint32(at + 24, true),
      offset: view.getUint32(at + 42, true),
    });
    at += 46 + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}

/** The end-of-directory record is the last thing in the file but for a comment of up to 65,535 bytes. */
function endRecord(view: DataView): number {
  const first = Math.max(0, view.byteLength - 22 - 0xffff);
  for (let at = view.byteLength - 22; at >= first; at--)
    if (view.getUint32(at, true) === 0x06054b50) return at;
  throw broken('its end is missing');
}

function assertInside(name: string): void {
  const outside =
    name.startsWith('/') || /^[a-z]:/i.test(name) || /[\\\0]/.test(name) || name.split('/').includes('..');
  if (outside)
    throw new BringInError(
      'unsafe-path',
      `This file holds a part that points outside itself (“${name}”), so it was not opened.`,
    );
}

function unpackEntry(bytes: Uint8Array, entry: Entry): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (entry.offset + 30 > bytes.length || view.getUint32(entry.offset, true) !== 0x04034b50)
    throw broken(`“${entry.name}” is not where it should be`);
  const names = view.getUint16(entry.offset + 26, true) + view.getUint16(entry.offset + 28, true);
  const start = entry.offset + 30 + names;
  if (start + entry.packed > bytes.length) throw broken(`“${entry.name}” is cut off`);
  const packed = bytes.subarray(start, start + entry.packed);
  const unpacked = entry.method === 0 ? packed.slice() : entry.method === 8 ? inflate(packed, entry) : null;
  if (!unpacked) throw broken(`“${entry.name}” is packed in a way that books don’t use`);
  if (unpacked.length !== entry.unpacked || crc32(unpacked) !== entry.crc)
    throw broken(`“${entry.name}” can’t be read`);
  return unpacked;
}

/** Inflates piece by piece, so that an entry that lies about its size is stopped where its promise ends. */
function inflate(packed: Uint8Array, entry: Entry): Uint8Array {
  const unpacked = new Uint8Array(entry.unpacked);
  let length = 0;
  const inflater = new Inflate((chunk) => {
    if (length + chunk.length > unpacked.length)
      throw new BringInError(
        'archive-bounds',
        `“${entry.name}” unpacks to more than it says, so the file was not opened.`,
      );
    unpacked.set(chunk, length);
    length += chunk.length;
  });
  try {
    for (let at = 0; at < packed.length || at === 0; at += CHUNK)
      inflater.push(packed.subarray(at, at + CHUNK), at + CHUNK >= packed.length);
  } catch (error) {
    throw error instanceof BringInError ? error : broken(`“${entry.name}” can’t be unpacked`);
  }
  return unpacked.subarray(0, length);
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, index) => {
  let value = index;
  for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  return value >>> 0;
});

/** CRC-32 as ZIP uses it (ISO 3309). */
function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) crc = (CRC_TABLE[(crc ^ byte) & 0xff] ?? 0) ^ (crc >>> 8);
  return (crc ^ 0xffffffff) >>> 0;
}

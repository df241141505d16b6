import { describe, expect, test } from '@jest/globals';
import { zip } from '../../testing/zip.js';
import { BringInError, unpack } from '../index.js';

function faultOf(bytes: Uint8Array, bounds?: Parameters<typeof unpack>[1]): string {
  try {
    unpack(bytes, bounds);
    return 'none';
  } catch (error) {
    return error instanceof BringInError ? error.fault : String(error);
  }
}

/** Where a four-byte signature stands in a file, from the end. */
function at(bytes: Uint8Array, signature: number): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let offset = bytes.length - 4; offset >= 0; offset--)
    if (view.getUint32(offset, true) === signature) return offset;
  throw new Error('no such signature');
}

const set32 = (bytes: Uint8Array, offset: number, value: number) =>
  new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength).setUint32(offset, value, true);

const DIRECTORY = 0x02014b50;
const small = () => zip({ 'a.txt': 'tides '.repeat(100), 'b/c.txt': 'lamps' });

describe('unpacking an archive', () => {
  test('gives every file by its name', () => {
    const files = unpack(small());
    expect([...files.keys()]).toEqual(['a.txt', 'b/c.txt']);
    expect(new TextDecoder().decode(files.get('a.txt'))).toBe('tides '.repeat(100));
  });

  test('stops at too many parts, too much in all, too high a ratio', () => {
    const bounds = { entries: 10, total: 4_000_000, ratio: 100 };
    const many = Object.fromEntries(Array.from({ length: 11 }, (_, index) => [`${index}.txt`, 'x']));
    expect(faultOf(zip(many), bounds)).toBe('archive-bounds');
    expect(
      faultOf(
        zip({ a: crypto.getRandomValues(new Uint8Array(60_000)), b: new Uint8Array(4_000_000) }),
        bounds,
      ),
    ).toBe('archive-bounds');
    expect(faultOf(zip({ a: new Uint8Array(3_000_000) }), bounds)).toBe('archive-bounds');
    expect(faultOf(small(), bounds)).toBe('none');
  });

  test('stops an entry that unpacks to more than it says', () => {
    const bomb = zip({ a: new Uint8Array(50_000_000) });
    set32(bomb, at(bomb, DIRECTORY) + 24, 1000);
    expect(faultOf(bomb)).toBe('archive-bounds');
  });

  test.each(['../out.txt', '/etc/passwd', 'a/../../b', 'C:/x', 'a\\..\\b'])(
    'refuses a part that is called %s',
    (name) => {
      expect(faultOf(zip({ [name]: 'x' }))).toBe('unsafe-path');
    },
  );

  test('refuses one with a password', () => {
    const locked = small();
    locked[at(locked, DIRECTORY) + 8]! |= 1;
    expect(faultOf(locked)).toBe('encrypted');
  });

  test('says that a broken one is broken, wherever it is cut or changed', () => {
    const bytes = small();
    for (const length of [2, 10, 60, bytes.length - 30, bytes.length - 1])
      expect(faultOf(bytes.slice(0, length))).toBe('broken-archive');
    const changed = bytes.slice();
    changed[45]! ^= 0xff;
    expect(faultOf(changed)).toBe('broken-archive');
  });
});

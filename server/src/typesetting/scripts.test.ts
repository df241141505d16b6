import { existsSync, readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { computedLinks, editionOf, expectedLinks, withPages } from '@vennet/core/publish';
import { fontsByScript, linksInPdf, prove } from '@vennet/core/readback';
import { bookOf, heading, linked, paragraph, place } from '@vennet/core/testing';
import wawoff2 from 'wawoff2';
import { run } from '../testing/readers.js';
import { finishPdf } from './finish.js';
import { ships, withFonts } from './fonts.js';
import { setPages } from './typeset.js';

/** Debian's fonts-noto-cjk. */
const HAS_FONT = existsSync('/usr/share/fonts/opentype/noto/NotoSerifCJK-Regular.ttc');

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-scripts-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

test.each([
  ['ja', 'JP', '骨'],
  ['ko', 'KR', '骨한'],
  ['zh', 'SC', '骨'],
  ['zh-Hans-SG', 'SC', '骨'],
  ['zh-TW', 'TC', '骨'],
  ['zh-Hant', 'TC', '骨'],
  ['zh-HK', 'HK', '骨'],
])(
  'a book in %s is set in the variant %s where the machine has it, else its signs are told',
  async (language, variant, signs) => {
    const book = { ...bookOf([heading(1, 'One'), paragraph(signs)]), language };
    const { bytes, unseen, notes } = setPages(editionOf(book, [], 'pdf')).write();
    const path = join(folder, `${language}.pdf`);
    await writeFile(path, bytes);
    const { stdout: fonts } = await run('pdffonts', [path]);
    if (HAS_FONT) {
      expect(fonts).toContain(`NotoSerifCJK${variant.toLowerCase()}`);
      expect(notes).toEqual([]);
    } else expect([...unseen]).toEqual([...signs]);
  },
);

/** Words of each script that has a font of Vennet's own, invented where they mean something. */
const WORDS = {
  Arabic: ['ar', 'المنارة الصغيرة'],
  Hebrew: ['he', 'המגדלור הקטן'],
  Devanagari: ['hi', 'छोटा प्रकाशस्तंभ'],
  Thai: ['th', 'ประภาคารเล็ก'],
  Malayalam: ['ml', 'ചെറിയ വിളക്കുമാടം'],
} as const;

test.each(Object.entries(WORDS))(
  '%s has a font that ships, and no letter is lost',
  async (script, [language, words]) => {
    const book = { ...bookOf([heading(1, words), paragraph(`${words} 12`)]), language };
    const { bytes, unseen, notes } = setPages(editionOf(book, [], 'pdf')).write();
    expect([...unseen]).toEqual([]);
    expect(notes).toEqual([]);
    const fonts = [...((await fontsByScript(bytes)).get(script)?.keys() ?? [])];
    expect(fonts.length).toBeGreaterThan(0);
    expect(fonts.every(ships)).toBe(true);
  },
);

test('links whose words are in these scripts, and headings in them that are led to, are read back as they are', async () => {
  const all = [...Object.values(WORDS).map(([, words]) => words), 'λύχνος', 'маяк'];
  const book = bookOf([
    heading(1, 'One'),
    ...all.map((words, index) => heading(2, words, `h${index}`)),
    ...all.map((words, index) =>
      paragraph(
        'See ',
        linked(words, `https://lamp.example/${index}`),
        ' and ',
        linked(`to ${words}`, place(`h${index}`)),
      ),
    ),
  ]);
  const set = setPages(editionOf(book, [], 'pdf')).write();
  const edition = withPages(editionOf(book, [], 'pdf'), set.labels);
  const { links } = await linksInPdf(await finishPdf(set.bytes, edition, set.places));
  const { changed, lost } = prove(expectedLinks(edition), links, computedLinks(edition));
  expect([changed, lost]).toEqual([[], []]);
});

describe('a font of the Shelf', () => {
  const cut = '@expo-google-fonts/noto-sans-malayalam/400Regular/NotoSansMalayalam_400Regular.ttf';
  const shipped = readFileSync(createRequire(import.meta.url).resolve(cut));
  /** The same font by another name, so that it is told from the one that ships. */
  const renamed = () => {
    const bytes = Buffer.from(shipped);
    for (const [from, to] of [
      [Buffer.from('NotoSans'), Buffer.from('NotaSans')],
      [Buffer.from('Noto Sans', 'utf16le').swap16(), Buffer.from('Nota Sans', 'utf16le').swap16()],
      [Buffer.from('NotoSans', 'utf16le').swap16(), Buffer.from('NotaSans', 'utf16le').swap16()],
    ] as const)
      for (let at = bytes.indexOf(from); at >= 0; at = bytes.indexOf(from, at + 1)) to.copy(bytes, at);
    return bytes;
  };
  const file = (bytes: Uint8Array, type = 'font/ttf') => ({ id: 'f', name: 'own.ttf', type, bytes });
  /** The rights in the table OS/2 (OpenType 1.9), written over. */
  const withRights = (bytes: Buffer, rights: number) => {
    for (let entry = 12; ; entry += 16)
      if (bytes.toString('latin1', entry, entry + 4) === 'OS/2') {
        bytes.writeUInt16BE(rights, bytes.readUInt32BE(entry + 8) + 8);
        return bytes;
      }
  };

  test.each([
    ['TTF', 'font/ttf', (bytes: Buffer) => Promise.resolve(bytes)],
    ['WOFF2', 'font/woff2', (bytes: Buffer) => wawoff2.compress(bytes)],
  ])('as %s comes before those that ship, and is in the file', async (_kind, type, packed) => {
    const { files, notes } = await withFonts([file(new Uint8Array(await packed(renamed())), type)]);
    expect(notes).toEqual([]);
    const book = { ...bookOf([heading(1, 'One'), paragraph(WORDS.Malayalam[1])]), language: 'ml' };
    const { bytes } = setPages(editionOf(book, files, 'pdf')).write();
    expect([...((await fontsByScript(bytes)).get('Malayalam')?.keys() ?? [])].join()).toMatch(
      /^\w+\+NotaSansMalayalam/,
    );
  });

  test.each([
    [0x0002, /forbids to embed it in files/],
    [0x0100, /only the letters that are used/],
    [0x0200, /pictures of its letters only/],
  ])('whose rights are %i is not used, and told', async (rights, why) => {
    const { files, notes } = await withFonts([file(withRights(renamed(), rights))]);
    expect(files).toEqual([]);
    expect(notes.join()).toMatch(why);
  });

  test('that may be embedded for reading and editing is used', async () => {
    expect((await withFonts([file(withRights(renamed(), 0x000c))])).notes).toEqual([]);
  });

  test.each([
    ['cut off', (bytes: Buffer) => bytes.subarray(0, 3000)],
    ['no font at all', () => Buffer.from('Only words.')],
    [
      'full of noise',
      (bytes: Buffer) => Buffer.from(bytes.map((byte, at) => (at > 12 ? byte ^ (at * 31) : byte))),
    ],
  ])('that is %s is told, and not used', async (_what, spoil) => {
    const { files, notes } = await withFonts([file(new Uint8Array(spoil(renamed())))]);
    expect(files).toEqual([]);
    expect(notes.join()).toMatch(/is broken/);
  });
});

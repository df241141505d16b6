import { existsSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { editionOf } from '@vennet/core/publish';
import { bookOf, heading, paragraph } from '@vennet/core/testing';
import { run } from '../testing/readers.js';
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

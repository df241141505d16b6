import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bringIn } from '../bring-in/index.js';
import { faultInChapter, linksOf, readBook, type Format, type ReadBook } from '../manuscript/index.js';
import { linksInDocx, linksInMarkdown, linksInOdt, prove, type FoundLink } from '../readback/index.js';
import { anyBook } from '../testing/any-book/index.js';
import { counter, wholeBook, wholeBookPictures, wholeBookSurroundings } from '../testing/index.js';
import { manuscriptOf, withoutLosses } from '../testing/manuscript-of.js';
import { PIXEL } from '../testing/zip.js';
import {
  computedLinks,
  editionOf,
  expectedLinks,
  filesBeside,
  lossesIn,
  makeDocx,
  makeMarkdown,
  makeOdt,
  type Edition,
} from './index.js';

const options = { modified: new Date(0) };
const picture = { id: 'e1', name: 'lamp.png', type: 'image/png', bytes: PIXEL };

interface Form {
  make(edition: Edition): Uint8Array;
  read(bytes: Uint8Array, files: ReadonlySet<string>): FoundLink[];
  nameOf(bytes: Uint8Array): string;
}
const FORMS: Partial<Record<Format, Form>> = {
  docx: { make: (edition) => makeDocx(edition, options), read: linksInDocx, nameOf: () => 'book.docx' },
  odt: { make: (edition) => makeOdt(edition, options), read: linksInOdt, nameOf: () => 'book.odt' },
  markdown: {
    make: (edition) => makeMarkdown(edition, options).bytes,
    read: linksInMarkdown,
    nameOf: (bytes) => (bytes[0] === 0x50 ? 'book.zip' : 'book.md'),
  },
};
const forms = Object.entries(FORMS) as [Format, Form][];

function proofOf(edition: Edition, bytes: Uint8Array, { read }: Form) {
  const beside = new Set(filesBeside(edition).map(([path]) => path));
  const { lost, changed, computed, added } = prove(
    expectedLinks(edition),
    read(bytes, beside),
    computedLinks(edition),
  );
  return {
    lost: lost.map(({ id }) => id),
    changed,
    computed: [...computed.lost, ...computed.changed],
    added,
  };
}

/** How many books are tried: more in the soak. */
const RUNS = Number(process.env.VENNET_RUNS ?? 20);

describe.each(forms)('a book as %s', (format, form) => {
  test('has every link of the whole book but those that lead nowhere, as a reader of its own finds', () => {
    const edition = editionOf(wholeBook(), wholeBookPictures, format, wholeBookSurroundings);
    expect(proofOf(edition, form.make(edition), form)).toEqual({
      lost: ['f-gone', 'p-gone', 'r7', 'a-gone'],
      changed: [],
      computed: [],
      added: [],
    });
  });

  const comesAgain = (book: ReadBook): ReadBook => {
    const edition = editionOf(book, [picture], format);
    const bytes = form.make(edition);
    expect(proofOf(edition, bytes, form)).toEqual({ lost: [], changed: [], computed: [], added: [] });
    const { book: brought } = bringIn({ name: form.nameOf(bytes), bytes }, counter('new'));
    for (const { doc } of brought.chapters) expect(faultInChapter(doc)).toBeNull();
    const again = readBook(brought);
    const { places } = editionOf(again, [picture], format);
    const dangling = linksOf(again).filter(
      ({ destination: to }) => to.kind === 'place' && !places.has(to.place),
    );
    expect(dangling).toEqual([]);
    return again;
  };

  test('has every link of any book, and when it comes in again nothing leads nowhere', () => {
    fc.assert(
      fc.property(anyBook(), (book) => void comesAgain(book)),
      { numRuns: RUNS, seed: 11, endOnFailure: true },
    );
  });

  test('comes in again as it was, but for what is told before', () => {
    fc.assert(
      fc.property(anyBook().map(withoutLosses), (book) => {
        expect(manuscriptOf(comesAgain(book), format)).toEqual(manuscriptOf(book, format));
      }),
      { numRuns: RUNS, seed: 12, endOnFailure: true },
    );
  });

  test('tells before what it can’t carry', () => {
    const edition = editionOf(wholeBook(), wholeBookPictures, format, wholeBookSurroundings);
    const told = lossesIn(edition).map(({ what }) => what);
    expect(told).toEqual(
      expect.arrayContaining(['parts of pictures that are links', 'chapters before or after the text']),
    );
    expect(told.includes('references to pages')).toBe(format === 'markdown');
  });
});

test('documents are as the standard has them (ECMA-376, by a validator of the Open XML SDK’s schemas)', async () => {
  const directory = await mkdtemp(join(tmpdir(), 'vennet-docx-'));
  try {
    const validator = join(
      dirname(createRequire(import.meta.url).resolve('@ooxml-tools/validate')),
      'bin/ooxml-validate.js',
    );
    const books = [wholeBook(), ...fc.sample(anyBook(), { numRuns: 1, seed: 4 })];
    for (const [index, book] of books.entries()) {
      const pictures = index === 0 ? wholeBookPictures : [picture];
      const path = join(directory, `${index}.docx`);
      await writeFile(
        path,
        makeDocx(editionOf(book, pictures, 'docx', index === 0 ? wholeBookSurroundings : undefined), options),
      );
      const { stdout } = await promisify(execFile)(process.execPath, [validator, path]);
      expect(stdout.trim().split('\n').at(-1)).toBe('Found 0 errors');
    }
  } finally {
    await rm(directory, { recursive: true });
  }
}, 120_000);

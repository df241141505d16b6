import { readFileSync } from 'node:fs';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, jest, test } from '@jest/globals';
import {
  computedLinks,
  DEFAULT_PDF,
  editionOf,
  expectedLinks,
  makeEpub,
  makeWebSite,
  withPages,
  type FlowChoices,
  type PdfChoices,
} from '@vennet/core/publish';
import { linksInPdf, linksInWebSite, prove } from '@vennet/core/readback';
import { anyBook } from '@vennet/core/testing/any-book';
import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { finishPdf } from '../typesetting/finish.js';
import { setPages } from '../typesetting/typeset.js';
import { epubFaults, htmlFaults, run } from '../testing/readers.js';
import { withListedPages } from './listed-pages.js';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-outside-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const picture = {
  id: 'e1',
  name: 'lamp.png',
  type: 'image/png',
  bytes: new Uint8Array(
    readFileSync(new URL('../../../demo/small-lights/files/key-to-the-charts.png', import.meta.url)),
  ),
};
const modified = new Date('2026-11-29T00:00:00Z');
/** `npm run soak -- --only books` has more of them. */
const BOOKS = Number(process.env.VENNET_RUNS ?? 20);
const SEED = Number(process.env.VENNET_SEED ?? 18);
jest.setTimeout(BOOKS * 12_000);

/** Choices as an author may make them. */
const anyFlow: fc.Arbitrary<FlowChoices> = fc.record({
  face: fc.constantFrom('reader' as const, 'serif' as const, 'sans' as const),
  edge: fc.constantFrom('justified' as const, 'ragged' as const),
  paragraphs: fc.constantFrom('spaced' as const, 'indented' as const),
  hyphens: fc.boolean(),
  sources: fc.boolean(),
  pageSet: fc.constant(''),
  split: fc.constant('chapters' as const),
  windows: fc.constantFrom('told' as const, 'marked' as const),
  companions: fc.boolean(),
});
const anyPdf: fc.Arbitrary<PdfChoices> = fc
  .record({
    page: fc.constantFrom('a4' as const, 'a5' as const, 'letter' as const),
    face: fc.constantFrom('serif' as const, 'sans' as const),
    back: fc.boolean(),
    front: fc.constantFrom('roman' as const, 'none' as const),
    head: fc.constantFrom('none' as const, 'title' as const, 'chapter' as const),
    addresses: fc.constantFrom('none' as const, 'foot' as const, 'list' as const),
    ink: fc.constantFrom('colour' as const, 'grey' as const),
    sources: fc.boolean(),
  })
  .map((chosen) => ({ ...DEFAULT_PDF, ...chosen }));

test('of any book with any choices, EPUBCheck, qpdf and html-validate find nothing wrong, and no link is lost', async () => {
  const samples = fc.sample(fc.tuple(anyBook(), anyFlow, anyPdf), { numRuns: BOOKS, seed: SEED });
  const told: Promise<[number, string[]]>[] = [];
  for (const [index, [book, flow, pdf]] of samples.entries()) {
    const path = join(folder, `book-${index}`);
    const listed = withListedPages(book, [picture], { files: new Map(), books: new Map() }, pdf);
    const ebook = editionOf(listed.book, [picture], 'epub', undefined, { flow, pages: listed.pages });
    await writeFile(`${path}.epub`, makeEpub(ebook, { modified }));
    // It reads one while the next is made.
    await told.at(-2);
    told.push(epubFaults(`${path}.epub`).then((faults) => [index, faults]));

    const edition = editionOf(book, [picture], 'pdf', undefined, { pdf });
    const set = setPages(edition).write();
    const bytes = await finishPdf(set.bytes, withPages(edition, set.labels), set.places, set.backs);
    await writeFile(`${path}.pdf`, bytes);
    const { stdout } = await run('qpdf', ['--check', `${path}.pdf`]);
    expect([index, stdout]).toEqual([
      index,
      expect.stringContaining('No syntax or stream encoding errors') as unknown,
    ]);
    expect((await linksInPdf(bytes.slice())).links.length).toBeGreaterThanOrEqual(edition.links.length);

    const site = editionOf(book, [picture], 'web', undefined, { flow });
    const pages = makeWebSite(site, { modified });
    for (const [name, page] of Object.entries(
      unzipSync(pages, { filter: ({ name }) => /\.html$/.test(name) }),
    ))
      expect([index, name, await htmlFaults(strFromU8(page))]).toEqual([index, name, []]);
    const proof = prove(expectedLinks(site), linksInWebSite(pages), computedLinks(site));
    const { lost, changed, computed } = proof;
    expect([index, ...lost, ...changed, ...computed.lost, ...computed.changed]).toEqual([index]);
  }
  expect(await Promise.all(told)).toEqual(samples.map((_, index) => [index, []]));
});

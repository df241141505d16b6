import { auditBook } from '@vennet/core/audit';
import { bringIn } from '@vennet/core/bring-in';
import { pixelsOf } from '@vennet/core/cleaning';
import { readBook } from '@vennet/core/manuscript';
import { editionOf, makeWebPage } from '@vennet/core/publish';
import { CLEAN_EXAMPLES, counter, EXAMPLE_HEAD, FAULTY_EXAMPLES, shelfFile } from '@vennet/core/testing';
import { expect, test } from '@playwright/test';
import { axeRules } from './axe.js';

/** What axe-core finds at links and pictures, and the rules of Vennet that find the same. */
const SAME: Readonly<Record<string, readonly string[]>> = {
  'link-name': ['no-text'],
  'image-alt': ['no-text'],
  'svg-img-alt': ['no-text'],
  'area-alt': ['no-text'],
  'role-img-alt': ['no-text'],
  'link-in-text-block': ['look-contrast'],
  'color-contrast': ['look-contrast'],
  'target-size': ['area-small', 'area-overlap'],
  'identical-links-same-purpose': ['same-words', 'vague-text'],
  'label-content-name-mismatch': ['label-in-name'],
  'duplicate-id-aria': [],
  'valid-lang': [],
};

/** A book of one page of HTML as a web page, and what Vennet finds in it. */
function published(body: string, head: string) {
  const html = `<!doctype html><html lang="en"><head><title>A book</title>${head}</head><body><h1>A book</h1>${body}</body></html>`;
  const { book, enclosures } = bringIn(
    { name: 'book.html', bytes: new TextEncoder().encode(html) },
    counter(),
  );
  const read = readBook(book);
  const files = enclosures.map(({ id, name, type, bytes }) =>
    shelfFile({ id, name, type, size: bytes.length, pixels: pixelsOf(bytes) }),
  );
  const surroundings = { files: new Map(files.map((file) => [file.id, file])), books: new Map() };
  const { findings } = auditBook(read, surroundings);
  const page = makeWebPage(editionOf(read, enclosures, 'web', surroundings));
  return {
    page: new TextDecoder().decode(page),
    rules: [...findings.values()].flat().map(({ rule }) => rule),
  };
}

// axe-core is the reference for what a program can find on a page.
test('what axe finds in books with faults is found by Vennet too; in clean ones neither finds anything', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const missed: string[] = [];
  expect(FAULTY_EXAMPLES.length).toBeGreaterThanOrEqual(60);
  expect(CLEAN_EXAMPLES.length).toBeGreaterThanOrEqual(40);
  const look = async (name: string, body: string, head: string, isClean: boolean) => {
    const made = published(body, head);
    await page.setContent(made.page);
    for (const id of await axeRules(page, Object.keys(SAME)))
      if (isClean || !SAME[id]!.some((rule) => made.rules.includes(rule))) missed.push(`${name}: ${id}`);
    if (isClean && made.rules.length > 0) missed.push(`${name}: ${made.rules.join(', ')}`);
  };
  for (const [name, body] of FAULTY_EXAMPLES) await look(name, body, EXAMPLE_HEAD, false);
  for (const [name, body] of CLEAN_EXAMPLES) await look(name, body, '', true);
  expect(missed).toEqual([]);
});

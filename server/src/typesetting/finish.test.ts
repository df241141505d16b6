import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { editionOf, withPages } from '@vennet/core/publish';
import { linksInPdf } from '@vennet/core/readback';
import { bookOf, heading, linked, paragraph, place, web } from '@vennet/core/testing';
import { schema } from '@vennet/core/manuscript';
import { run } from '../testing/readers.js';
import { finishPdf } from './finish.js';
import { setPages } from './typeset.js';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'vennet-finish-'));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const noted = (text: string, destination: object, hoverNote: string) =>
  schema.text(text, [schema.marks.link.create({ id: `id of ${text}`, destination, hoverNote })]);

const book = bookOf(
  [
    heading(1, 'Lamps', 'lamps'),
    paragraph('See ', linked('the tides', place('tides')), ', or ', linked('low water', place('tides')), '.'),
    paragraph(noted('one', web('https://a.example/ä?b=(1)&c="2"'), 'Of one.'), ' and '),
    paragraph(noted('other', web('https://a.example/ä?b=(1)&c="2"'), 'Of the other.')),
    paragraph(linked('bare', 'https://a.example/ä?b=(1)&c="2"'), noted('last', place('tides'), 'Говорит')),
  ],
  [heading(1, 'Tides', 'tides'), paragraph(linked('back', place('lamps')))],
);

async function made(): Promise<Uint8Array> {
  const edition = editionOf(book, [], 'pdf');
  const set = setPages(edition).write();
  return finishPdf(set.bytes, withPages(edition, set.labels), set.places);
}

test('what is said of a link is said of that link, though others lead to the same place', async () => {
  const { links } = await linksInPdf(await made());
  expect(links.map(({ text, href, note }) => [text, href, note])).toEqual([
    ['the tides', '#tides', 'the tides'],
    ['low water', '#tides', 'low water'],
    ['one', 'https://a.example/ä?b=(1)&c="2"', 'Of one.'],
    ['other', 'https://a.example/ä?b=(1)&c="2"', 'Of the other.'],
    ['bare', 'https://a.example/ä?b=(1)&c="2"', 'https://a.example/ä?b=(1)&c="2"'],
    ['last', '#tides', 'last. Говорит'],
    ['back', '#lamps', 'back'],
  ]);
});

test('each object is written once, and nothing of the typesetter’s own addresses is left', async () => {
  const path = join(folder, 'book.pdf');
  await writeFile(path, await made());
  await run('qpdf', ['--check', path]);
  const unpacked = await run('qpdf', ['--qdf', '--object-streams=disable', path, '-']);
  expect(unpacked.stdout).not.toMatch(/\((?:place|link):/);
  const { stdout } = await run('qpdf', ['--show-xref', path]);
  const rows = stdout.split('\n').filter(Boolean);
  expect(rows.filter((row) => row.includes('compressed')).length).toBeGreaterThan(20);
  expect(new Set(rows.map((row) => row.split('/')[0])).size).toBe(rows.length);
});

test('the same book gives the same bytes', async () => {
  expect(Buffer.compare(await made(), await made())).toBe(0);
});

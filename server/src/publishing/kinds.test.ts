import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { formsBundle } from '@vennet/client';
import { DEFAULT_LOOK, schema, type Format } from '@vennet/core/manuscript';
import { linked, paragraph } from '@vennet/core/testing';
import type { ExportChoices, ExportJob, ShelfTaken } from '@vennet/core/wire';
import { unzipSync, strFromU8 } from 'fflate';
import sharp from 'sharp';
import { startTestApp, until, type TestApp } from '../testing/app.js';
import { linkAnnotations, picturesInPdf } from '../testing/pdf-places.js';
import { epubFaults, htmlFaults, run } from '../testing/readers.js';

const PDF =
  '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\ntrailer<</Root 1 0 R>>';
const FRAME = { line: 'dashed', width: 2, colour: '#aa3300' } as const;
const LOOK = { light: '#7a1f1f', dark: '#ffb4a8', underline: 'dotted', weight: 'strong' } as const;
/** The areas of the picture, in shares of it. */
const BOXES = [
  { x: 0.1, y: 0.2, width: 0.25, height: 0.3 },
  { x: 0.5, y: 0.5, width: 0.4, height: 0.25 },
];

let app: TestApp;
let book: string;
let files: Record<string, string>;
let companion: string;
beforeAll(async () => {
  app = await startTestApp();
  book = (await app.api.startBook({ title: 'Every kind' })).id;
  companion = (await app.api.startBook({ title: 'Words', author: 'A. Uthor' })).id;
  const take = async (name: string, bytes: Uint8Array | string, changes: object = {}) => {
    const { file } = (await app.upload<ShelfTaken>(name, bytes, `books/${book}/enclosures`)).body;
    await app.api.changeFile(file.id, changes);
    return file.id;
  };
  const picture = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#ccddee' } })
    .png()
    .toBuffer();
  files = {
    chart: await take('chart.png', picture),
    inside: await take('Tide table.pdf', PDF, { description: 'Corrected in spring' }),
    beside: await take('heights.csv', 'hour,height\n1,2\n', { travels: 'beside' }),
    public: await take('route.zip', new Uint8Array([0x50, 0x4b, 5, 6, ...new Array<number>(18).fill(0)]), {
      travels: 'public',
      address: 'https://files.example/route.zip',
    }),
    locked: await take('diary.txt', 'not for all', { opensFor: 'author' }),
  };
  const toFile = (name: string) => ({ kind: 'file' as const, enclosure: files[name]! });
  const mail = {
    kind: 'mail' as const,
    to: ['ada@lamp.example', 'joe@lamp.example'],
    cc: ['box@lamp.example'],
    bcc: [],
    subject: 'Low water & lamps',
    body: 'Dear Ada,\nwhen?',
  };
  const noted = schema.text('noted', [
    schema.marks.link.create({
      id: 'noted',
      destination: { kind: 'web', href: 'https://b.example/' },
      hoverNote: 'Ask first',
      look: LOOK,
    }),
  ]);
  const doc = schema.node('doc', null, [
    schema.node('heading', { level: 1, id: 'top' }, [schema.text('Every kind')]),
    paragraph(
      linked('write', mail),
      ' ',
      linked('table', toFile('inside')),
      ' ',
      linked('heights', toFile('beside')),
      ' ',
      linked('route', toFile('public')),
      ' ',
      linked('diary', toFile('locked')),
      ' ',
      linked('words', { kind: 'book', book: companion }),
      ' ',
      noted,
      ' ',
      linked('plain', 'https://b.example/'),
    ),
    schema.node(
      'figure',
      {
        enclosure: files.chart,
        alt: 'A chart of the Sound',
        width: 60,
        link: { id: 'whole', destination: { kind: 'web', href: 'https://chart.example/' }, hoverNote: '' },
        areas: [
          {
            id: 'area1',
            name: 'North light',
            destination: { kind: 'place', place: 'top' },
            hoverNote: '',
            frame: FRAME,
            ...BOXES[0],
          },
          {
            id: 'area2',
            name: 'Ferry quay',
            destination: { kind: 'web', href: 'https://quay.example/' },
            hoverNote: 'Sails at noon',
            frame: null,
            ...BOXES[1],
          },
        ],
      },
      [schema.node('caption', null, [schema.text('The Sound')])],
    ),
  ]);
  const [chapter] = (await app.api.manuscript(book)).chapters;
  const saved = await app.call('PUT', `chapters/${chapter!.id}`, {
    version: 1,
    doc: doc.toJSON() as object,
  });
  expect(saved.status).toBe(200);
  await app.api.changeBook(book, {
    look: { ...DEFAULT_LOOK, underline: 'none', light: '#b00020' },
  });
}, 60_000);
afterAll(() => app.stop());

async function ended(format: Format, of: string, choices: ExportChoices = {}): Promise<ExportJob> {
  const { id } = (await app.call<{ id: string }>('POST', `books/${of}/exports`, { format, choices })).body;
  return until(
    () => app.api.export(id),
    ({ state }) => state !== 'waiting' && state !== 'running',
  );
}

async function make(format: Format): Promise<{ job: ExportJob; bytes: Uint8Array; path: string }> {
  const job = await ended(format, book);
  const { id } = job;
  expect(job).toMatchObject({
    state: 'done',
    message: '',
    proof: { expected: 11, found: 11, lost: [], changed: [], added: [] },
  });
  const bytes = new Uint8Array(await (await fetch(`${app.address}/api/exports/${id}/file`)).arrayBuffer());
  const path = join(app.directory, job.fileName);
  await writeFile(path, bytes);
  return { job, bytes, path };
}

const MAILTO =
  'mailto:ada@lamp.example,joe@lamp.example?subject=Low%20water%20%26%20lamps&cc=box@lamp.example&body=Dear%20Ada,%0D%0Awhen?';

describe('every kind of link', () => {
  test('is in an e-book that EPUBCheck finds nothing in, with the files inside', async () => {
    const { job, bytes, path } = await make('epub');
    expect(await epubFaults(path)).toEqual([]);
    const entries = unzipSync(bytes);
    expect(strFromU8(entries['EPUB/files/tide-table.pdf']!)).toBe(PDF);
    expect(Object.keys(entries).filter((name) => /diary|heights|route/.test(name))).toEqual([]);
    const page = strFromU8(entries['EPUB/chapter-001.xhtml']!);
    expect(page).toContain(`href="${MAILTO.replaceAll('&', '&amp;')}"`);
    expect(page).toContain('href="files/tide-table.pdf"');
    expect(page).toContain('title="Ask first"');
    const list = strFromU8(entries['EPUB/with-book.xhtml']!);
    expect(list).toContain('next to this book, as files/heights.csv');
    expect(list).toContain('ask the author for it');
    expect(list).toContain('A book by A. Uthor');
    const css = strFromU8(entries['EPUB/book.css']!);
    expect(css).toMatch(/a \{ color: #b00020; text-decoration: none/);
    expect(css).toMatch(
      /a\.look-7a1f1f\S* \{ color: #7a1f1f; text-decoration: underline dotted;[^}]*font-weight: bold/,
    );
    expect(job.beside).toBe(1);
  }, 120_000);

  test('has parts of a picture at their spots in the e-book, in shares of the picture', async () => {
    const page = strFromU8(unzipSync((await make('epub')).bytes)['EPUB/chapter-001.xhtml']!);
    expect(page).toContain(
      'style="left: 10%; top: 20%; width: 25%; height: 30%; border: 2pt dashed #aa3300"><span>North light</span>',
    );
    expect(page).toContain('title="Sails at noon" style="left: 50%; top: 50%; width: 40%; height: 25%"');
  }, 120_000);

  test('is in a PDF, with the file attached and each part of the picture within 1 pt of its spot', async () => {
    const { bytes, path } = await make('pdf');
    expect((await run('qpdf', ['--check', path])).stdout).toContain('No syntax or stream encoding errors');
    expect((await run('pdfdetach', ['-list', path])).stdout).toContain('tide-table.pdf');
    const annotations = await linkAnnotations(bytes);
    const [shown] = await picturesInPdf(bytes);
    const spots = annotations.filter(({ contents }) => /North light|Ferry quay/.test(contents));
    expect(spots).toHaveLength(2);
    for (const [index, box] of BOXES.entries()) {
      const expected = {
        left: shown!.left + box.x * shown!.width,
        right: shown!.left + (box.x + box.width) * shown!.width,
        top: shown!.top - box.y * shown!.height,
        bottom: shown!.top - (box.y + box.height) * shown!.height,
      };
      for (const [side, at] of Object.entries(expected))
        expect(Math.abs(spots[index]!.rect[side as keyof typeof expected] - at)).toBeLessThan(1);
    }
    // A picture is as wide as the author said: 60 percent of the text, which is 111 mm wide.
    expect(shown!.width).toBeCloseTo(((111 * 72) / 25.4) * 0.6, 0);
  }, 120_000);

  test('has pages before the PDF is made, though the bytes of files are not read for it', async () => {
    const pages = new Map(await app.api.pages(book));
    expect(pages.get('top')).toBe('1');
    expect(await app.api.shapelessSigns(book)).toEqual([]);
  });

  test('says in the PDF what the author says of it (annotation Contents)', async () => {
    const annotations = await linkAnnotations((await make('pdf')).bytes);
    const saidAt = (url: string) =>
      annotations.filter((one) => one.url === url).map(({ contents }) => contents);
    expect(saidAt('https://b.example/')).toEqual(['Ask first', 'https://b.example/']);
    expect(saidAt('https://quay.example/')).toEqual(['Ferry quay. Sails at noon']);
    expect(saidAt('https://chart.example/')).toEqual(['A chart of the Sound']);
    expect(saidAt('https://files.example/route.zip')).toEqual(['ZIP archive, 22 bytes']);
    expect(saidAt(MAILTO)).toHaveLength(1);
  }, 120_000);

  test('is on a web page that is valid HTML, and in an archive with the files next to it', async () => {
    const { job, bytes } = await make('web');
    const html = strFromU8(bytes);
    expect(await htmlFaults(html)).toEqual([]);
    expect(html).toContain(
      '<a href="files/heights.csv">heights<span class="told">, CSV table, 16 bytes</span></a>',
    );
    const bundle = await fetch(`${app.address}/api/exports/${job.id}/bundle`);
    const entries = unzipSync(new Uint8Array(await bundle.arrayBuffer()));
    expect(Object.keys(entries).sort()).toEqual([
      'every-kind.html',
      'files/heights.csv',
      'files/tide-table.pdf',
    ]);
    expect(entries['every-kind.html']).toEqual(bytes);
    // A file that is gone is named; the archive is not begun.
    const shelf = await app.api.files(book);
    const { sha256 } = shelf.find(({ id }) => id === files.beside)!;
    const stored = join(app.directory, 'enclosures', sha256.slice(0, 2), sha256);
    await rename(stored, `${stored}.away`);
    const lost = await fetch(`${app.address}/api/exports/${job.id}/bundle`);
    expect(lost.status).toBe(410);
    expect(await lost.json()).toMatchObject({
      detail: expect.stringContaining('files/heights.csv') as unknown,
    });
    await rename(`${stored}.away`, stored);
  }, 60_000);

  test('goes on together: several forms, the books beside them, a report of the links, and checksums', async () => {
    const { proof } = await ended('pdf', book, { companions: true });
    expect(proof).toMatchObject({ lost: [], changed: [] });
    await ended('web', book, { companions: true });
    const plan = () => app.api.bundlePlan(book, ['pdf', 'web']);
    expect((await plan()).missing).toEqual([
      'Links lead to the other book “Words”, which was not made as pdf. Make it there first.',
      'Links lead to the other book “Words”, which was not made as web. Make it there first.',
    ]);
    await ended('pdf', companion);
    await ended('web', companion);
    expect((await plan()).missing).toEqual([]);
    const answer = await fetch(`${app.address}${formsBundle(book, ['pdf', 'web'])}`);
    const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
    expect(Object.keys(entries).sort()).toEqual(
      [
        ...[
          'SHA256SUMS.txt',
          'every-kind.html',
          'every-kind.pdf',
          'files/heights.csv',
          'files/tide-table.pdf',
        ],
        ...['links.csv', 'links.html', 'words.html', 'words.pdf'],
      ].sort(),
    );
    // What both files have of the other book is bound to it where it lies.
    expect(strFromU8(entries['every-kind.html']!)).toContain('<a href="words.html">words</a>');
    const directory = join(app.directory, 'bundle');
    for (const [path, bytes] of Object.entries(entries)) {
      await mkdir(dirname(join(directory, path)), { recursive: true });
      await writeFile(join(directory, path), bytes);
    }
    const checked = await run('sh', ['-c', `cd '${directory}' && sha256sum --strict --check SHA256SUMS.txt`]);
    expect(checked.stdout.match(/: OK$/gm)).toHaveLength(8);
    expect((await run('pdfinfo', ['-url', join(directory, 'every-kind.pdf')])).stdout).toContain('words.pdf');
    expect(strFromU8(entries['links.csv']!)).toMatch(
      /,words,[^,]+,"as in the book, page \d+","as in the book, the page"/,
    );
    expect((await fetch(`${app.address}${formsBundle(book, ['odt'])}`)).status).toBe(409);
    expect((await fetch(`${app.address}/api/books/${book}/bundle?forms=scroll`)).status).toBe(422);
  }, 120_000);

  test('goes into an e-book without what could run in it, and is named when it is lost', async () => {
    const { id } = await app.api.startBook({ title: 'With a page' });
    const page =
      '<!doctype html><html><title>Tides</title><script>alert(1)</script><p>low at nine</p></html>';
    const { file } = (await app.upload<ShelfTaken>('tides.html', page, `books/${id}/enclosures`)).body;
    const { chapters } = await app.api.manuscript(id);
    const link = schema.marks.link.create({ id: 'l1', destination: { kind: 'file', enclosure: file.id } });
    const doc = schema.node('doc', null, [schema.node('paragraph', null, [schema.text('tides', [link])])]);
    await app.api.saveChapter(chapters[0]!.id, {
      doc: doc.toJSON() as object,
      version: chapters[0]!.version,
    });
    const made = await ended('epub', id);
    const answer = await fetch(`${app.address}/api/exports/${made.id}/file`);
    const entries = unzipSync(new Uint8Array(await answer.arrayBuffer()));
    const inside = strFromU8(entries['EPUB/files/tides.html']!);
    expect(inside).toContain('<p>low at nine</p>');
    expect(inside).not.toContain('alert');
    await rm(join(app.directory, 'enclosures', file.sha256.slice(0, 2), file.sha256));
    const failed = await ended('epub', id);
    expect(failed).toMatchObject({
      state: 'failed',
      message: expect.stringContaining('“tides.html” is lost') as unknown,
    });
  }, 60_000);

  test('leads to a companion where it is to be had, once that is said', async () => {
    await app.api.changeBook(companion, { address: 'words.example' });
    const { bytes } = await make('web');
    expect(strFromU8(bytes)).toContain('<a href="https://words.example/">words</a>');
    await app.api.changeBook(companion, { address: '' });
  }, 60_000);

  test('that an e-book carries comes back when it is brought in again', async () => {
    const { bytes } = await make('epub');
    const { id } = (await app.upload('again.epub', bytes)).body;
    const { files: shelf, chapters } = await app.api.manuscript(id);
    expect(shelf.map(({ name, type }) => `${name} ${type}`)).toContain('tide-table.pdf application/pdf');
    const json = JSON.stringify(chapters);
    for (const box of BOXES)
      expect(json).toContain(`"x":${box.x},"y":${box.y},"width":${box.width},"height":${box.height}`);
  }, 60_000);
});

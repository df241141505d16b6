import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { attrsOf, pagesOf, readChapter, setAreas, type LinkArea } from '@vennet/core/manuscript';
import { saidBy, writtenPages, writtenPdf } from '@vennet/core/testing';
import { isUnderWay, type BookMade, type ExportChoices, type ShelfTaken } from '@vennet/core/wire';
import { Transform } from 'prosemirror-transform';
import { startTestApp, until, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const LEAFLET = () =>
  writtenPages(
    [
      {
        lines: [
          { x: 72, y: 700, text: 'The ferry to Lantern Rock' },
          { x: 72, y: 680, text: 'Write to ferry@orrin.example' },
        ],
        annotations: [
          '<< /Type /Annot /Subtype /Link /Rect [72 697 130 712] /Border [0 0 0] /A << /S /URI /URI (https://ferry.example/times) >> >>',
        ],
      },
      { lines: [{ x: 100, y: 390, text: 'Tides' }] },
    ],
    { trailer: '/Info << /Title (Across the Sound) /Author (Mara Tolland) >>', catalog: '/Lang (en)' },
  );

async function brought(bytes: Uint8Array, name = 'leaflet.pdf') {
  const { status, body } = await app.upload<BookMade>(name, bytes);
  expect(status).toBe(201);
  return body;
}

/** The file of a book, and its proof. */
async function made(book: string, choices: ExportChoices = {}) {
  const { id } = await app.api.startExport(book, 'pdf', choices);
  const job = await until(
    () => app.api.export(id),
    (one) => !isUnderWay(one),
  );
  expect(job).toMatchObject({ state: 'done', message: '' });
  const bytes = new Uint8Array(await (await fetch(`${app.address}/api/exports/${id}/file`)).arrayBuffer());
  return { bytes, proof: job.proof!, notes: job.notes };
}

/** Changes the links of a page, as the editor does: by steps that are sent. */
async function change(book: string, page: number, to: (areas: readonly LinkArea[]) => LinkArea[]) {
  const [chapter] = (await app.api.manuscript(book)).chapters;
  const { doc } = readChapter(chapter!);
  const sheet = pagesOf(doc)[page - 1]!;
  const transform = new Transform(doc);
  setAreas(transform, sheet.at, to(attrsOf.page(sheet.node).areas));
  const { status } = await app.call('PUT', `chapters/${chapter!.id}`, {
    version: chapter!.version,
    doc: transform.doc.toJSON() as object,
  });
  expect(status).toBe(200);
}

describe('a book of pages', () => {
  test('is made of a PDF: with its links, the words of its pages, and the file itself', async () => {
    const bytes = LEAFLET();
    const { id, report } = await brought(bytes);
    expect(report.kept).toEqual(
      expect.arrayContaining([
        { what: 'pages', count: 2 },
        { what: 'links', count: 1 },
      ]),
    );
    const book = await app.api.manuscript(id);
    expect(book).toMatchObject({
      title: 'Across the Sound',
      author: 'Mara Tolland',
      language: 'en',
      ground: { pages: 2, tagged: false, signed: false, cannotAdd: null, forbidden: [] },
    });
    expect((await app.api.books()).find((one) => one.id === id)).toMatchObject({ pages: 2, links: 1 });
    const [link] = (await app.call<object[]>('GET', `books/${id}/links`)).body;
    expect(link).toMatchObject({ href: 'https://ferry.example/times', text: 'The ferry to' });
    expect((await app.api.pageText(id, 1)).lines[1]!.map(({ text }) => text).join('')).toBe(
      'Write to ferry@orrin.example',
    );
    expect(await app.api.searchPages(id, 'LANTERN')).toEqual([
      { page: 1, line: 0, from: 13, to: 20, text: 'The ferry to Lantern Rock' },
    ]);
    const file = await fetch(`${app.address}/api/books/${id}/ground/file`, {
      headers: { range: 'bytes=0-7' },
    });
    expect(file.status).toBe(206);
    expect(await file.text()).toBe('%PDF-1.7');
    expect((await app.call('GET', `books/${id}/ground/pages/3`)).status).toBe(404);
  });

  test.each(['addition', 'anew'] as const)(
    'goes out again with its links as they are now, by an independent reader (%s)',
    async (write) => {
      const bytes = LEAFLET();
      const { id } = await brought(bytes);
      await change(id, 1, ([first]) => [
        { ...first!, destination: { kind: 'web', href: 'https://ferry.example/2027' } },
        {
          id: 'post',
          x: 0.1,
          y: 0.17,
          width: 0.3,
          height: 0.03,
          name: 'Write to the ferry',
          hoverNote: '',
          frame: null,
          destination: { kind: 'mail', to: ['ferry@orrin.example'], cc: [], bcc: [], subject: '', body: '' },
        },
        {
          id: 'tides',
          x: 0.5,
          y: 0.5,
          width: 0.1,
          height: 0.1,
          name: 'Tides',
          hoverNote: '',
          frame: { line: 'solid', width: 1, colour: '#0b5a6b' },
          destination: { kind: 'place', place: 'page-2' },
        },
      ]);
      const file = await made(id, { write });
      expect(file.proof).toMatchObject({ expected: 3, found: 3, lost: [], changed: [], added: [] });
      expect(file.notes).toEqual([]);
      expect(saidBy('qpdf', ['--check'], file.bytes)).toContain('No syntax or stream encoding errors');
      const urls = saidBy('pdfinfo', ['-url'], file.bytes);
      expect(urls).toContain('https://ferry.example/2027');
      expect(urls).toContain('mailto:ferry@orrin.example');
      expect(urls).not.toContain('https://ferry.example/times');
      if (write === 'addition') expect(file.bytes.subarray(0, bytes.length)).toEqual(bytes);
      // Brought in again, it has the same links.
      const again = await brought(file.bytes);
      const hrefs = async (book: string) =>
        (await app.call<{ href: string }[]>('GET', `books/${book}/links`)).body.map(({ href }) => href);
      expect(await hrefs(again.id)).toEqual(await hrefs(id));
    },
  );

  test('takes files within it, and says what it can’t lead to before it is made', async () => {
    const { id } = await brought(LEAFLET());
    const other = await app.api.startBook({ title: 'Without an address' });
    const { file } = (await app.upload<ShelfTaken>('tides.csv', 'hour\n1\n', `books/${id}/enclosures`)).body;
    const area = (name: string, y: number, destination: LinkArea['destination']): LinkArea => ({
      id: name,
      ...{ x: 0.1, y, width: 0.3, height: 0.03, name, hoverNote: '', frame: null, destination },
    });
    await change(id, 1, () => [
      area('Hours', 0.3, { kind: 'file', enclosure: file.id }),
      area('Book', 0.6, { kind: 'book', book: other.id }),
    ]);
    const forms = await app.api.forms(id);
    expect(
      forms.find(({ format }) => format === 'pdf')!.losses.map(({ what, count }) => [what, count]),
    ).toEqual([
      ['link to what the file can’t lead to', 1],
      ['link to a file within this one', 1],
    ]);
    const { bytes, proof } = await made(id);
    expect(proof).toMatchObject({ expected: 2, found: 1, lost: [{ id: 'Book' }], changed: [], added: [] });
    const path = join(tmpdir(), `${id}.pdf`);
    writeFileSync(path, bytes);
    execFileSync('pdfdetach', ['-save', '1', '-o', `${path}.csv`, path]);
    expect(readFileSync(`${path}.csv`, 'utf8')).toBe('hour\n1\n');
    rmSync(path);
    rmSync(`${path}.csv`);
  });

  test('is published as a PDF only, and where nothing can be added, that is said before', async () => {
    const { id } = await brought(LEAFLET());
    const refused = await app.call<{ detail: string }>('POST', `books/${id}/exports`, { format: 'epub' });
    expect(refused).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/published as a PDF/) as unknown },
    });
    const text = Buffer.from(LEAFLET()).toString('latin1');
    const wrong = Buffer.from(text.replace(/startxref\n\d+/, 'startxref\n5'), 'latin1');
    const broken = await brought(new Uint8Array(wrong));
    const { ground } = await app.api.manuscript(broken.id);
    expect(ground!.cannotAdd).toMatch(/table/);
    expect((await app.call('POST', `books/${broken.id}/exports`, { format: 'pdf' })).status).toBe(422);
    const file = await made(broken.id, { write: 'anew' });
    expect(file.proof).toMatchObject({ expected: 1, found: 1 });
  });

  test('is opened by its password, which is asked for and said to be wrong', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'vennet-ground-'));
    writeFileSync(join(folder, 'open.pdf'), LEAFLET());
    execFileSync('qpdf', [
      '--encrypt',
      'lamp',
      'keeper',
      '256',
      '--modify=none',
      '--',
      join(folder, 'open.pdf'),
      join(folder, 'locked.pdf'),
    ]);
    const { readFileSync } = await import('node:fs');
    const bytes = new Uint8Array(readFileSync(join(folder, 'locked.pdf')));
    rmSync(folder, { recursive: true });
    const send = async (password?: string) => {
      const form = new FormData();
      form.append('file', new Blob([bytes]), 'locked.pdf');
      if (password) form.append('password', password);
      const response = await fetch(`${app.address}/api/books/bring-in`, { method: 'POST', body: form });
      return {
        status: response.status,
        body: (await response.json()) as BookMade & { detail: string; wants?: string },
      };
    };
    expect(await send()).toMatchObject({
      status: 422,
      body: { wants: 'password', detail: expect.stringMatching(/password opens/) as unknown },
    });
    expect(await send('wrong')).toMatchObject({
      status: 422,
      body: { wants: 'password', detail: expect.stringMatching(/does not open/) as unknown },
    });
    const { status, body } = await send('lamp');
    expect(status).toBe(201);
    expect((await app.api.manuscript(body.id)).ground!.forbidden.length).toBeGreaterThan(0);
    const file = await made(body.id);
    expect(file.proof).toMatchObject({ expected: 1, found: 1, lost: [], changed: [] });
    expect(saidBy('qpdf', ['--check', '--password=lamp'], file.bytes)).toContain(
      'No syntax or stream encoding errors',
    );
  });

  test.each<[string, () => Uint8Array, RegExp]>([
    ['cut off', () => LEAFLET().subarray(0, 300), /damaged|no pages/],
    [
      'without pages',
      () => writtenPdf(['<< /Type /Catalog /Pages 2 0 R >>', '<< /Type /Pages /Kids [] /Count 0 >>']),
      /no pages/,
    ],
    [
      'whose pages go in a circle',
      () =>
        writtenPdf([
          '<< /Type /Catalog /Pages 2 0 R >>',
          '<< /Type /Pages /Kids [2 0 R 3 0 R] /Count 2 >>',
          '<< /Type /Pages /Kids [2 0 R] /Count 2 >>',
        ]),
      /no pages|damaged/,
    ],
    [
      'that says it has a billion objects',
      () => writtenPdf(['<< /Type /Catalog >>'], '/Size 1000000000'),
      /no pages|damaged/,
    ],
    ['that is none', () => new TextEncoder().encode('%PDF-1.7 and nothing more'), /damaged/],
    [
      'of a form that is drawn anew',
      () =>
        writtenPdf([
          '<< /Type /Catalog /Pages 2 0 R /AcroForm << /XFA (x) /Fields [] >> >>',
          '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
          '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 100 100] >>',
        ]),
      /XFA/,
    ],
  ])('a file %s is refused with words, and nothing is lost', async (_, bytes, words) => {
    const before = (await app.api.books()).length;
    const { status, body } = await app.upload('broken.pdf', bytes());
    expect(status).toBe(422);
    expect(body.detail).toMatch(words);
    expect((await app.api.books()).length).toBe(before);
    expect((await app.call('GET', 'health')).status).toBe(200);
  });
});

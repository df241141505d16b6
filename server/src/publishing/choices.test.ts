import { readFile, writeFile } from 'node:fs/promises';
import { strFromU8, unzipSync } from 'fflate';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { DEFAULT_PDF, type FormChoices, type PdfChoices } from '@vennet/core/publish';
import type { ExportChoices, ExportJob, PdfSets, Reading } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';
import { sha256 } from '../platform/sha256.js';
import { epubFaults, run } from '../testing/readers.js';

let app: TestApp;
let book: string;
beforeAll(async () => {
  app = await startTestApp();
  const { body } = await app.upload(
    'book.html',
    pageWithLinks([
      ['the tide tables', 'https://tides.example/low'],
      ['the keeper', 'mailto:keeper@lamp.example?subject=Oil'],
    ]),
  );
  book = body.id;
});
afterAll(() => app.stop());

/** Makes a PDF; gives its job, and the path of its file. */
async function made(choices: ExportChoices): Promise<{ job: ExportJob; path: string }> {
  const { status, body } = await app.call<{ id: string }>('POST', `books/${book}/exports`, {
    format: 'pdf',
    choices,
  });
  expect(status).toBe(202);
  const job = await until(
    () => app.api.export(body.id),
    ({ state }) => state !== 'running' && state !== 'waiting',
  );
  expect(job).toMatchObject({ state: 'done', notes: [], proof: { lost: [], changed: [], added: [] } });
  const path = join(app.directory, `${body.id}.pdf`);
  const response = await fetch(`${app.address}/api/exports/${body.id}/file`);
  await writeFile(path, new Uint8Array(await response.arrayBuffer()));
  return { job, path };
}

const said = async (command: string, ...options: string[]) => (await run(command, options)).stdout;

test('every choice is in the file, as independent readers see it', async () => {
  const choices: Partial<PdfChoices> = {
    page: 'letter',
    face: 'sans',
    size: 13,
    ink: 'grey',
    head: 'title',
    numbers: 'head',
    front: 'roman',
    chapters: 'right',
    back: true,
    addresses: 'foot',
    edge: 'ragged',
    hyphens: false,
  };
  const { job, path } = await made(choices);
  expect(job.proof?.printed).toEqual({ expected: 2, found: 2, lost: [] });
  // Poppler: the size of the pages (ANSI letter), their fonts, their words.
  expect(await said('pdfinfo', path)).toMatch(/Page size:\s+612 x 792 pts \(letter\)/);
  const fonts = await said('pdffonts', path);
  expect(fonts).toContain('SourceSans3-Regular');
  expect(fonts).not.toContain('Libertinus');
  const words = await said('pdftotext', '-layout', path, '-');
  expect(words).toMatch(/\[1\]\s*https:\/\/tides\.example\/low/);
  expect(words).toMatch(/\[2\]\s*keeper@lamp\.example\s/);
  expect(words).toContain('To the contents');
  // qpdf: labels of pages, and that the text begins on a right-hand page.
  const labels = JSON.parse(await said('qpdf', '--json', '--json-key=pagelabels', path)) as {
    pagelabels: { index: number; label: Record<string, unknown> }[];
  };
  const styles = labels.pagelabels.map(({ index, label }) => [index, label['/S']]);
  expect(styles.some(([, style]) => style === '/r')).toBe(true);
  const [first] = styles.find(([, style]) => style === '/D') ?? [];
  expect(Number(first) % 2).toBe(0);
  expect(await said('qpdf', '--check', path)).toContain('No syntax or stream encoding errors');
});

test('the list of addresses stands at the end, and without choices there is none', async () => {
  const list = await made({ addresses: 'list', page: 'own', width: 120, height: 180 });
  expect(list.job.proof?.printed).toMatchObject({ expected: 2, found: 2 });
  expect(await said('pdfinfo', list.path)).toMatch(/Page size:\s+340\.15\d? x 510\.23\d? pts/);
  expect(await said('pdftotext', list.path, '-')).toMatch(
    /Addresses[^]*\[1\][^]*https:\/\/tides\.example\/low/,
  );
  const plain = await made({});
  expect(plain.job.proof?.printed).toBeUndefined();
  expect(await said('pdftotext', plain.path, '-')).not.toContain('[1]');
});

test('addresses are printed as codes, which a reader that shares no code with their maker reads back', async () => {
  const { job, path } = await made({ addresses: 'qr', outer: 20 });
  expect(job.proof?.printed).toEqual({ expected: 2, found: 2, lost: [] });
  expect(await said('pdftotext', path, '-')).toMatch(/\[1\][^]*\[2\]/);
  // Or of single links, and of all of one look.
  const [first] = await app.api.links(book);
  const one = await made({ addresses: 'qr', outer: 20, codesFor: [first!.id] });
  expect(one.job.proof?.printed).toEqual({ expected: 1, found: 1, lost: [] });
  const ofLook = await made({ addresses: 'qr', outer: 20, codesFor: ['look-of-book'] });
  expect(ofLook.job.proof?.printed).toEqual({ expected: 2, found: 2, lost: [] });
  expect(await said('qpdf', '--check', path)).toContain('No syntax or stream encoding errors');
});

test('the same book gives the same e-book, to the byte; a made file is removed with its proof', async () => {
  const bytes = async () => {
    const { id } = await app.api.startExport(book, 'epub');
    await until(
      () => app.api.export(id),
      ({ state }) => state === 'done',
    );
    const response = await fetch(`${app.address}/api/exports/${id}/file`);
    return { id, hash: sha256(new Uint8Array(await response.arrayBuffer())) };
  };
  const [one, other] = [await bytes(), await bytes()];
  expect(other.hash).toBe(one.hash);
  await app.api.removeExport(one.id);
  expect((await app.api.exports(book)).map(({ id }) => id)).not.toContain(one.id);
  expect((await fetch(`${app.address}/api/exports/${one.id}/file`)).status).toBe(404);
});

test('named sets are kept with the book, and its own one holds where nothing is said', async () => {
  const first = await app.api.pdfSets(book);
  expect(first).toEqual({ own: 'usual', sets: [{ id: 'usual', name: 'As usual', choices: DEFAULT_PDF }] });
  const print = { id: 'print', name: 'For print', choices: { ...DEFAULT_PDF, page: '6x9' as const } };
  await app.api.keepPdfSets(book, { own: 'print', sets: [...first.sets, print] });
  expect((await app.api.pdfSets(book)).own).toBe('print');
  expect(await said('pdfinfo', (await made({})).path)).toMatch(/Page size:\s+432 x 648 pts/);
  const other = await made({ set: 'As usual', size: 9 });
  expect(await said('pdfinfo', other.path)).toMatch(/Page size:\s+419\.5\d* x 595\.2\d* pts/);
  await app.api.keepPdfSets(book, first);
});

test('what can’t be set is refused with what to do, and nothing is changed', async () => {
  const tries: [ExportChoices, RegExp][] = [
    [{ page: 'eink-6', inner: 40 }, /leave 34 mm of the page’s width/],
    [{ top: 5, head: 'title' }, /upper margin of 10 mm/],
    [{ addresses: 'qr', outer: 12 }, /QR codes stand in the outer margin and need 17 mm/],
    [{ set: 'Nobody’s' }, /no set of choices called “Nobody’s”/],
  ];
  for (const [choices, words] of tries) {
    const { status, body } = await app.call<{ detail: string }>('POST', `books/${book}/exports`, {
      format: 'pdf',
      choices,
    });
    expect([status, body.detail]).toEqual([422, expect.stringMatching(words)]);
  }
  const bad = await app.call('POST', `books/${book}/exports`, { format: 'pdf', choices: { page: 'b9' } });
  expect(bad.status).toBe(422);
  const sets: PdfSets = { own: 'gone', sets: [] };
  expect((await app.call('PUT', `books/${book}/pdf-sets`, sets)).status).toBe(422);
  expect((await app.api.pdfSets(book)).sets).toHaveLength(1);
});

test('pages are set to be looked at, before a file is made', async () => {
  const gone = new AbortController();
  const bytes = await app.api.previewPages(book, { choices: { ...DEFAULT_PDF, page: 'a4' } }, gone.signal);
  const path = join(app.directory, 'preview.pdf');
  await writeFile(path, new Uint8Array(bytes));
  expect(await said('pdfinfo', path)).toMatch(/Page size:\s+595\.2\d* x 841\.8\d* pts \(A4\)/);
});

test('forms without pages have choices of their own, kept with the book', async () => {
  const form = (path: string) => `books/${book}/${path}`;
  const { body: before } = await app.call<FormChoices>('GET', form('form-choices'));
  expect(before.web).toMatchObject({ split: 'one', face: 'serif', sources: false });
  const wanted = { ...before, web: { ...before.web, split: 'chapters', sources: true } };
  expect(await app.call('PUT', form('form-choices'), wanted)).toMatchObject({ status: 200, body: wanted });
  const started = await app.call<{ id: string }>('POST', form('exports'), { format: 'web' });
  const job = await until(
    () => app.api.export(started.body.id),
    ({ state }) => state !== 'running' && state !== 'waiting',
  );
  expect(job).toMatchObject({
    state: 'done',
    proof: { expected: 2, found: 2, computed: { found: 1 } },
    choices: { split: 'chapters', sources: true },
  });
  expect(job.fileName).toMatch(/\.zip$/);
  const pages = (await app.call<Reading>('GET', `exports/${job.id}/reading`)).body.pages;
  expect(pages.map(({ path }) => path)).toEqual(['index.html', 'chapter-001.html', 'chapter-002.html']);
  const shown = await fetch(`${app.address}/api/exports/${job.id}/reading/page?path=chapter-001.html`);
  expect(await shown.text()).toMatch(/<style>[^]*the tide tables/);
  // One that is not for this form is refused, and told which there are.
  const strange = await app.call<{ detail: string }>('POST', form('exports'), {
    format: 'epub',
    choices: { addresses: 'foot' },
  });
  expect(strange).toMatchObject({
    status: 422,
    body: { detail: expect.stringMatching(/has no choice “addresses”/) as unknown },
  });
  const { signal } = new AbortController();
  const look = await app.api.previewFlow(book, { format: 'epub', choices: before.epub }, signal);
  expect(look).toContain('the tide tables');
});

test('an e-book lists the pages of a PDF: each begins before the words with which the page begins', async () => {
  const words = Array.from({ length: 5200 }, (_, index) => `word${index}`);
  const lines = Array.from(
    { length: 40 },
    (_, index) => `<p>${words.slice(index * 130, (index + 1) * 130).join(' ')}</p>`,
  );
  const html = `<html lang="en"><title>Long</title><h1>One</h1>${lines.slice(0, 22).join('')}<h1>Two</h1>${lines.slice(22).join('')}</html>`;
  const { body: long } = await app.upload('long.html', html);
  const fileOf = async (format: 'pdf' | 'epub', choices: ExportChoices) => {
    const { body } = await app.call<{ id: string }>('POST', `books/${long.id}/exports`, { format, choices });
    const job = await until(
      () => app.api.export(body.id),
      ({ state }) => state !== 'running' && state !== 'waiting',
    );
    expect(job).toMatchObject({ state: 'done', message: '' });
    const path = join(app.directory, `${body.id}.${format}`);
    const response = await fetch(`${app.address}/api/exports/${body.id}/file`);
    await writeFile(path, new Uint8Array(await response.arrayBuffer()));
    return path;
  };
  const pdf = await fileOf('pdf', {});
  const epub = await fileOf('epub', { pageSet: 'usual' });
  expect(await epubFaults(epub)).toEqual([]);
  const files = unzipSync(await readFile(epub));
  const chapters = Object.keys(files)
    .filter((path) => /chapter-\d+\.xhtml$/.test(path))
    .sort()
    .map((path) => strFromU8(files[path]!));
  const first = new Map(
    chapters.flatMap((text) =>
      [...text.matchAll(/aria-label="(\d+)"[^>]*>(?:<\/span>)?\s*(\w+)/g)].map(
        ([, label, word]): [string, string] => [label!, word!],
      ),
    ),
  );
  // Poppler reads the pages, and shares no code with Vennet.
  const pages = (await said('pdftotext', '-layout', pdf, '-')).split('\f');
  const begin = pages.flatMap((page): [string, string][] => {
    const number = /^\s*(\d+)\s*$/m.exec(page.trimEnd().split('\n').at(-1) ?? '')?.[1];
    const word = /word\d+/.exec(page)?.[0];
    return number && word ? [[number, word]] : [];
  });
  expect(begin.length).toBeGreaterThan(15);
  const inside = begin.filter(([label]) => first.get(label) !== 'One' && first.get(label) !== 'Two');
  expect(inside.length).toBeGreaterThanOrEqual(begin.length - 2);
  for (const [label, word] of inside) {
    // A word that is divided over two pages begins on the one before.
    const at = Number(word.slice(4));
    expect([`word${at}`, `word${at + 1}`]).toContain(first.get(label));
  }
  const nav = strFromU8(files['EPUB/nav.xhtml']!);
  expect(nav.match(/epub:type="page-list"/g)).toHaveLength(1);
  expect([...nav.matchAll(/#page-\d+"/g)]).toHaveLength(first.size);
  expect(strFromU8(files['EPUB/package.opf']!)).toContain('pageBreakMarkers');
}, 120_000);

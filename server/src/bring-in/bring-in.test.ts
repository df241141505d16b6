import { readdir } from 'node:fs/promises';
import { request } from 'node:http';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { PIXEL } from '@vennet/core/testing';
import type { BookMade, JobStatus, Started } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, until, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

const uploads = () => readdir(join(app.directory, 'uploads'));
const titles = async () => (await app.api.books()).map(({ title }) => title).sort();

async function eventsOf(id: string): Promise<JobStatus[]> {
  const response = await fetch(`${app.address}/api/jobs/${id}/events`);
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  return [...(await response.text()).matchAll(/^data: (.*)$/gm)].map(
    ([, json]) => JSON.parse(json!) as JobStatus,
  );
}

function formWith(name: string, content: string): FormData {
  const form = new FormData();
  form.append('file', new Blob([content]), name);
  return form;
}

describe('bringing in', () => {
  test('answers with the book when it is there', async () => {
    const { status, body } = await app.upload<BookMade>('lamps.html', pageWithLinks([], 'Lamps'));
    expect(status).toBe(201);
    expect(body.report).toMatchObject({
      kept: expect.arrayContaining([{ what: 'chapters', count: 1 }]) as unknown,
    });
    expect(await titles()).toEqual(['Lamps']);
    expect(await uploads()).toEqual([]);
  });

  // RFC 7240, 4.1: the preference for an answer at once, which tells where the work can be followed.
  test('answers at once with a job that can be followed, where that is preferred', async () => {
    const response = await fetch(`${app.address}/api/books/bring-in`, {
      method: 'POST',
      headers: { prefer: 'respond-async' },
      body: formWith('wicks.html', pageWithLinks([], 'Wicks')),
    });
    expect(response.status).toBe(202);
    expect(response.headers.get('preference-applied')).toBe('respond-async');
    const { id } = (await response.json()) as { id: string };
    expect(response.headers.get('location')).toBe(`/api/jobs/${id}`);
    const last = (await eventsOf(id)).at(-1)!;
    expect(last).toMatchObject({ id, kind: 'bring-in', state: 'done', message: '' });
    expect(await titles()).toEqual(['Lamps', 'Wicks']);
    const job = await app.call<JobStatus>('GET', `jobs/${id}`);
    expect(job.body.made).toEqual(last.made);
    expect((await app.call('GET', `books/${last.made!.id}`)).status).toBe(200);
  });

  test('says why a file can’t be read, either way', async () => {
    const refused = await app.upload('notes.bin', '\0\0\0');
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(
      /none of the kinds that can be brought in.*Your Library is as it was/s,
    );
    const response = await fetch(`${app.address}/api/books/bring-in`, {
      method: 'POST',
      headers: { prefer: 'wait=5, respond-async' },
      body: formWith('notes.bin', '\0\0\0'),
    });
    const { id } = (await response.json()) as { id: string };
    expect((await eventsOf(id)).at(-1)).toMatchObject({ state: 'failed', message: refused.body.detail });
    expect(await uploads()).toEqual([]);
    expect((await app.call('GET', 'jobs/01234567-89ab-4def-8123-456789abcdef/events')).status).toBe(404);
  });

  test('is given up when the sender goes away: there is no book, and nothing of the file is left', async () => {
    const long = pageWithLinks(
      Array.from({ length: 40_000 }, (_, index) => [`Lamp ${index}`, `https://lamp.example/${index}`]),
      'Long',
    );
    // Two that take their time, so that the third has to wait.
    const blocking = await Promise.all(
      [1, 2].map(async () => {
        const headers = { prefer: 'respond-async' };
        const body = formWith('long.html', long);
        const url = `${app.address}/api/books/bring-in`;
        return ((await (await fetch(url, { method: 'POST', headers, body })).json()) as Started).id;
      }),
    );
    const body = new Response(formWith('lamps.html', pageWithLinks([], 'Nobody’s')));
    const bytes = Buffer.from(await body.arrayBuffer());
    const sending = request(`${app.address}/api/books/bring-in`, {
      method: 'POST',
      headers: { 'content-type': body.headers.get('content-type')!, 'content-length': bytes.length },
    });
    sending.on('error', () => {});
    sending.end(bytes);
    await until(uploads, (names) => names.length === 3);
    sending.destroy();
    await until(uploads, (names) => names.length === 2);
    for (const id of blocking) await app.call('POST', `jobs/${id}/stop`);
    await until(uploads, (names) => names.length === 0);
    expect(await titles()).not.toContain('Nobody’s');
  });

  test('makes of a file with everything beyond measure a book that can be saved and published', async () => {
    const hostile = `<!doctype html><html lang="${'x-'.repeat(300)}"><title>T${'t'.repeat(2_000)}</title><body><h1>${'w'.repeat(5_000)}</h1>
      ${'<blockquote>'.repeat(70)}<p>deep</p>${'</blockquote>'.repeat(70)}${'<ol start="1.5"><li>'.repeat(300)}low${'</li></ol>'.repeat(300)}
      <p><a href="https://a.example/">${'word '.repeat(14_000)}</a>e${'&#x301;'.repeat(20_000)}a&#1;&#xD800;b</p>
      <table><tr><td colspan="1000000000">x</td></tr></table>${'<div>'.repeat(20_000)}deepest${'</div>'.repeat(20_000)}</body></html>`;
    const { status, body } = await app.upload<BookMade>('hostile.html', hostile);
    expect(status).toBe(201);
    expect(body.report.changed.length).toBeGreaterThan(2);
    const { chapters } = await app.api.manuscript(body.id);
    for (const { id, doc, version } of chapters)
      expect((await app.call('PUT', `chapters/${id}`, { doc, version })).status).toBe(200);
    for (const format of ['epub', 'pdf', 'web'] as const) {
      const { id } = await app.api.startExport(body.id, format);
      const job = await until(
        () => app.api.export(id),
        ({ state }) => state !== 'waiting' && state !== 'running',
      );
      expect(job).toMatchObject({ state: 'done', message: '', proof: { lost: [], changed: [], added: [] } });
    }
  }, 60_000);

  test('leaves out a picture that breaks off, and keeps its words', async () => {
    const broken = (head: string) =>
      `data:image/png;base64,${Buffer.from(head, 'latin1').toString('base64')}`;
    const png = Buffer.from(PIXEL).subarray(0, 50).toString('latin1');
    const { status, body } = await app.upload<BookMade>(
      'broken.html',
      `<!doctype html><html><body><h1>Lamps</h1><p>At <img alt="the pier" src="${broken(png)}"> and <img alt="the quay" src="${broken('BM')}"></p></body></html>`,
    );
    expect(status).toBe(201);
    expect(body.report.leftOut.reduce((sum, { count }) => sum + count, 0)).toBe(2);
    const [chapter] = (await app.api.manuscript(body.id)).chapters;
    expect(JSON.stringify(chapter!.doc)).toContain('At the pier and the quay');
  });
});

import { createHash } from 'node:crypto';
import { readdir, rm } from 'node:fs/promises';
import { request } from 'node:http';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { PIXEL, zip } from '@vennet/core/testing';
import type { ShelfFile } from '@vennet/core/shelf';
import type { ShelfTaken } from '@vennet/core/wire';
import sharp from 'sharp';
import { pageWithLinks, startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
let book: string;
beforeAll(async () => {
  app = await startTestApp();
  book = (await app.upload('book.html', pageWithLinks([['table (PDF)', 'https://a.example/']]))).body.id;
});
afterAll(() => app.stop());

type Taken = ShelfTaken & { detail: string };
const take = (name: string, bytes: Uint8Array | string, as = 'file') =>
  app.upload<Taken>(name, bytes, `books/${book}/enclosures?as=${as}`);
const shelf = () => app.api.files(book);
const utf8 = (text: string) => new TextEncoder().encode(text);

/** The smallest files of their kinds, after the published formats. */
const PDF =
  '%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj\ntrailer<</Root 1 0 R>>';
const WAV = Buffer.concat([
  Buffer.from('RIFF'),
  Buffer.from([36, 0, 0, 0]),
  Buffer.from('WAVEfmt '),
  Buffer.from([16, 0, 0, 0, 1, 0, 1, 0, 0x40, 0x1f, 0, 0, 0x40, 0x1f, 0, 0, 1, 0, 8, 0]),
  Buffer.from('data'),
  Buffer.from([0, 0, 0, 0]),
]);
const EPUB = zip({ mimetype: 'application/epub+zip', 'META-INF/container.xml': '<container/>' });

describe('a file that is taken in', () => {
  test.each([
    ['tides.pdf', PDF, 'application/pdf'],
    ['heights.csv', 'hour,height\n1,2\n', 'text/csv'],
    ['notes.txt', 'Ebbe und Flut, ä', 'text/plain'],
    ['latin.txt', Buffer.from('Fl\xf3\xf0 og fjara er mikil h\xe9r', 'latin1'), 'text/plain'],
    [
      'route.gpx',
      '<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"/>',
      'application/gpx+xml',
    ],
    ['walks.ics', 'BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n', 'text/calendar'],
    ['signal.wav', WAV, 'audio/wav'],
    ['dot.png', PIXEL, 'image/png'],
    ['chart.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>', 'image/svg+xml'],
    ['all.zip', zip({ 'a.txt': 'a' }), 'application/zip'],
    ['words.epub', EPUB, 'application/epub+zip'],
    ['page.html', '<!doctype html><title>x</title>', 'text/html'],
    ['data.json', '{"a":1}', 'application/json'],
    ['blob.bin', Buffer.from([0, 1, 2, 3]), 'application/octet-stream'],
    ['without an ending', PDF, 'application/pdf'],
  ])('is known by its content: %s', async (name, bytes, type) => {
    const { status, body } = await take(name, bytes);
    expect(status).toBe(201);
    expect(body).toMatchObject({ file: { name, type, claims: null }, notes: [] });
    if (type === 'image/svg+xml') return; // an SVG is written anew
    const sent = typeof bytes === 'string' ? utf8(bytes) : bytes;
    expect(body.file).toMatchObject({
      size: sent.length,
      sha256: createHash('sha256').update(sent).digest('hex'),
    });
    const back = await fetch(`${app.address}/api/enclosures/${body.file.id}`);
    expect(Buffer.from(await back.arrayBuffer()).equals(Buffer.from(sent))).toBe(true);
    expect(back.headers.get('content-security-policy')).toContain('sandbox');
  });

  test.each([
    ['tides.pdf', zip({ 'a.txt': 'a' }), 'application/zip', 'PDF'],
    ['chart.png', PDF, 'application/pdf', 'PNG picture'],
    ['tides.pdf', 'not at all', 'text/plain', 'PDF'],
  ])('is told from what its name claims: %s', async (name, bytes, type, claims) => {
    const { body } = await take(name, bytes);
    expect(body.file).toMatchObject({ type, claims });
    expect(body.notes.join()).toContain(claims);
  });

  test('is refused when it is empty, and nothing is kept', async () => {
    const before = (await shelf()).length;
    const { status, body } = await take('empty.pdf', '');
    expect(status).toBe(422);
    expect(body.detail).toContain('“empty.pdf” is empty');
    expect(await shelf()).toHaveLength(before);
  });

  test('leaves no upload behind, kept or refused', async () => {
    await take('empty.pdf', '');
    expect(await readdir(join(app.directory, 'uploads'))).toEqual([]);
  });
});

describe('2 GB', () => {
  test('are refused by their announced size before they are sent, and the server goes on', async () => {
    const answer = await new Promise<{ status: number; text: string }>((resolve, reject) => {
      const url = new URL(`${app.address}/api/books/${book}/enclosures`);
      const sending = request(url, {
        method: 'POST',
        headers: { 'content-type': 'multipart/form-data; boundary=x', 'content-length': String(2 ** 31) },
      });
      sending.on('response', (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => {
          resolve({ status: response.statusCode ?? 0, text });
          sending.destroy();
        });
      });
      sending.on('error', reject);
      sending.write('--x\r\n');
    });
    expect(answer.status).toBe(413);
    expect(answer.text).toContain('200 MB');
    expect((await app.call('GET', 'health')).status).toBe(200);
  });

  test('that are not announced are cut off where they become too large', async () => {
    const piece = Buffer.alloc(8 * 2 ** 20);
    let sent = 0;
    const stream = new ReadableStream<Uint8Array>({
      start: (controller) =>
        controller.enqueue(
          utf8('--x\r\ncontent-disposition: form-data; name="file"; filename="big.bin"\r\n\r\n'),
        ),
      pull(controller) {
        sent += piece.length;
        if (sent > 2 ** 31) controller.close();
        else controller.enqueue(piece);
      },
    });
    const outcome = await fetch(`${app.address}/api/books/${book}/enclosures`, {
      method: 'POST',
      headers: { 'content-type': 'multipart/form-data; boundary=x' },
      body: stream,
      duplex: 'half',
    } as RequestInit).then(
      ({ status }) => status,
      () => 'cut off',
    );
    expect([413, 'cut off']).toContain(outcome);
    expect((await app.call('GET', 'health')).status).toBe(200);
    expect(await readdir(join(app.directory, 'uploads'))).toEqual([]);
  }, 120_000);
});

describe('a picture', () => {
  test('that holds a script loses it before it is kept', async () => {
    const { body } = await take(
      'chart.svg',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9" onload="alert(1)"><script>alert(2)</script><a href="javascript:alert(3)"><rect width="9" height="9"/></a></svg>',
      'picture',
    );
    expect(body.notes).toEqual([
      'What could run in it, or is fetched from elsewhere, was taken out.',
      'A link in it was taken out: draw link areas over the picture, which every reader can follow.',
    ]);
    const kept = await (await fetch(`${app.address}/api/enclosures/${body.file.id}`)).text();
    expect(kept).toContain('<rect');
    expect(kept).not.toMatch(/script|onload|alert/);
  });

  test('that is drawn wrongly is refused for the text, and kept on the Shelf without its script', async () => {
    const drawing = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script><rect';
    expect((await take('chart.svg', drawing, 'picture')).status).toBe(422);
    const { body } = await take('chart.svg', drawing);
    expect(await (await fetch(`${app.address}/api/enclosures/${body.file.id}`)).text()).not.toContain(
      'script',
    );
  });

  test.each(['BM', 'II*\0', 'RIFF\0\0\0\0WEBPVP8 '])(
    'that is cut short after %j is refused',
    async (head) => {
      const { status, body } = await take('picture.png', head, 'picture');
      expect(status).toBe(422);
      expect(body.detail).toContain('Nothing was kept');
    },
  );

  test('with broken data is refused for the text, and kept on the Shelf with a word', async () => {
    const whole = await sharp({
      create: {
        width: 300,
        height: 300,
        channels: 3,
        background: '#b5651d',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .jpeg()
      .toBuffer();
    const broken = whole.subarray(0, whole.length / 2);
    const refused = await take('half.jpg', broken, 'picture');
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toContain('broken');
    const kept = await take('half.jpg', broken);
    expect(kept.status).toBe(201);
    expect(kept.body.notes.join()).toContain('can’t be shown');
  });

  test('of 100 megapixels is refused with a clear word', async () => {
    const huge = await sharp({ create: { width: 10_000, height: 10_000, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    const { status, body } = await take('huge.png', huge, 'picture');
    expect(status).toBe(422);
    expect(body.detail).toContain('50 million pixels');
  }, 60_000);

  test('of a type that not every program shows becomes PNG', async () => {
    const webp = await sharp(PIXEL).webp().toBuffer();
    const { body } = await take('dot.webp', webp, 'picture');
    expect(body).toMatchObject({
      file: { name: 'dot.png', type: 'image/png' },
      notes: [expect.stringContaining('PNG')],
    });
  });

  test('that is no picture at all is refused', async () => {
    expect((await take('tides.png', PDF, 'picture')).status).toBe(422);
  });
});

describe('a file that links lead to', () => {
  let file: string;
  const link = async () => (await app.api.links(book)).find(({ kind }) => kind === 'file');
  beforeAll(async () => {
    file = (await take('Tide table.pdf', PDF)).body.file.id;
    const target = { href: 'https://a.example/' };
    const destination = { kind: 'file' as const, enclosure: file };
    await app.api.repair(book, { target, repair: { type: 'destination', destination } });
  });

  test('is led to under the name that readers see, and is sound', async () => {
    expect(await link()).toMatchObject({
      href: 'files/tide-table.pdf',
      text: 'table (PDF)',
      verdict: 'sound',
      findings: [],
    });
  });

  test('can be renamed, described, and shown to fewer; links follow and say it', async () => {
    const changed = await app.call<ShelfFile>('PATCH', `enclosures/${file}`, {
      name: 'May: tides.pdf',
      description: 'Corrected in spring',
      opensFor: 'reviewers',
    });
    expect(changed.body).toMatchObject({
      name: 'May tides.pdf',
      description: 'Corrected in spring',
      opensFor: 'reviewers',
      travels: 'inside',
      address: null,
      type: 'application/pdf',
    });
    expect(await link()).toMatchObject({ verdict: 'guarded', findings: [{ rule: 'file-locked' }] });
    await app.api.changeFile(file, { opensFor: 'everyone' });
    expect(await link()).toMatchObject({ href: 'files/may-tides.pdf', verdict: 'sound' });
  });

  test('at a public address is led to there; what is no address is refused', async () => {
    const refused = await app.call('PATCH', `enclosures/${file}`, { address: 'javascript:alert(1)' });
    expect(refused).toMatchObject({ status: 422, body: { path: 'address' } });
    await app.api.changeFile(file, { travels: 'public', address: 'b.example/may.pdf' });
    expect(await link()).toMatchObject({ href: 'https://b.example/may.pdf', verdict: 'unchecked' });
    await app.api.changeFile(file, { travels: 'inside' });
  });

  test('is replaced by a new version which every link follows, and can be gone back from', async () => {
    const before = (await shelf()).find(({ id }) => id === file);
    const { body } = await app.upload<Taken>('other.csv', 'a,b\n', `enclosures/${file}/replace`);
    expect(body.file).toMatchObject({ id: file, name: 'May tides.csv', type: 'text/csv', size: 4 });
    expect(await link()).toMatchObject({ href: 'files/may-tides.csv', verdict: 'sound' });
    expect(await app.api.goBackFile(file)).toEqual(before);
    expect((await app.call('POST', `enclosures/${file}/go-back`)).status).toBe(409);
  });

  test('is removed, which breaks its links, and put back', async () => {
    expect((await app.call('DELETE', `enclosures/${file}`)).status).toBe(204);
    expect(await link()).toMatchObject({ verdict: 'broken', findings: [{ rule: 'file-gone' }] });
    const removed = await app.api.removedFiles(book);
    expect(removed.map(({ id }) => id)).toEqual([file]);
    expect((await app.call('GET', `enclosures/${file}`).catch(() => ({ status: 404 }))).status).toBe(404);
    await app.api.putFileBack(file);
    expect(await link()).toMatchObject({ verdict: 'sound', findings: [] });
  });

  test('comes with the book when it is opened', async () => {
    const { files } = await app.api.manuscript(book);
    expect(files.find(({ id }) => id === file)).toMatchObject({ name: 'May tides.pdf', travels: 'inside' });
  });
});

describe('a file in which something could run', () => {
  test('is given to be kept, in a sandbox, and only a drawing is shown', async () => {
    const answer = async (name: string, content: string) => {
      const { body } = await take(name, content);
      return fetch(`${app.address}/api/enclosures/${body.file.id}`);
    };
    const page = await answer('page.html', '<!doctype html><html><script>alert(1)</script></html>');
    expect(page.headers.get('content-disposition')).toMatch(/^attachment/);
    expect(page.headers.get('content-security-policy')).toMatch(/^sandbox/);
    const xml = await answer('track.gpx', '<?xml version="1.0"?><gpx></gpx>');
    expect(xml.headers.get('content-disposition')).toMatch(/^attachment/);
    const drawing = await answer('d.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');
    expect(drawing.headers.get('content-disposition')).toMatch(/^inline/);
  });
});

describe('a file that nests 20,000 deep', () => {
  const nested = (tag: string) => `<${tag}>`.repeat(20_000);
  test.each([
    ['deep.svg', `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9">${nested('g')}`, 422],
    ['deep.html', `<!doctype html><html>${nested('div')}`, 201],
    ['deep.xml', `<?xml version="1.0"?><x>${nested('y')}`, 201],
    ['deep.json', '['.repeat(20_000), 201],
  ])('%s is taken or refused in words, and the server goes on', async (name, content, status) => {
    expect((await take(name, content)).status).toBe(status);
    expect((await take(name, content, 'picture')).status).toBe(422);
    expect((await app.call('GET', 'health')).status).toBe(200);
  });
});

describe('a file that is lost from the store', () => {
  test('is said to be lost, and comes back by being replaced', async () => {
    const { body } = await take('tides.txt', 'low at nine');
    const { id, sha256 } = body.file;
    await rm(join(app.directory, 'enclosures', sha256.slice(0, 2), sha256));
    const lost = await fetch(`${app.address}/api/enclosures/${id}`);
    expect(lost.status).toBe(410);
    expect(lost.headers.get('content-type')).toContain('application/problem+json');
    expect(await lost.json()).toMatchObject({ title: 'The file is lost', status: 410 });
    expect((await app.upload('tides.txt', 'low at ten', `enclosures/${id}/replace`)).status).toBe(200);
    expect(await (await fetch(`${app.address}/api/enclosures/${id}`)).text()).toBe('low at ten');
  });
});

import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Problem } from '@vennet/core/wire';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp();
});
afterAll(() => app.stop());

test('every answer carries the id of its request: its own, or the one that it came with', async () => {
  const id = async (headers: Record<string, string>) =>
    (await fetch(`${app.address}/api/health`, { headers })).headers.get('x-request-id');
  expect(await id({ 'x-request-id': 'from-a-proxy.7' })).toBe('from-a-proxy.7');
  expect(await id({ 'x-request-id': '<script>' })).toMatch(/^[0-9a-f-]{36}$/);
  expect(await id({})).not.toBe(await id({}));
});

test('every answer says what pages may do with it', async () => {
  const { headers } = await fetch(`${app.address}/api/books`);
  expect(headers.get('content-security-policy')).toMatch(/default-src 'self';.*frame-ancestors 'none'/);
  expect(headers.get('x-content-type-options')).toBe('nosniff');
  expect(headers.get('referrer-policy')).toBe('no-referrer');
  expect(headers.get('x-powered-by')).toBeNull();
});

// RFC 9457: whatever goes wrong is told as a problem document.
test.each([
  ['an address that can’t be decoded', 'books/%E0%A4%A', {}, 400],
  ['an address that is none', 'nowhere', {}, 404],
  [
    'JSON that is none',
    'books',
    { method: 'POST', body: '{', headers: { 'content-type': 'application/json' } },
    400,
  ],
  ['a name that is not this computer’s', 'books', { headers: { origin: 'https://lamp.example' } }, 403],
])('%s is answered by a problem document', async (_what, path, init, status) => {
  const response = await fetch(`${app.address}/api/${path}`, init);
  expect(response.status).toBe(status);
  expect(response.headers.get('content-type')).toMatch(/^application\/problem\+json/);
  const problem = (await response.json()) as Problem;
  expect(problem).toMatchObject({ type: 'about:blank', status });
  expect(problem.detail.length).toBeGreaterThan(0);
});

// Origin (RFC 6454) and Fetch Metadata: a page can set neither by itself.
describe('who is answered', () => {
  const ask = async (method: string, path: string, headers: Record<string, string>, body?: string) => {
    const { request } = await import('node:http');
    const { port } = new URL(app.address);
    const own = Object.fromEntries(
      Object.entries(headers).map(([name, value]) => [name, value.replace('PORT', port)]),
    );
    return new Promise<{ status: number; type: string }>((resolve) => {
      const sent = request(`${app.address}${path}`, { method, headers: own }, (response) => {
        response.resume();
        resolve({ status: response.statusCode ?? 0, type: String(response.headers['content-type']) });
      });
      sent.end(body);
    });
  };

  test.each([
    ['another port of this computer', { origin: 'http://localhost:1' }],
    ['an origin that is none', { origin: 'http://' }],
    ['an origin that can’t be read', { origin: '%%' }],
    ['a list of origins', { origin: 'http://localhost:PORT http://evil.example' }],
    ['a page without an origin', { 'sec-fetch-site': 'cross-site' }],
    ['a page of another port without an origin', { 'sec-fetch-site': 'same-site' }],
    [
      'a page that leads there',
      { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' },
    ],
    ['another name that leads here', { host: 'evil.example' }],
  ])('%s is not', async (_, headers) => {
    const refused = await ask('GET', '/api/titles?href=lamp.example', headers);
    expect(refused).toMatchObject({ status: 403, type: expect.stringContaining('problem+json') as unknown });
    expect(
      (await ask('POST', '/api/books', { ...headers, 'content-type': 'application/json' }, '{}')).status,
    ).toBe(403);
  });

  test.each([
    ['a program', {}],
    ['its own page', { origin: 'http://localhost:PORT' }],
    ['its own page by number', { origin: 'http://127.0.0.1:PORT' }],
    ['its own page by the number of IPv6', { origin: 'http://[::1]:PORT', 'sec-fetch-site': 'same-origin' }],
    ['an address that is typed', { 'sec-fetch-site': 'none' }],
  ])('%s is', async (_, headers) => expect((await ask('GET', '/api/books', headers)).status).toBe(200));

  test.each(['application/x-www-form-urlencoded', 'text/plain', ''])(
    'a body as %j is not taken',
    async (type) => {
      const headers: Record<string, string> = type === '' ? {} : { 'content-type': type };
      expect(await ask('POST', '/api/books', headers, 'title=x')).toMatchObject({
        status: 415,
        type: expect.stringContaining('problem+json') as unknown,
      });
    },
  );

  test('a POST without a body needs no type', async () => {
    expect(
      (
        await ask('POST', '/api/books/6ba7b810-9dad-41d1-80b4-00c04fd430c8/put-back', {
          'content-length': '0',
        })
      ).status,
    ).toBe(404);
  });
});

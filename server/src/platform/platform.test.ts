import { afterAll, beforeAll, expect, test } from '@jest/globals';
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

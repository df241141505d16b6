import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { PIXEL } from '@vennet/core/testing';
import type { ShelfTaken } from '@vennet/core/wire';
import { made, page, redirect, status } from '@vennet/world';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
let book: string;
beforeAll(async () => {
  app = await startTestApp({
    sites: [
      {
        name: 'pictures.example',
        about: 'Pictures',
        pages: {
          '/lamp.png': made(200, { 'content-type': 'image/png' }, PIXEL),
          '/old.png': redirect(301, '/lamp.png'),
          '/round': redirect(302, '/round'),
          '/gone.png': status(404, 'Gone'),
          '/page': page('A page'),
          '/out': redirect(302, 'http://127.0.0.1:9/'),
        },
      },
    ],
    prober: { requestTimeout: 500 },
  });
  book = (await app.api.startBook({ title: 'Lamps' })).id;
});
afterAll(() => app.stop());

const take = (address: string) =>
  app.call<ShelfTaken & { detail: string }>('POST', `books/${book}/enclosures/from-address`, { address });

test('a picture at an address comes onto the Shelf, over redirects too', async () => {
  for (const path of ['lamp.png', 'old.png']) {
    const { status: code, body } = await take(`https://pictures.example/${path}`);
    expect([code, body.file?.name, body.file?.type]).toEqual([201, 'lamp.png', 'image/png']);
  }
  expect(await app.api.files(book)).toHaveLength(2);
});

test.each([
  ['https://pictures.example/gone.png', /answers with 404/],
  ['https://pictures.example/round', /redirected without end/],
  ['https://pictures.example/out', /does not answer, or may not be asked/],
  ['http://127.0.0.1:9/x.png', /does not answer, or may not be asked/],
  ['http://[::1]/x.png', /does not answer, or may not be asked/],
  ['ftp://pictures.example/x.png', /no web address/],
  ['no address', /no web address/],
  ['https://pictures.example/page', /picture/],
])('%s is refused with words, and nothing is kept', async (address, words) => {
  const before = (await app.api.files(book)).length;
  const { status: code, body } = await take(address);
  expect(code).toBe(422);
  expect(body.detail).toMatch(words);
  expect(await app.api.files(book)).toHaveLength(before);
});

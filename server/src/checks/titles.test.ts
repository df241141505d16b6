import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { PageTitle } from '@vennet/core/wire';
import { page, redirect, status } from '@vennet/world';
import { startTestApp, type TestApp } from '../testing/app.js';

let app: TestApp;
beforeAll(async () => {
  app = await startTestApp({
    sites: [
      {
        name: 'lamp-trust.example',
        about: 'Lamp Trust',
        pages: {
          '/tides': page('Tides in May'),
          '/old': redirect(301, '/tides'),
          '/round': redirect(302, '/round'),
          '/gone': status(404, 'Gone'),
          '/silent': { answer: { kind: 'silent' } },
        },
      },
    ],
    prober: { requestTimeout: 500 },
  });
});
afterAll(() => app.stop());

const title = (href: string) =>
  app.call<PageTitle & { detail: string }>('GET', `titles?href=${encodeURIComponent(href)}`);

describe('the title of a page', () => {
  test('is given as it is and as words for a link, without the name of its site', async () => {
    const words = { title: 'Tides in May | Lamp Trust', words: 'Tides in May' };
    expect(await title('https://lamp-trust.example/tides')).toEqual({ status: 200, body: words });
    expect((await title('https://lamp-trust.example/old')).body).toEqual(words);
  });

  test.each([
    ['https://lamp-trust.example/gone', 'answers 404'],
    ['https://lamp-trust.example/round', 'redirects too often'],
    ['https://lamp-trust.example/silent', 'takes too long'],
    ['https://nobody.example/', 'no site of that name'],
    ['http://127.0.0.1:1/', 'private network'],
    ['http://192.168.0.1/', 'private network'],
    ['mailto:joe@lamp.example', 'Only web pages'],
  ])('is refused with the reason: %s', async (href, why) => {
    const { status: code, body } = await title(href);
    expect(code).toBe(422);
    expect(body.detail).toContain(why);
  });
});

import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { verdictOf, type Answer } from '@vennet/core/reach';
import { CATALOGUE, listed, startWorld, type World } from '@vennet/world';
import { PROJECT } from '../platform/settings.js';
import { Prober } from './prober.js';

let world: World;
const answers = new Map<string, Answer>();
beforeAll(async () => {
  world = await startWorld({ sites: CATALOGUE.flatMap(({ sites }) => sites) });
  const prober = new Prober({ standIn: world, rate: 0, requestTimeout: 8000, retryDelay: 10 });
  const hrefs = CATALOGUE.map(({ href }) => href);
  await prober.probeAll(hrefs, (href, answer) => answers.set(href, answer), new AbortController().signal);
  await prober.close();
}, 240_000);
afterAll(() => world.stop());

describe('every behaviour of the catalogue, over real sockets', () => {
  test.each(CATALOGUE.map((one) => [one.id, one.about, one] as const))('%s: %s', (...[, , one]) => {
    const answer = answers.get(one.href);
    if (!answer) throw new Error('no answer');
    const { verdict, reason, movedTo, sign, quote } = verdictOf(answer, one.href);
    expect({
      verdict,
      why: verdict === one.verdict ? '' : `${reason} [${sign}: ${quote}] ${JSON.stringify(answer)}`,
    }).toEqual({
      verdict: one.verdict,
      why: '',
    });
    expect(movedTo).toBe(one.movedTo);
    if (one.says) expect(reason).toMatch(one.says);
  });
});

test('the catalogue is listed in docs as “npm run generate” writes it', async () =>
  expect(await readFile(join(PROJECT, 'docs/catalogue.md'), 'utf8')).toBe(listed(CATALOGUE)));

import { expect, test } from '@jest/globals';
import { Manners, RestError, type MannersOptions } from './manners.js';

const signal = new AbortController().signal;

function mannersWith(more: Partial<MannersOptions> = {}): Manners {
  return new Manners({
    atOnce: 100,
    beside: 100,
    perHost: 100,
    rate: 0,
    longestRest: 1_000,
    reachable: (name) =>
      Promise.resolve([{ address: name === 'alone.example' ? '198.18.0.2' : '198.18.0.1', family: 4 }]),
    now: Date.now,
    ...more,
  });
}

/** The times at which turns at hosts began, from the first, in ms. */
async function beginnings(manners: Manners, hosts: string[]): Promise<number[]> {
  const begun: number[] = [];
  await Promise.all(
    hosts.map(async (host) => {
      const turn = await manners.turn(host, 'page', signal);
      begun.push(Date.now());
      turn.end();
    }),
  );
  return begun.map((time) => time - begun[0]!);
}

test('requests at one host begin at a steady rate, and those behind one address count together', async () => {
  const times = await beginnings(mannersWith({ rate: 20 }), [
    'one.example',
    'one.example',
    'two.example',
    'three.example',
  ]);
  for (const [index, time] of times.entries()) expect(time).toBeGreaterThanOrEqual(index * 50 - 5);
});

test('so many are under way at one host and at one address, and no more', async () => {
  const manners = mannersWith({ perHost: 2 });
  const [first, second] = [
    await manners.turn('one.example', 'page', signal),
    await manners.turn('two.example', 'page', signal),
  ];
  let begun = false;
  const third = manners.turn('three.example', 'page', signal).then((turn) => {
    begun = true;
    return turn;
  });
  (await manners.turn('alone.example', 'page', signal)).end();
  expect(begun).toBe(false);
  first.end();
  (await third).end();
  second.end();
  expect(begun).toBe(true);
});

test('the longest rest wins and is kept; one that is too long is an error', async () => {
  const kept = new Map<string, number>();
  const rests = {
    until: (host: string) => kept.get(host),
    keep: (host: string, until: number) => void kept.set(host, until),
  };
  const manners = mannersWith({ rests });
  manners.rest('one.example', 200);
  manners.rest('one.example', 50);
  const begun = Date.now();
  (await manners.turn('one.example', 'page', signal)).end();
  expect(Date.now() - begun).toBeGreaterThanOrEqual(195);
  manners.rest('one.example', 5_000);
  await expect(manners.turn('one.example', 'page', signal)).rejects.toBeInstanceOf(RestError);
  // After a restart of the server.
  await expect(mannersWith({ rests }).turn('one.example', 'page', signal)).rejects.toBeInstanceOf(RestError);
});

test('a host that says twice that it is asked too often is asked one at a time, until the next run', async () => {
  const manners = mannersWith();
  manners.refused('one.example');
  manners.refused('one.example');
  const first = await manners.turn('one.example', 'page', signal);
  let begun = false;
  const second = manners.turn('one.example', 'page', signal).then((turn) => {
    begun = true;
    turn.end();
  });
  await manners.turn('alone.example', 'page', signal);
  expect(begun).toBe(false);
  first.end();
  await second;
  manners.forgive();
  await Promise.all([
    manners.turn('one.example', 'page', signal),
    manners.turn('one.example', 'page', signal),
  ]);
});

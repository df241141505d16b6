import { NO_SURROUNDINGS } from '../shelf/index.js';
import { createHash } from 'node:crypto';
import { describe, expect, test } from '@jest/globals';
import { VERDICT_TABLE, verdictInside, verdictOf, type Answer, type Failure, type Hop } from './index.js';

const answered = (status: number, ...hops: Hop[]): Answer => ({ outcome: 'status', status, hops });
const hop = (status: number, location: string): Hop => ({
  href: 'https://lamp.example/old',
  status,
  location,
});
const NEW = 'https://lamp.example/new';

describe('from status to verdict', () => {
  // RFC 9110, sections 15.3 to 15.6, with RFC 6585 (429) and RFC 7725 (451).
  test.each([
    [200, 'sound'],
    [204, 'sound'],
    [206, 'sound'],
    [304, 'sound'],
    [400, 'broken'],
    [401, 'guarded'],
    [402, 'guarded'],
    [403, 'guarded'],
    [404, 'broken'],
    [405, 'broken'],
    [407, 'guarded'],
    [408, 'unreachable'],
    [410, 'broken'],
    [414, 'broken'],
    [429, 'unreachable'],
    [451, 'guarded'],
    [500, 'unreachable'],
    [502, 'unreachable'],
    [503, 'unreachable'],
    [504, 'unreachable'],
    [300, 'broken'],
    [302, 'broken'],
    [600, 'unreachable'],
  ])('%i is %s', (status, verdict) => expect(verdictOf(answered(status)).verdict).toBe(verdict));

  test('every reason that is not good news names the status', () => {
    for (const status of [401, 403, 404, 410, 429, 500, 503])
      expect(verdictOf(answered(status)).reason).toContain(`(${status})`);
  });
});

describe('redirects', () => {
  // RFC 9110, 15.4.2 and 15.4.9: 301 and 308 say that links ought to be changed; 302, 303 and 307 say that they ought not.
  test.each([301, 308])('%i is moved, with the address to put instead', (status) =>
    expect(verdictOf(answered(200, hop(status, NEW)))).toMatchObject({ verdict: 'moved', movedTo: NEW }),
  );

  test.each([302, 303, 307])('%i is sound: the address stays right', (status) => {
    const verdict = verdictOf(answered(200, hop(status, NEW)));
    expect(verdict.verdict).toBe('sound');
    expect(verdict.movedTo).toBeUndefined();
  });

  test('a chain moves as far as it is permanent', () => {
    const last = 'https://lamp.example/today';
    expect(
      verdictOf(answered(200, hop(301, 'https://lamp.example/a'), hop(308, NEW), hop(302, last))).movedTo,
    ).toBe(NEW);
    expect(verdictOf(answered(200, hop(302, NEW), hop(301, last))).verdict).toBe('sound');
  });

  test('a move to a page that is not there is broken, not moved', () => {
    expect(verdictOf(answered(404, hop(301, NEW)))).toMatchObject({ verdict: 'broken' });
  });
});

describe('no answer', () => {
  const CASES: [Failure, string][] = [
    ['unknown-name', 'broken'],
    ['refused', 'broken'],
    ['timeout', 'unreachable'],
    ['reset', 'unreachable'],
    ['certificate', 'unreachable'],
    ['protocol', 'unreachable'],
    ['private-address', 'unreachable'],
    ['redirect-loop', 'broken'],
    ['too-many-redirects', 'broken'],
    ['bad-redirect', 'broken'],
  ];

  test.each(CASES)('%s is %s, and says why', (failure, verdict) => {
    const given = verdictOf({ outcome: 'failure', failure, hops: [] });
    expect(given.verdict).toBe(verdict);
    expect(given.reason.length).toBeGreaterThan(20);
  });
});

test('a place is sound when it is in the book and broken when it is not; the network is not asked', () => {
  const inside = { ...NO_SURROUNDINGS, isPlace: (id: string) => id === 'tides' };
  expect(verdictInside({ kind: 'place', place: 'tides' }, inside)?.verdict).toBe('sound');
  expect(verdictInside({ kind: 'place', place: 'gone' }, inside)?.verdict).toBe('broken');
  expect(verdictInside({ kind: 'web', href: NEW }, inside)).toBeNull();
});

// Verdicts are stored with the edition of the table: an answer that gets another verdict makes another edition.
test('what answers mean has changed only with the edition of the table', () => {
  const failures: Failure[] = [
    'unknown-name',
    'refused',
    'timeout',
    'reset',
    'certificate',
    'protocol',
    'private-address',
    'redirect-loop',
    'too-many-redirects',
    'bad-redirect',
  ];
  const ways = [[], [hop(301, NEW)], [hop(302, NEW)], [hop(308, NEW), hop(307, NEW)]];
  const answers: Answer[] = [
    ...ways.flatMap((hops) => Array.from({ length: 600 }, (_, status) => answered(status + 100, ...hops))),
    ...failures.map((failure): Answer => ({ outcome: 'failure', failure, hops: [] })),
  ];
  const told = answers.map((answer) => verdictOf(answer).verdict).join();
  expect([VERDICT_TABLE, createHash('sha256').update(told).digest('hex')]).toEqual([
    1,
    '7fd8d778d5505889893d4263f8ea431b9e140a6125df6c0a54ea9aed036a2d64',
  ]);
});

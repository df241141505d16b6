import { createHash } from 'node:crypto';
import { describe, expect, test } from '@jest/globals';
import { NO_SURROUNDINGS } from '../shelf/index.js';
import { ARTICLE, pageOf } from '../testing/pages.js';
import {
  askedAddress,
  FAILURES,
  likened,
  MAIL_STATES,
  TLS_FAULTS,
  VERDICT_TABLE,
  verdictInside,
  verdictOf,
  verdictOn,
  type Answer,
  type FailureAnswer,
  type Hop,
  type Said,
  type WebAnswer,
} from './index.js';

const OLD = 'https://lamp.example/old';
const NEW = 'https://lamp.example/new';
const AT = '2026-05-01T08:00:00.000Z';
const page = pageOf('The lamp', ARTICLE);

const answered = (status: number, more: Partial<WebAnswer> = {}): WebAnswer => ({
  edition: 2,
  outcome: 'status',
  at: AT,
  status,
  hops: [],
  page,
  fragment: 'there',
  ...more,
});
const sent = (...hops: [number, string][]): Hop[] =>
  hops.map(([status, location], index) => ({
    href: index === 0 ? OLD : hops[index - 1]![1],
    status,
    location,
  }));
const failed = (failure: FailureAnswer['failure'], more: Partial<FailureAnswer> = {}): FailureAnswer => ({
  edition: 2,
  outcome: 'failure',
  at: AT,
  failure,
  hops: [],
  ...more,
});
const name = (answer: Answer, href = OLD) => verdictOf(answer, href).verdict;

describe('from status to verdict', () => {
  // RFC 9110, sections 15.3 to 15.6, with RFC 6585 (429) and RFC 7725 (451); 406 and 600 on are common practice (no source).
  test.each([
    [200, 'sound'],
    [206, 'sound'],
    [204, 'doubtful'],
    [205, 'doubtful'],
    [304, 'doubtful'],
    [400, 'broken'],
    [401, 'guarded'],
    [402, 'guarded'],
    [403, 'guarded'],
    [404, 'broken'],
    [405, 'broken'],
    [406, 'guarded'],
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
    [300, 'doubtful'],
    [302, 'broken'],
    [999, 'guarded'],
    [100, 'unreachable'],
  ])('%i is %s', (status, verdict) => expect(name(answered(status))).toBe(verdict));

  test('every reason that is not good news names the status', () => {
    for (const status of [401, 403, 404, 410, 429, 500, 503])
      expect(verdictOf(answered(status), OLD).reason).toContain(`(${status})`);
  });

  test('an answer of which no page was read is unchecked where it was good news', () => {
    const bare = (status: number): Answer => ({ outcome: 'status', status, hops: [] });
    expect(verdictOf(bare(200), OLD)).toMatchObject({ verdict: 'unchecked' });
    expect(name(bare(404))).toBe('broken');
  });
});

describe('redirects', () => {
  // RFC 9110, 15.4.2 and 15.4.9: 301 and 308 say that links ought to be changed; 302, 303 and 307 say that they ought not.
  test.each([301, 308])('%i is moved, with the address to put instead', (status) =>
    expect(verdictOf(answered(200, { hops: sent([status, NEW]) }), OLD)).toMatchObject({
      verdict: 'moved',
      movedTo: NEW,
    }),
  );

  test.each([302, 303, 307])('%i is sound: the address stays right', (status) => {
    const verdict = verdictOf(answered(200, { hops: sent([status, NEW]) }), OLD);
    expect(verdict.verdict).toBe('sound');
    expect(verdict.movedTo).toBeUndefined();
  });

  test('a chain moves as far as it is permanent', () => {
    const last = 'https://lamp.example/today';
    const chain = sent([301, 'https://lamp.example/a'], [308, NEW], [302, last]);
    expect(verdictOf(answered(200, { hops: chain }), OLD).movedTo).toBe(NEW);
    expect(name(answered(200, { hops: sent([302, NEW], [301, last]) }))).toBe('sound');
    expect(name(answered(200, { hops: [{ ...sent([301, NEW])[0]!, by: 'refresh' }] }))).toBe('sound');
  });

  test('a move to a page that is not there is broken, and the reason says where', () =>
    expect(verdictOf(answered(404, { hops: sent([301, NEW]) }), OLD)).toMatchObject({
      verdict: 'broken',
      reason: `It sends on to ${NEW}, and there: The site has no such page. (404)`,
    }));

  test.each([
    ['https://lamp.example/login', 'guarded'],
    ['https://lamp.example/consent', 'guarded'],
    ['https://lamp.example/404', 'doubtful'],
    ['https://lamp.example/', 'doubtful'],
    ['https://lamp.example/old/', 'sound'],
    ['https://lamp.example/OLD', 'sound'],
    ['https://lamp.example/new;jsessionid=1', 'sound'],
  ])('a permanent one to %s is never offered: %s', (to, verdict) => {
    const told = verdictOf(answered(200, { hops: sent([301, to]) }), OLD);
    expect(told).toMatchObject({ verdict });
    expect(told.movedTo).toBeUndefined();
  });

  test('a persistent identifier stays, wherever it leads', () => {
    const href = 'https://doi.org/10.1000/182';
    const hops = [{ href, status: 301, location: NEW }];
    expect(verdictOf(answered(200, { hops }), href)).toMatchObject({ verdict: 'sound' });
    const toFront = [{ href, status: 302, location: 'https://lamp.example/' }];
    expect(name(answered(200, { hops: toFront }), href)).toBe('sound');
  });

  test('HTTPS is offered where it gives the same page', () => {
    const href = 'http://lamp.example/tides#may';
    const secure = likened(page, 'https://lamp.example/tides', 200, AT);
    expect(verdictOf(answered(200, { secure }), href)).toMatchObject({
      verdict: 'sound',
      securedTo: 'https://lamp.example/tides#may',
    });
    const other = likened(
      pageOf('Shop', 'Buy one lamp and get another.'),
      'https://lamp.example/tides',
      200,
      AT,
    );
    expect(verdictOf(answered(200, { secure: other }), href).securedTo).toBeUndefined();
  });
});

describe('no answer', () => {
  test.each([
    ['unknown-name', 'broken'],
    ['name-fault', 'unreachable'],
    ['refused', 'unreachable'],
    ['timeout', 'unreachable'],
    ['reset', 'unreachable'],
    ['certificate', 'unreachable'],
    ['protocol', 'unreachable'],
    ['unpackable', 'unreachable'],
    ['private-address', 'unreachable'],
    ['redirect-loop', 'broken'],
    ['too-many-redirects', 'broken'],
    ['bad-redirect', 'broken'],
    ['robots', 'guarded'],
    ['robots-unknown', 'unreachable'],
    ['resting', 'unreachable'],
  ] as const)('%s is %s, and says why', (failure, verdict) => {
    const given = verdictOf(failed(failure), OLD);
    expect(given.verdict).toBe(verdict);
    expect(given.reason.length).toBeGreaterThan(20);
  });

  test('each fault of a certificate is told as what it is', () => {
    const reasons = TLS_FAULTS.map((tls) => verdictOf(failed('certificate', { tls }), OLD).reason);
    expect(new Set(reasons).size).toBe(TLS_FAULTS.length);
  });

  test('what can’t be reached is broken after so many runs over so many days, and not before', () => {
    const since = (runs: number, days: number) =>
      name(
        failed('timeout', {
          streak: { runs, since: new Date(Date.parse(AT) - days * 86_400_000).toISOString() },
        }),
      );
    expect(since(3, 3)).toBe('broken');
    expect(since(2, 30)).toBe('unreachable');
    expect(since(30, 2.9)).toBe('unreachable');
    const streak = { runs: 1, since: AT };
    expect(verdictOf(failed('timeout', { streak }), OLD, { patience: { runs: 1, days: 0 } }).verdict).toBe(
      'broken',
    );
  });
});

describe('what an author saw', () => {
  const said = (more: Partial<Said> = {}): Said => ({
    saw: 'opens',
    readers: 'everyone',
    from: '',
    note: '',
    at: AT,
    until: '2026-10-01T00:00:00.000Z',
    ...more,
  });
  const guarded = (more?: Partial<Said>) => answered(403, { said: said(more) });

  test('decides where a program can’t tell, for the readers that it was said of', () => {
    expect(name(guarded())).toBe('sound');
    expect(name(guarded({ readers: 'members' }))).toBe('guarded');
    expect(verdictOf(guarded({ readers: 'house' }), OLD).reason).toContain('one house');
    expect(name(guarded({ saw: 'does-not-open' }))).toBe('broken');
  });

  test('from its day on, and until its time is over', () => {
    expect(name(guarded({ from: '2026-06-01' }))).toBe('guarded');
    expect(verdictOf(guarded({ from: '2026-06-01' }), OLD, { now: '2026-06-02T00:00:00Z' }).verdict).toBe(
      'sound',
    );
    expect(verdictOf(guarded(), OLD, { now: '2026-10-02T00:00:00Z' }).verdict).toBe('guarded');
  });

  test('does not bring back a page that is not there', () =>
    expect(name(answered(404, { said: said() }))).toBe('broken'));
});

describe('a page that became another', () => {
  const before = (title: string, text: string) => likened(pageOf(title, text), OLD, 200, AT);
  const CASINO = ARTICLE.replace(/\w+/g, (word) => [...word].reverse().join(''));
  test.each([
    ['another text', 'The lamp', CASINO, 'doubtful'],
    ['another title over another text', 'Win now', CASINO, 'doubtful'],
    ['a word more', 'The lamp', `${ARTICLE} And so on.`, 'sound'],
    ['another title over the same text', 'Der Leuchtturm', ARTICLE, 'sound'],
    ['half of it', 'The lamp', ARTICLE.slice(0, ARTICLE.length / 2), 'sound'],
  ])('%s', (...[, title, text, verdict]) =>
    expect(name(answered(200, { page: pageOf(title, text), before: before('The lamp', ARTICLE) }))).toBe(
      verdict,
    ),
  );

  test('is no news of a front page with its name', () =>
    expect(
      name(
        answered(200, { page: pageOf('News', CASINO), before: before('News', ARTICLE) }),
        'https://lamp.example/',
      ),
    ).toBe('sound'));
});

test('the worst of several receivers decides, and is named', () => {
  const receivers = [
    { address: 'joe@lamp.example', state: 'takes' as const },
    { address: 'ann@nowhere.example', state: 'no-domain' as const },
  ];
  const answer: Answer = { edition: 2, outcome: 'mail', receivers };
  expect(verdictOf(answer, 'mailto:x')).toMatchObject({ verdict: 'broken', quote: 'ann@nowhere.example' });
});

describe('what is inside', () => {
  const inside = { ...NO_SURROUNDINGS, isPlace: (id: string) => id === 'tides' };

  test('a place is sound when it is in the book and broken when it is not; the network is not asked', () => {
    expect(verdictInside({ kind: 'place', place: 'tides' }, inside)?.verdict).toBe('sound');
    expect(verdictInside({ kind: 'place', place: 'gone' }, inside)?.verdict).toBe('broken');
    expect(verdictInside({ kind: 'web', href: NEW }, inside)).toBeNull();
    // A telephone number is judged by how it is written (RFC 3966, 5.1.4); nobody is asked.
    expect(verdictInside({ kind: 'web', href: 'tel:+49-30-901820' }, inside)?.verdict).toBe('sound');
    expect(verdictInside({ kind: 'web', href: 'tel:030-901820' }, inside)?.verdict).toBe('doubtful');
    expect(askedAddress({ kind: 'web', href: 'geo:54.18,7.89' }, inside)).toBeNull();
  });

  test('a file is guarded when not all can open it whom the book is for, and a check of its bytes may find worse', () => {
    const file = {
      id: 'f',
      name: 'map.pdf',
      type: 'application/pdf',
      size: 1,
      description: '',
      opensFor: 'reviewers' as const,
      travels: 'inside' as const,
      address: null,
    };
    const around = { ...inside, files: new Map([['f', file as never]]) };
    const destination = { kind: 'file' as const, enclosure: 'f' };
    const damaged = { verdict: 'broken' as const };
    expect(verdictInside(destination, around)?.verdict).toBe('guarded');
    expect(verdictInside(destination, { ...around, readers: 'reviewers' })?.verdict).toBe('sound');
    const open = { ...around, readers: 'author' as const };
    expect(verdictOn(destination, open, () => undefined).verdict).toBe('sound');
    expect(verdictOn(destination, open, (href) => (href === 'enclosure/f' ? damaged : undefined))).toBe(
      damaged,
    );
  });
});

// Verdicts are stored with the edition of the table: an answer that gets another verdict makes another edition.
test('what answers mean has changed only with the edition of the table', () => {
  const ways = [[], sent([301, NEW]), sent([302, NEW]), sent([308, NEW], [307, `${NEW}er`])];
  const pages = [
    page,
    pageOf('Page not found', 'Sorry.'),
    pageOf('', ''),
    pageOf('Sign in', '', { marks: ['password-in-main'] }),
  ];
  const answers: Answer[] = [
    ...ways.flatMap((hops) =>
      pages.flatMap((one) =>
        Array.from({ length: 600 }, (_, status) => answered(status + 100, { hops, page: one })),
      ),
    ),
    ...FAILURES.map((failure) => failed(failure)),
    ...MAIL_STATES.map((state): Answer => ({
      outcome: 'mail',
      receivers: [{ address: 'joe@lamp.example', state }],
    })),
  ];
  const told = answers.map((answer) => name(answer)).join();
  expect([VERDICT_TABLE, createHash('sha256').update(told).digest('hex')]).toEqual([
    2,
    'c07be37239795bf0d2638909086aa07c723af448339e3e0eb53dd3d2490a484d',
  ]);
});

import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { once } from 'node:events';
import { deflateRawSync, deflateSync, gzipSync } from 'node:zlib';
import { Readable } from 'node:stream';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildConnector } from 'undici';
import { failureOf } from './failure.js';
import { retryAfter } from './headers.js';
import { lenientGet, readHead } from './lenient.js';
import { locationOf } from './location.js';
import { rulesIn } from './robots.js';
import { unpacked } from './unpacked.js';

const latin1 = (text: string) => Buffer.from(text).toString('latin1');

describe('Location, as browsers read it', () => {
  const from = 'https://lamp.example/a/b?c#d';
  // RFC 3986, 5.4 for what is relative; RFC 9110, 10.2.2 for the fragment; bytes beyond ASCII as the Fetch Standard's tests have them, from memory.
  test.each([
    [['/new'], 'https://lamp.example/new#d'],
    [['new'], 'https://lamp.example/a/new#d'],
    [['?x=1'], 'https://lamp.example/a/b?x=1#d'],
    [['//other.example/x#e'], 'https://other.example/x#e'],
    [[latin1('/lämp')], 'https://lamp.example/l%C3%A4mp#d'],
    [['/l\u00e4mp'], 'https://lamp.example/l%E4mp#d'],
    [[latin1('https://bücher.example/')], 'https://xn--bcher-kva.example/#d'],
    [['/new', ' /new '], 'https://lamp.example/new#d'],
    [['/new', '/other'], undefined],
    [['javascript:alert(1)'], undefined],
    [['http://'], undefined],
    [[''], null],
    [[], null],
  ])('%j leads to %s', (...[values, expected]) => expect(locationOf(values, from)).toBe(expected));

  test('nothing that a host sends makes it throw, and what it gives is an address of the web', () =>
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'binary' }).map(latin1), { maxLength: 3 }), (values) => {
        const to = locationOf(values, from);
        if (to) expect(new URL(to).protocol).toMatch(/^https?:$/);
      }),
    ));
});

describe('Retry-After', () => {
  const now = Date.parse('2026-05-01T08:00:00Z');
  // RFC 9110, 10.2.3 and 5.6.7.
  test.each([
    ['120', 120_000],
    ['0', 0],
    ['Fri, 01 May 2026 08:01:00 GMT', 60_000],
    ['Wed, 21 Oct 2015 07:28:00 GMT', 0],
    ['soon', null],
    ['-5', null],
    ['1.5', null],
    ['', null],
  ])('“%s” is %s', (...[value, rest]) => expect(retryAfter(value, now)).toBe(rest));

  test('whatever is sent is no rest, or one of 0 ms or more', () =>
    fc.assert(
      fc.property(fc.string(), (value) => {
        const rest = retryAfter(value, now);
        expect(rest === null || rest >= 0).toBe(true);
      }),
    ));
});

describe('rules for programs', () => {
  const may = (rules: string, path: string) =>
    rulesIn(rules, 'https://lamp.example/robots.txt').allows(`https://lamp.example${path}`);
  // RFC 9309, 2.2.2 and 5.1 (the longest match wins, `*` and `$`, an empty rule forbids nothing).
  test.each([
    ['User-agent: *\nDisallow: /a\nAllow: /a/b', '/a/b/c', true],
    ['User-agent: *\nDisallow: /a\nAllow: /a/b', '/a/c', false],
    ['User-agent: *\nDisallow: /*.gif$', '/x/lamp.gif', false],
    ['User-agent: *\nDisallow: /*.gif$', '/x/lamp.gif?1', true],
    ['User-agent: *\nDisallow:', '/a', true],
    ['User-agent: other\nDisallow: /', '/a', true],
    ['user-agent: VENNET\ndisallow: /a', '/a', false],
    ['<!doctype html><p>No rules', '/a', true],
  ])('%j lets %s be asked: %s', (...[rules, path, expected]) => expect(may(rules, path)).toBe(expected));

  test('whatever stands there, it says yes or no', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.constantFrom('User-agent: *\n', 'Disallow: ', 'Allow: ', '/', '*', '$', '\n', '%'),
            fc.string(),
          ),
          { maxLength: 20 },
        ),
        (parts) => expect(typeof may(parts.join(''), '/tides?x=1')).toBe('boolean'),
      ),
    ));
});

describe('packed bodies', () => {
  const body = 'The lamp. '.repeat(1000);
  const unpack = async (bytes: Uint8Array, encoding: string) => {
    const pieces: Uint8Array[] = [];
    for await (const piece of unpacked(Readable.from([Buffer.from(bytes)], { objectMode: false }), encoding))
      pieces.push(piece as Uint8Array);
    return Buffer.concat(pieces).toString();
  };
  // RFC 1950, 1951, 1952; deflate without its wrapping is common practice.
  test.each([
    ['gzip', gzipSync(body)],
    ['x-gzip', gzipSync(body)],
    ['deflate', deflateSync(body)],
    ['deflate', deflateRawSync(body)],
    ['identity', Buffer.from(body)],
    ['gzip, gzip', gzipSync(gzipSync(body))],
  ])('%s', async (encoding, bytes) => expect(await unpack(bytes, encoding)).toBe(body));

  test('one that ends too early gives what it has', async () => {
    const packed = gzipSync(Array.from({ length: 20_000 }, (_, index) => `${index * 7919} `).join(''));
    const whole = await unpack(packed, 'gzip');
    const half = await unpack(packed.subarray(0, packed.length / 2), 'gzip');
    expect(half.length).toBeGreaterThan(1000);
    expect(whole.startsWith(half)).toBe(true);
  });

  test('what is not packed, or in an unknown way, is refused', async () => {
    await expect(unpack(Buffer.from(body), 'gzip')).rejects.toThrow();
    await expect(unpack(Buffer.from(body), 'zstd')).rejects.toThrow('zstd');
    await expect(unpack(Buffer.from(body), 'gzip,gzip,gzip,gzip,gzip')).rejects.toThrow('5 times');
  });
});

test.each([
  ['CERT_HAS_EXPIRED', 'expired'],
  ['CERT_NOT_YET_VALID', 'not-yet-valid'],
  ['ERR_TLS_CERT_ALTNAME_INVALID', 'other-name'],
  ['DEPTH_ZERO_SELF_SIGNED_CERT', 'self-signed'],
  ['SELF_SIGNED_CERT_IN_CHAIN', 'unknown-issuer'],
  ['UNABLE_TO_VERIFY_LEAF_SIGNATURE', 'unknown-issuer'],
  ['UNABLE_TO_GET_ISSUER_CERT_LOCALLY', 'unknown-issuer'],
  ['CERT_REVOKED', 'revoked'],
  ['ERR_SSL_TLSV1_ALERT_PROTOCOL_VERSION', 'old-version'],
  ['ERR_SSL_UNSUPPORTED_PROTOCOL', 'old-version'],
  ['ERR_SSL_WRONG_VERSION_NUMBER', 'plain-http'],
  ['ERR_SSL_TLSV13_ALERT_CERTIFICATE_REQUIRED', 'asks-for-certificate'],
  ['ERR_SSL_SSLV3_ALERT_HANDSHAKE_FAILURE', 'other'],
])('OpenSSL’s %s is told as “%s”', (code, tls) =>
  expect(failureOf(Object.assign(new Error(), { code }))).toEqual({ failure: 'certificate', tls, code }),
);

describe('the lenient reader', () => {
  let server: Server;
  let answer: (socket: Socket) => void = () => {};
  beforeAll(async () => {
    server = createServer((socket) => {
      socket.on('error', () => {});
      socket.once('data', () => answer(socket));
    }).listen(0, '127.0.0.1');
    await once(server, 'listening');
  });
  afterAll(() => void server.close());

  async function read(bytes: string | Uint8Array, cuts: readonly number[] = []) {
    answer = (socket) => {
      const whole = Buffer.from(bytes as string, 'latin1');
      let at = 0;
      for (const cut of cuts) {
        socket.write(whole.subarray(at, at + cut));
        at += cut;
      }
      socket.end(whole.subarray(at));
    };
    const { port } = server.address() as AddressInfo;
    const controller = new AbortController();
    const timer = setTimeout(() => controller.abort(new Error('too long')), 5_000);
    try {
      const { status, headers, body } = await lenientGet(`http://127.0.0.1:${port}/`, {
        connect: buildConnector({ timeout: 1_000 }),
        headers: {},
        signal: controller.signal,
      });
      const pieces: Uint8Array[] = [];
      for await (const piece of body) pieces.push(piece as Uint8Array);
      return { status, type: headers.get('content-type'), body: Buffer.concat(pieces).toString('latin1') };
    } finally {
      clearTimeout(timer);
    }
  }

  // RFC 9112, 2.2 (bare LF), 5.2 (folded lines), 6.3 (lengths), 7.1 (chunks); the rest is what browsers bear with, from memory.
  test.each([
    [
      'HTTP/1.1 200 OK\nContent-Type: text/html\nContent-Length: 4\n\nlamp',
      { status: 200, type: 'text/html', body: 'lamp' },
    ],
    ['HTTP/1.1 404\r\n\r\ngone', { status: 404, type: '', body: 'gone' }],
    ['ICY 200 OK\r\ncontent type: x\r\n\r\nlamp', { status: 200, type: '', body: 'lamp' }],
    [
      'HTTP/1.1 200 OK\r\nno colon\r\nContent-Length: 4\r\nContent-Length: 4\r\n\r\nlamps',
      { status: 200, type: '', body: 'lamp' },
    ],
    ['HTTP/1.1 100 Continue\r\n\r\nHTTP/1.1 200 OK\r\n\r\nlamp', { status: 200, type: '', body: 'lamp' }],
    [
      'HTTP/1.1 200 OK\r\nTransfer-Encoding: chunked\r\n\r\n2;x=1\r\nla\r\n2\nmp\n0\r\n\r\n',
      { status: 200, type: '', body: 'lamp' },
    ],
    [
      'HTTP/1.1 200 OK\r\nContent-Type:\r\n text/html\r\n\r\nlamp',
      { status: 200, type: 'text/html', body: 'lamp' },
    ],
  ])('reads %j, in whatever pieces it comes', async (bytes, expected) => {
    expect(await read(bytes)).toEqual(expected);
    expect(await read(bytes, Array(bytes.length).fill(1) as number[])).toEqual(expected);
  });

  test.each([
    '220 mail ESMTP\r\n\r\n',
    '',
    'HTTP/1.1 200 OK\r\nContent-Length: 1\r\nContent-Length: 2\r\n\r\nx',
    `HTTP/1.1 200 OK\r\n${'x: y\r\n'.repeat(20_000)}`,
  ])('refuses what is no answer (%#)', async (bytes) => expect(read(bytes)).rejects.toThrow());

  test('whatever comes ends, with an answer or a refusal', async () => {
    const piece = fc.oneof(
      fc.constantFrom(
        'HTTP/1.1 200 OK',
        '\r\n',
        '\n',
        '\r',
        'Content-Length: 3',
        'Content-Length: 9',
        'Transfer-Encoding: chunked',
        '\r\n\r\n',
        'ffffffff\r\n',
        '3\r\nabc\r\n',
        '0\r\n\r\n',
        ':',
        ' ',
        'HTTP/1.1 100 x\r\n\r\n',
      ),
      fc.string({ unit: 'binary', maxLength: 20 }).map(latin1),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(piece, { maxLength: 12 }),
        fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 4 }),
        async (parts, cuts) => {
          const outcome = await read(parts.join(''), cuts).catch((error: Error) => error);
          expect(outcome).not.toMatchObject({ message: 'too long' });
        },
      ),
      { numRuns: 150 },
    );
  });

  test('no head makes it throw anything but its own error', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (head) => {
        try {
          expect(readHead(head).status).toBeGreaterThanOrEqual(0);
        } catch (error) {
          expect(error).toMatchObject({ code: 'VENNET_PROTOCOL' });
        }
      }),
    ));
});

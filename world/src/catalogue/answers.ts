import { brotliCompressSync, deflateRawSync, deflateSync, gzipSync } from 'node:zlib';
import { does, html, made, page, raw, status } from '../site.js';
import { article, behaviour, document, note, paragraphs, TEXT, type Behaviour } from './behaviour.js';

const ARTICLE = document('The lamp', `<main><h1>The lamp</h1>${paragraphs(...TEXT)}</main>`);
const typed = (more: Record<string, string> = {}) => ({
  'content-type': 'text/html; charset=utf-8',
  ...more,
});
const headOf = (length: number, more = '') =>
  `HTTP/1.1 200 OK\r\nContent-Type: text/html; charset=utf-8\r\nContent-Length: ${length}\r\nConnection: close\r\n${more}\r\n`;

/** Statuses, bodies and how they come over the line. */
export const ANSWERS: readonly Behaviour[] = [
  behaviour('plain', 'sound', 'An ordinary page', article('The lamp')),
  behaviour(
    'front',
    'sound',
    'The front page of a site',
    { '/': article('Lamps') },
    { href: 'https://front.example/' },
  ),
  behaviour('no-head', 'sound', 'HEAD is refused, GET is answered', {
    '/page': { ...page('Only GET', [], ...TEXT), headStatus: 405 },
  }),
  behaviour('head-lies', 'broken', 'HEAD says 200, GET says 404', {
    '/page': { ...status(404, 'Gone'), headStatus: 200 },
  }),
  behaviour('not-found', 'broken', '404', status(404, 'No such page')),
  behaviour('gone', 'broken', '410', status(410, 'Gone'), { says: /gone for good/ }),
  behaviour('bad-request', 'broken', '400', status(400, 'Bad request')),
  behaviour(
    'not-acceptable',
    'guarded',
    '406, by which sites turn programs away',
    status(406, 'Not acceptable'),
  ),
  behaviour('unauthorized', 'guarded', '401', status(401, 'Sign in')),
  behaviour('payment', 'guarded', '402', status(402, 'Pay')),
  behaviour('forbidden', 'guarded', '403', status(403, 'Members')),
  behaviour('proxy', 'guarded', '407', status(407, 'Proxy')),
  behaviour('legal', 'guarded', '451', status(451, 'Not here'), { says: /legal/ }),
  behaviour('odd-status', 'guarded', '999, by which sites turn programs away', status(999, 'No')),
  behaviour('server-error', 'unreachable', '500 each time', status(500, 'Fault')),
  behaviour('bad-gateway', 'unreachable', '502 each time', status(502, 'Fault')),
  behaviour('unavailable', 'unreachable', '503 each time', status(503, 'Later')),
  behaviour('passing-error', 'sound', '500 once, then the page', afterFaults(1, 500)),
  behaviour('passing-twice', 'sound', '503 twice, then the page', afterFaults(2, 503)),
  behaviour('too-often', 'unreachable', '429 each time', status(429, 'Slowly')),
  behaviour('too-often-once', 'sound', '429 with a short rest, then the page', afterFaults(1, 429, '0')),
  behaviour('long-rest', 'unreachable', '503 with a rest of an hour', status(503, 'Later', '3600')),
  behaviour(
    'rest-as-date',
    'sound',
    '503 with a date that is over, then the page',
    afterFaults(1, 503, 'Wed, 21 Oct 2015 07:28:00 GMT'),
  ),
  behaviour(
    'rest-garbled',
    'sound',
    '429 with a rest that can’t be read, then the page',
    afterFaults(1, 429, 'soon'),
  ),
  behaviour('no-content', 'doubtful', '204', made(204, {})),
  behaviour('reset-content', 'doubtful', '205', made(205, {})),
  behaviour('empty', 'doubtful', '200 without a body', html('')),
  behaviour('blank', 'doubtful', 'a page without anything in it', html(document('', ''))),
  behaviour(
    'only-picture',
    'sound',
    'a page that is one picture',
    html(document('The map', '<img src="/map.png" alt="">')),
  ),
  behaviour(
    'frames',
    'sound',
    'a page of frames',
    html(
      '<html><head><title>Old</title></head><frameset cols="20%,80%"><frame src="/a"><frame src="/b"></frameset></html>',
    ),
  ),
  behaviour('not-modified', 'doubtful', '304 that nobody asked for', made(304, {})),
  behaviour(
    'gzip',
    'sound',
    'packed by gzip',
    made(200, typed({ 'content-encoding': 'gzip' }), gzipSync(ARTICLE)),
  ),
  behaviour(
    'deflate',
    'sound',
    'packed by deflate (zlib)',
    made(200, typed({ 'content-encoding': 'deflate' }), deflateSync(ARTICLE)),
  ),
  behaviour(
    'deflate-raw',
    'sound',
    'packed by bare deflate',
    made(200, typed({ 'content-encoding': 'deflate' }), deflateRawSync(ARTICLE)),
  ),
  behaviour(
    'brotli',
    'sound',
    'packed by brotli',
    made(200, typed({ 'content-encoding': 'br' }), brotliCompressSync(ARTICLE)),
  ),
  behaviour(
    'packed-twice',
    'sound',
    'packed twice',
    made(200, typed({ 'content-encoding': 'gzip, br' }), brotliCompressSync(gzipSync(ARTICLE))),
  ),
  behaviour(
    'packed-soft-404',
    'doubtful',
    'a packed page that says it is not there',
    made(
      200,
      typed({ 'content-encoding': 'gzip' }),
      gzipSync(document('Page not found', '<h1>Page not found</h1>')),
    ),
  ),
  behaviour(
    'not-packed',
    'unreachable',
    'says gzip and is not packed',
    made(200, typed({ 'content-encoding': 'gzip' }), ARTICLE),
    { says: /unpacked/ },
  ),
  behaviour(
    'packed-otherwise',
    'unreachable',
    'packed in a way that was not offered',
    made(200, typed({ 'content-encoding': 'zstd' }), gzipSync(ARTICLE)),
  ),
  behaviour(
    'bomb',
    'sound',
    'a page that unpacks to 200 MB',
    made(200, typed({ 'content-encoding': 'gzip' }), () =>
      gzipSync(Buffer.concat([Buffer.from(ARTICLE), Buffer.alloc(200_000_000, 0x20)])),
    ),
  ),
  behaviour(
    'latin-1',
    'sound',
    'Latin-1, told in the header',
    made(
      200,
      { 'content-type': 'text/html; charset=iso-8859-1' },
      Buffer.from(document('Über die Lampe', `<h1>Über die Lampe</h1>${paragraphs(...TEXT)}`), 'latin1'),
    ),
  ),
  behaviour(
    'wrong-charset',
    'sound',
    'a charset that does not exist',
    made(200, { 'content-type': 'text/html; charset=klingon-9' }, ARTICLE),
  ),
  behaviour(
    'utf-16',
    'doubtful',
    'UTF-16 with its mark, and not found',
    made(
      200,
      { 'content-type': 'text/html' },
      Buffer.concat([
        Buffer.from([0xff, 0xfe]),
        Buffer.from(document('Page not found', '<h1>Page not found</h1>'), 'utf16le'),
      ]),
    ),
  ),
  behaviour('no-type', 'sound', 'no content type, and a page', made(200, {}, ARTICLE)),
  behaviour(
    'no-type-soft',
    'doubtful',
    'no content type, and a page that is not there',
    made(200, {}, document('404 Not Found', '<h1>404 Not Found</h1>')),
  ),
  behaviour(
    'plain-text',
    'sound',
    'a plain text',
    made(200, { 'content-type': 'text/plain' }, TEXT.join('\n')),
  ),
  behaviour(
    'data',
    'sound',
    'data without an error',
    made(200, { 'content-type': 'application/json' }, '{"lamps":[1,2],"errors":[]}'),
  ),
  behaviour(
    'data-error',
    'doubtful',
    'data that tell of an error',
    made(200, { 'content-type': 'application/json' }, '{"error":{"message":"No such lamp"}}'),
    { says: /error/ },
  ),
  behaviour(
    'data-problem',
    'doubtful',
    'a problem document with status 200',
    made(200, { 'content-type': 'application/problem+json' }, '{"title":"Not Found","status":404}'),
  ),
  behaviour(
    'file-is-page',
    'doubtful',
    'a .pdf that is a web page',
    { '/lamp.pdf': article('Our files') },
    { href: 'https://file-is-page.example/lamp.pdf' },
  ),
  behaviour(
    'file-about',
    'sound',
    'a page about a file',
    { '/wiki/File:Lamp.jpg': article('File:Lamp.jpg') },
    { href: 'https://file-about.example/wiki/File:Lamp.jpg' },
  ),
  behaviour(
    'type-lies',
    'doubtful',
    'says PDF and sends a page',
    { '/lamp.pdf': made(200, { 'content-type': 'application/pdf' }, ARTICLE) },
    { href: 'https://type-lies.example/lamp.pdf' },
  ),
  behaviour(
    'type-vague',
    'sound',
    'a file of bytes, without more',
    {
      '/lamp.zip': made(
        200,
        { 'content-type': 'application/octet-stream' },
        Buffer.from('504b0304140000000000', 'hex'),
      ),
    },
    { href: 'https://type-vague.example/lamp.zip' },
  ),
  behaviour(
    'page-is-file',
    'doubtful',
    'says page and sends a PDF',
    made(200, typed(), '%PDF-1.7\n%âãÏÓ\n1 0 obj\n'),
  ),
  behaviour('silent', 'unreachable', 'says nothing', { '/page': { answer: { kind: 'silent' } } }),
  behaviour('breaks', 'unreachable', 'breaks the line off', { '/page': { answer: { kind: 'breaks' } } }),
  behaviour('refuses', 'unreachable', 'refuses connections', {}, { refuses: true }),
  behaviour('slow', 'sound', 'answers after a while', {
    '/page': { ...page('Slow', [], ...TEXT), delay: 200 },
  }),
  behaviour(
    'drips',
    'unreachable',
    'sends a sign now and then, without end',
    does((_request, response) => {
      response.writeHead(200, typed());
      const timer = setInterval(() => response.write(' '), 30);
      response.on('close', () => clearInterval(timer));
    }),
  ),
  behaviour(
    'endless',
    'sound',
    'a page that never ends',
    does((_request, response) => {
      response.writeHead(200, typed());
      response.write(ARTICLE.replace('</main></body></html>', ''));
      const more = () => {
        while (!response.destroyed && response.write(`<p>${'More and more. '.repeat(500)}</p>`));
      };
      response.on('drain', more);
      more();
    }),
  ),
  behaviour(
    'one-line',
    'sound',
    '40 MB in one line',
    made(200, typed(), () => document('The lamp', `<h1>The lamp</h1>${'lamp '.repeat(8_000_000)}`)),
  ),
  behaviour('cut-short', 'sound', 'ends before the length that was told, with the page', {
    '/page': raw(headOf(ARTICLE.length + 900) + ARTICLE),
  }),
  behaviour('cut-at-once', 'unreachable', 'ends after the headers', { '/page': raw(headOf(900), 'reset') }),
  behaviour(
    'endless-headers',
    'unreachable',
    'headers without end',
    does((request) => {
      const { socket } = request;
      socket.write('HTTP/1.1 200 OK\r\n');
      const more = () => {
        while (!socket.destroyed && socket.write(`X-More: ${'more '.repeat(200)}\r\n`));
      };
      socket.on('drain', more);
      more();
    }),
  ),
  behaviour(
    'bare-lf',
    'sound',
    'lines that end in a bare line feed',
    raw((headOf(ARTICLE.length) + ARTICLE).replaceAll('\r\n', '\n')),
    { href: 'http://bare-lf.example/page' },
  ),
  behaviour(
    'odd-header',
    'sound',
    'the name of a header with a space',
    raw(headOf(ARTICLE.length, 'X Odd Header: 1\r\n') + ARTICLE),
  ),
  behaviour(
    'no-colon',
    'sound',
    'a header without a colon',
    raw(headOf(ARTICLE.length, 'What is this\r\n') + ARTICLE),
  ),
  behaviour(
    'two-lengths',
    'sound',
    'the same length twice',
    raw(headOf(ARTICLE.length, `Content-Length: ${ARTICLE.length}\r\n`) + ARTICLE),
  ),
  behaviour(
    'two-other-lengths',
    'unreachable',
    'two lengths that differ',
    raw(headOf(ARTICLE.length, 'Content-Length: 7\r\n') + ARTICLE),
  ),
  behaviour(
    'length-and-chunks',
    'sound',
    'a length and chunks',
    raw(
      `HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nContent-Length: 5\r\nTransfer-Encoding: chunked\r\nConnection: close\r\n\r\n${ARTICLE.length.toString(16)}\r\n${ARTICLE}\r\n0\r\n\r\n`,
    ),
  ),
  behaviour(
    'lenient-404',
    'broken',
    '404 with bare line feeds',
    raw('HTTP/1.1 404 Not Found\nContent-Length: 4\n\nGone'),
  ),
  behaviour(
    'no-words',
    'sound',
    'a status without words',
    raw(headOf(ARTICLE.length).replace(' OK', '') + ARTICLE),
  ),
  behaviour(
    'old-http',
    'sound',
    'HTTP/1.0 without a length',
    raw(`HTTP/1.0 200 OK\r\nContent-Type: text/html\r\n\r\n${ARTICLE}`),
  ),
  behaviour(
    'no-http',
    'unreachable',
    'something that is no HTTP',
    raw('220 mail.no-http.example ESMTP\r\n'),
    { says: /not a web site/ },
  ),
  behaviour(
    'early-hints',
    'sound',
    '103 before the answer',
    raw(`HTTP/1.1 103 Early Hints\r\nLink: </a.css>; rel=preload\r\n\r\n${headOf(ARTICLE.length)}${ARTICLE}`),
  ),
  behaviour('http-only', 'sound', 'HTTP, and HTTPS gives the same page', article('The lamp'), {
    href: 'http://http-only.example/page',
  }),
  behaviour(
    'mixed-case',
    'sound',
    'an address with letters beyond ASCII',
    { '/l%C3%A4mp': article('Lämp') },
    { href: 'https://mixed-case.example/l%C3%A4mp' },
  ),
  behaviour(
    'noindex',
    'sound',
    'a page that is not to be found by search',
    article('The lamp', '', '<meta name="robots" content="noindex">'),
  ),
  behaviour('short', 'sound', 'a short page', note('Opening hours', 'Daily from ten to four.')),
];

/** A page that is there after so many faults. */
function afterFaults(faults: number, code: number, rest?: string) {
  let asked = 0;
  return does((_request, response) => {
    if (asked++ < faults)
      return void response.writeHead(code, rest === undefined ? {} : { 'retry-after': rest }).end();
    response.writeHead(200, typed()).end(ARTICLE);
  });
}

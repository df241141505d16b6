import type { Server } from 'node:http';
import type { Socket } from 'node:net';
import type { Problem } from '@vennet/core/wire';
import { BodyRefusal } from './problem.js';

/** How deep JSON may nest: a chapter nests 60 deep at most, with two levels of JSON for each. */
const DEEPEST = 200;

const QUOTE = 0x22;
const ESCAPE = 0x5c;
const OPENING = new Set([0x5b, 0x7b]);
const CLOSING = new Set([0x5d, 0x7d]);

/** Refuses JSON that nests deeper than what is judged afterwards can follow. It is looked at before it is read. */
export function refuseDeep(json: Uint8Array): void {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < json.length; at++) {
    const sign = json[at] ?? 0;
    if (quoted) {
      if (sign === ESCAPE) at++;
      else if (sign === QUOTE) quoted = false;
    } else if (sign === QUOTE) quoted = true;
    else if (OPENING.has(sign)) {
      if (++depth > DEEPEST)
        throw new BodyRefusal(
          'Nested too deep',
          `This JSON nests deeper than ${DEEPEST} levels. Nothing was changed.`,
        );
    } else if (CLOSING.has(sign)) depth--;
  }
}

const MALFORMED: Problem = {
  type: 'about:blank',
  title: 'Bad request',
  status: 400,
  detail: 'This is no HTTP request. Nothing was changed.',
};
const HEADERS_TOO_LARGE: Problem = {
  type: 'about:blank',
  title: 'Request header fields too large',
  status: 431,
  detail: 'The address and the header fields of this request are longer than 16 kB. Nothing was changed.',
};

/** Answers requests that can't be read as HTTP: they never come to the application. */
export function answerUnreadable(server: Server): void {
  server.on('clientError', (error: NodeJS.ErrnoException, socket: Socket) => {
    if (!socket.writable || error.code === 'ECONNRESET') return void socket.destroy();
    const problem = error.code === 'HPE_HEADER_OVERFLOW' ? HEADERS_TOO_LARGE : MALFORMED;
    const body = JSON.stringify(problem);
    socket.end(
      `HTTP/1.1 ${problem.status} ${problem.title}\r\ncontent-type: application/problem+json\r\n` +
        `content-length: ${Buffer.byteLength(body)}\r\nconnection: close\r\n\r\n${body}`,
    );
  });
}

import { Readable } from 'node:stream';
import type { Socket } from 'node:net';
import type { buildConnector } from 'undici';
import { Headers } from './headers.js';
import type { Reply } from './get.js';

/** A host that does not even speak HTTP as browsers bear with it. */
export class ProtocolError extends Error {
  readonly code = 'VENNET_PROTOCOL';
}

/** The longest head of an answer, in bytes. */
const LONGEST_HEAD = 64 * 1024;
/** Answers of 100 to 199 that may come before the answer. */
const MOST_BEFORE = 8;

interface LenientOptions {
  connect: buildConnector.connector;
  headers: Record<string, string>;
  signal: AbortSignal;
}

/**
 * Asks once more, on a connection of its own and as leniently as browsers read: lines that end in a bare line feed, names of
 * headers with odd signs, lines without a colon, the same length said twice, no words after the status. Two lengths that differ are
 * refused, as by browsers (RFC 9112, 6.3).
 */
export async function lenientGet(href: string, { connect, headers, signal }: LenientOptions): Promise<Reply> {
  const url = new URL(href);
  const socket = await open(url, connect, signal);
  const giveUp = () => socket.destroy(signal.reason as Error);
  signal.addEventListener('abort', giveUp, { once: true });
  socket.once('close', () => signal.removeEventListener('abort', giveUp));
  socket.on('error', () => {}); // met by who reads
  const lines = Object.entries({ host: url.host, connection: 'close', ...headers }).map(
    ([name, value]) => `${name}: ${value}`,
  );
  socket.write(`GET ${url.pathname}${url.search} HTTP/1.1\r\n${lines.join('\r\n')}\r\n\r\n`);
  const bytes = socket[Symbol.asyncIterator]() as AsyncIterator<Buffer>;
  try {
    let source = bytes;
    for (let before = 0; before < MOST_BEFORE; before++) {
      const { head, rest } = await headOf(source);
      const { status, headers: read } = readHead(head);
      // What was read too far belongs to the next answer, or to the body of this one.
      source = withFirst(rest, bytes);
      if (status >= 200) return reply(status, read, source, socket);
    }
    throw new ProtocolError('no answer but what comes before one');
  } catch (error) {
    socket.destroy();
    throw error;
  }
}

function reply(status: number, headers: Headers, bytes: AsyncIterator<Buffer>, socket: Socket): Reply {
  const body = Readable.from(bodyOf(headers, status, bytes), { objectMode: false });
  body.once('close', () => socket.destroy());
  body.on('error', () => {});
  return { status, headers, body };
}

function open(url: URL, connect: buildConnector.connector, signal: AbortSignal): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const secure = url.protocol === 'https:';
    signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true });
    connect(
      {
        hostname: url.hostname,
        host: url.host,
        protocol: url.protocol,
        port: url.port || (secure ? '443' : '80'),
        servername: secure ? url.hostname : undefined,
      },
      (error, socket) => {
        if (!socket) return reject(error ?? new ProtocolError('no connection'));
        if (signal.aborted) socket.destroy();
        resolve(socket);
      },
    );
  });
}

interface HeadRead {
  head: string;
  rest: Buffer;
}

/** Everything before the first empty line, one sign a byte, and what came after it. */
async function headOf(bytes: AsyncIterator<Buffer>): Promise<HeadRead> {
  let read = Buffer.alloc(0);
  for (;;) {
    const text = read.toString('latin1');
    const begin = /^[\r\n]*/.exec(text)![0].length;
    const end = /\r?\n\r?\n/.exec(text.slice(begin));
    if (end) {
      const at = begin + end.index + end[0].length;
      return { head: text.slice(begin, begin + end.index), rest: read.subarray(at) };
    }
    if (read.length > LONGEST_HEAD) throw new ProtocolError('the head of the answer has no end');
    const { value, done } = await bytes.next();
    if (done || !value) {
      if (/^HTTP\/\d|^ICY /i.test(text)) return { head: text, rest: Buffer.alloc(0) };
      throw new ProtocolError('the answer ends before its head does');
    }
    read = Buffer.concat([read, value]);
  }
}

/** @throws ProtocolError */
export function readHead(head: string): { status: number; headers: Headers } {
  const [first = '', ...lines] = head.split(/\r?\n|\r/);
  const status = /^\s*(?:HTTP\/\d(?:\.\d)?|ICY)\s+(\d{3})/i.exec(first)?.[1];
  if (!status) throw new ProtocolError('the answer does not begin as one of HTTP');
  const pairs: [string, string][] = [];
  for (const line of lines) {
    const last = pairs.at(-1);
    const colon = line.indexOf(':');
    if (/^[ \t]/.test(line) && last) last[1] += ` ${line.trim()}`;
    else if (colon > 0) pairs.push([line.slice(0, colon), line.slice(colon + 1)]);
  }
  const headers = new Headers(pairs);
  const lengths = new Set(
    headers.all('content-length').flatMap((one) => one.split(',').map((part) => part.trim())),
  );
  if (lengths.size > 1 && !/chunked/i.test(headers.all('transfer-encoding').join()))
    throw new ProtocolError('two lengths that differ');
  return { status: Number(status), headers };
}

async function* bodyOf(
  headers: Headers,
  status: number,
  bytes: AsyncIterator<Buffer>,
): AsyncGenerator<Buffer> {
  if (status === 204 || status === 304) return;
  if (/chunked/i.test(headers.all('transfer-encoding').join())) return yield* unchunked(bytes);
  const told = /^\d+/.exec(headers.get('content-length'))?.[0];
  let left = told === undefined ? Infinity : Number(told);
  while (left > 0) {
    const { value, done } = await bytes.next();
    if (done || !value) return;
    yield value.length > left ? value.subarray(0, left) : value;
    left -= value.length;
  }
}

/** The chunks of a body (RFC 9112, 7.1), lines ended in any way. A size that can't be read ends it. */
async function* unchunked(bytes: AsyncIterator<Buffer>): AsyncGenerator<Buffer> {
  let read: Buffer = Buffer.alloc(0);
  const more = async () => {
    const { value, done } = await bytes.next();
    if (done || !value) return false;
    read = read.length === 0 ? value : Buffer.concat([read, value]);
    return true;
  };
  for (;;) {
    let line: number;
    while ((line = read.indexOf(0x0a)) < 0) if (read.length > 4096 || !(await more())) return;
    const size = parseInt(read.subarray(0, line).toString('latin1').trim(), 16);
    read = read.subarray(line + 1);
    if (!(size > 0)) return;
    let left = size;
    while (left > 0) {
      if (read.length === 0 && !(await more())) return;
      const piece = read.subarray(0, left);
      left -= piece.length;
      read = read.subarray(piece.length);
      yield piece;
    }
    while (read.length < 2 && read[0] !== 0x0a) if (!(await more())) return;
    read = read.subarray(read[0] === 0x0a ? 1 : read[1] === 0x0a ? 2 : 0);
  }
}

/** The same bytes, with some before them. */
function withFirst(first: Buffer, bytes: AsyncIterator<Buffer>): AsyncIterator<Buffer> {
  let waits = first.length > 0;
  return {
    next: () => {
      if (!waits) return bytes.next();
      waits = false;
      return Promise.resolve({ value: first, done: false });
    },
  };
}

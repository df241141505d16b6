import { createServer, type RequestListener } from 'node:http';
import { once } from 'node:events';
import { afterEach, expect, test } from '@jest/globals';
import { ApiError, UnreachableError, vennet } from './index.js';

let stop = async () => {};
afterEach(() => stop());

/** A server on loopback that answers everything in one way. */
async function answering(listener: RequestListener) {
  const server = createServer(listener).listen(0, '127.0.0.1');
  await once(server, 'listening');
  stop = async () => {
    server.closeAllConnections();
    server.close();
    await once(server, 'close');
    stop = async () => {};
  };
  const { port } = server.address() as { port: number };
  return vennet(`http://127.0.0.1:${port}`);
}

test('asks by the address of the route, with what is sent as JSON', async () => {
  const asked: string[] = [];
  const api = await answering((request, response) => {
    asked.push(`${request.method} ${request.url}`);
    request.on('data', (chunk: Buffer) => asked.push(chunk.toString()));
    request.on('end', () => response.setHeader('content-type', 'application/json').end('{"id":"b"}'));
  });
  expect(await api.startBook({ title: 'Tides' })).toEqual({ id: 'b' });
  await api.title('https://lamp.example/?a=b&c');
  await api.restore('b/1', 's');
  expect(asked).toEqual([
    'POST /api/books',
    '{"title":"Tides"}',
    'GET /api/titles?href=https%3A%2F%2Flamp.example%2F%3Fa%3Db%26c',
    'POST /api/books/b%2F1/snapshots/s/restore',
    '{}',
  ]);
});

test('an answer without content is nothing', async () => {
  const api = await answering((_request, response) => response.writeHead(204).end());
  expect(await api.removeBook('b')).toBeUndefined();
});

// RFC 9457: what went wrong is said in a problem document.
test('a problem document is thrown as what its author can do about it', async () => {
  const problem = { type: 'about:blank', title: 'Not found', status: 404, detail: 'There is no such book.' };
  const api = await answering((_request, response) =>
    response.writeHead(404, { 'content-type': 'application/problem+json' }).end(JSON.stringify(problem)),
  );
  const error = await api.manuscript('b').catch((fault: unknown) => fault);
  expect(error).toBeInstanceOf(ApiError);
  expect(error).toMatchObject({ message: 'There is no such book.', problem });
});

test('an answer from something in between, or none at all, says that Vennet is out of reach', async () => {
  const between = await answering((_request, response) => response.writeHead(502).end('Bad gateway'));
  await expect(between.books()).rejects.toThrow(UnreachableError);
  await stop();
  await expect(between.books()).rejects.toThrow(UnreachableError);
});

test('what is given up is thrown as given up', async () => {
  const api = await answering(() => {});
  const work = new AbortController();
  const asked = api.title('https://lamp.example/', work.signal);
  work.abort();
  await expect(asked).rejects.toMatchObject({ name: 'AbortError' });
});

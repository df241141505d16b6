import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Problem } from '@vennet/core/wire';
import { pageWithLinks, startTestApp, type TestApp } from './testing/app.js';

interface Schema {
  type?: string;
  $ref?: string;
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  oneOf?: Schema[];
  allOf?: Schema[];
  enum?: unknown[];
}
interface Operation {
  requestBody?: { content: Record<string, { schema: Schema }> };
  parameters?: { name: string; in: string; schema?: Schema }[];
}
interface Document {
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, Schema> };
}

let app: TestApp;
let document: Document;
let ids: Record<string, string>;
beforeAll(async () => {
  app = await startTestApp();
  document = (await app.call<Document>('GET', 'openapi.json')).body;
  const { body } = await app.upload('book.html', pageWithLinks([['tides', 'https://lamp.example/tides']]));
  const manuscript = await app.api.manuscript(body.id);
  ids = { book: body.id, chapter: manuscript.chapters[0]!.id };
});
afterAll(() => app.stop());

const resolved = (schema: Schema): Schema => {
  if (schema.$ref) return resolved(document.components.schemas[schema.$ref.split('/').at(-1) ?? ''] ?? {});
  if (schema.allOf?.[0]) return resolved(schema.allOf[0]);
  return schema;
};

/** Something that fits a schema, as far as it says. */
function fitting(schema: Schema, depth = 0): unknown {
  const { type, properties, items, oneOf, enum: words } = resolved(schema);
  if (depth > 6) return null;
  if (words) return words[0];
  if (oneOf?.[0]) return fitting(oneOf[0], depth + 1);
  if (properties)
    return Object.fromEntries(
      Object.entries(properties).map(([name, one]) => [name, fitting(one, depth + 1)]),
    );
  if (type === 'array') return items ? [fitting(items, depth + 1)] : [];
  return { string: 'words', integer: 1, number: 1, boolean: true, object: {} }[type ?? 'object'] ?? {};
}

/** JSON that nests so deep that nothing here could write it. */
const deep = (levels: number): string => '['.repeat(levels) + ']'.repeat(levels);
const WRONG: unknown[] = [
  null,
  true,
  -1,
  1.5,
  1e308,
  '',
  'x'.repeat(20_000),
  '\ud800',
  '\u0000',
  "' OR 1=1; --",
  [],
  [null],
  [[[]]],
  {},
  { type: 'x' },
  { __proto__: null, constructor: { prototype: 1 } },
];

/** Every body that is wrong in one spot. */
function* bodiesOf(schema: Schema): Generator<unknown> {
  const good = fitting(schema);
  yield* [null, 3, 'words', [], [good], {}];
  yield* spoiled(good, (value) => value);
}

function* spoiled(value: unknown, whole: (changed: unknown) => unknown): Generator<unknown> {
  if (typeof value !== 'object' || value === null) {
    for (const wrong of WRONG) yield whole(wrong);
    return;
  }
  for (const [name, part] of Object.entries(value)) {
    const put = (changed: unknown) => {
      const copy = (Array.isArray(value) ? [...(value as unknown[])] : { ...value }) as Record<
        string,
        unknown
      >;
      if (changed === undefined) delete copy[name];
      else copy[name] = changed;
      return whole(copy);
    };
    yield put(undefined);
    for (const wrong of WRONG.slice(0, 8)) yield put(wrong);
    yield* spoiled(part, put);
  }
  yield whole({ ...value, more: 1 });
}

async function answerTo(method: string, path: string, body?: unknown, type = 'application/json') {
  const response = await fetch(`${app.address}${path}`, {
    method,
    headers: body === undefined ? {} : { 'content-type': type },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  });
  const text = await response.text();
  const problem = response.status >= 400 ? (JSON.parse(text || '{}') as Problem) : null;
  return { status: response.status, problem, type: response.headers.get('content-type') ?? '' };
}

/** What is wrong with how a bad request was answered; `null` where nothing is. */
function faultIn({ status, problem, type }: Awaited<ReturnType<typeof answerTo>>): string | null {
  if (status >= 500) return `${status} ${problem?.detail}`;
  if (status < 400) return null;
  if (!type.startsWith('application/problem+json')) return `${status} as ${type}`;
  return problem?.detail ? null : `${status} without words`;
}

const STREAM = /\/events$/;
/** What takes files or asks the network is tried elsewhere; a removed book would end the others. */
const ELSEWHERE = /bring-in|enclosures$|\/file$|\/bundle$|titles/;

test('whatever is sent to any operation of the interface, no answer is a fault of the server', async () => {
  const faults: string[] = [];
  let sent = 0;
  const real = (path: string) =>
    path.replace('/books/{id}', `/books/${ids.book}`).replace('/chapters/{id}', `/chapters/${ids.chapter}`);
  for (const [path, operations] of Object.entries(document.paths)) {
    if (STREAM.test(path) || ELSEWHERE.test(path)) continue;
    for (const [method, operation] of Object.entries(operations)) {
      const schema = operation.requestBody?.content['application/json']?.schema;
      if (!schema) continue;
      let count = 0;
      for (const body of bodiesOf(schema)) {
        if (++count > 220) break;
        const address = real(path).replace(/\{\w+\}/g, '6ba7b810-9dad-41d1-80b4-00c04fd430c8');
        const fault = faultIn(await answerTo(method.toUpperCase(), address, body));
        sent++;
        if (fault) faults.push(`${method} ${path} ${JSON.stringify(body).slice(0, 160)}: ${fault}`);
      }
    }
  }
  expect(faults.slice(0, 20)).toEqual([]);
  expect(sent).toBeGreaterThan(1_000);
}, 240_000);

test('whatever stands in an address, no answer is a fault of the server', async () => {
  const faults: string[] = [];
  for (const [path, operations] of Object.entries(document.paths))
    for (const method of Object.keys(operations)) {
      if (STREAM.test(path) || method === 'delete' || /titles|\/stop$/.test(path)) continue;
      for (const id of ['x', '%00', '..%2f..', "'", 'ä'.repeat(200), '-1', '%ED%A0%80', 'a'.repeat(15_000)]) {
        const address = path.replace(/\{\w+\}/g, encodeURI(decodeURIComponentOr(id)));
        const body = method === 'get' ? undefined : {};
        const fault = faultIn(
          await answerTo(method.toUpperCase(), `${address}?since=x&as=x&removed=x`, body),
        );
        if (fault) faults.push(`${method} ${path} ${id.slice(0, 20)}: ${fault}`);
      }
    }
  expect(faults.slice(0, 20)).toEqual([]);
}, 120_000);

const decodeURIComponentOr = (text: string): string => {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
};

test('JSON that is nested deep, too large, or none, is refused in words', async () => {
  const statuses: number[] = [];
  for (const body of [
    `{"title":${deep(10_000)}}`,
    `{"title":${'['.repeat(100_000)}`,
    '{"title":"x"',
    '"x"',
    '[]',
    'null',
    '',
  ])
    for (const path of ['/api/books', `/api/books/${ids.book}/repairs`, `/api/books/${ids.book}/mentions`]) {
      const answer = await answerTo('POST', path, body);
      expect(faultIn(answer)).toBeNull();
      statuses.push(answer.status);
    }
  expect(statuses.every((status) => status >= 400)).toBe(true);
  for (const doc of [
    deep(10_000),
    `{"type":"doc","content":${deep(10_000)}}`,
    `{"type":"doc","content":[{"type":"paragraph","attrs":${deep(5_000)}}]}`,
    `{"type":"doc","content":${deep(150)}}`,
  ]) {
    const answer = await answerTo('PUT', `/api/chapters/${ids.chapter}`, `{"version":1,"doc":${doc}}`);
    expect([faultIn(answer), answer.status >= 400]).toEqual([null, true]);
  }
});

test('a header that is too long is answered by a problem document', async () => {
  const { request } = await import('node:http');
  const answer = await new Promise<{ status: number; text: string }>((resolve, reject) => {
    const sent = request(
      `${app.address}/api/books`,
      { headers: { 'x-long': 'x'.repeat(30_000) } },
      (response) => {
        let text = '';
        response.on('data', (chunk: Buffer) => (text += chunk.toString()));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
      },
    );
    sent.on('error', reject);
    sent.end();
  });
  expect(answer.status).toBe(431);
  expect((JSON.parse(answer.text) as Problem).detail).toContain('header');
});

import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { loadDemoBooks } from '@vennet/server/demo-books';
import { start } from '@vennet/server/run';
import { DataSource } from 'typeorm';
import type { Serving } from './serving.js';

/** Serves Vennet with its demo books, and beside it a bare handler that sends what it was given and commits rows to the same database. */
const directory = process.argv[2] ?? '';
const running = await start({
  port: 0,
  dataDirectory: directory,
  databaseUrl: null,
  webDirectory: null,
  logLevel: 'error',
});
await loadDemoBooks(running.app);
const database = running.app.get(DataSource);
await database.query('CREATE TABLE bench_rows (id INT PRIMARY KEY, words LONGTEXT)');
for (let id = 0; id < 20; id++) await database.query('INSERT INTO bench_rows VALUES (?, ?)', [id, '']);
let bytes = Buffer.alloc(0);
let count = 0;
const bare = createServer((request, response) => {
  if (request.method === 'GET') return void response.end(bytes);
  const chunks: Buffer[] = [];
  request.on('data', (chunk: Buffer) => chunks.push(chunk));
  request.on('end', () => {
    if (request.method === 'PUT') {
      bytes = Buffer.concat(chunks);
      return void response.end();
    }
    const id = Number(request.url?.split('/').at(-1));
    database.query('UPDATE bench_rows SET words = ? WHERE id = ?', [`Low at nine, ${count++}`, id]).then(
      () => response.end(),
      () => response.writeHead(500).end(),
    );
  });
});
bare.listen(0, '127.0.0.1', () => {
  const { port } = bare.address() as AddressInfo;
  const serving: Serving = { address: running.address, bare: `http://localhost:${port}/` };
  process.send?.(serving);
});
process.once('disconnect', () => {
  bare.close();
  void running.stop().then(() => process.exit(0));
});

import { createApp } from '../app.js';

// A server in a process of its own, for tests that kill it. The world it asks is the test's.
const { VENNET_TEST_DIRECTORY = '', VENNET_TEST_DATABASE = '', VENNET_TEST_WORLD_PORT = '' } = process.env;
const world = {
  owns: (hostname: string) => hostname.endsWith('.example'),
  portFor: () => Number(VENNET_TEST_WORLD_PORT),
  certificate: '',
  visitPort: 0,
};
const app = await createApp({
  databaseUrl: VENNET_TEST_DATABASE,
  dataDirectory: VENNET_TEST_DIRECTORY,
  webDirectory: null,
  logLevel: 'error',
  world,
  prober: { atOnce: 8, perHost: 8 },
});
await app.listen(0, '127.0.0.1');
process.send?.(app.getHttpServer().address());

// npm run bench: the benchmarks, as ratios against a named floor measured in the same run.
import { build, needNpmPackages, needPackages } from './setup.mjs';

needPackages('mariadb-server', 'chromium');
needNpmPackages();
build();
await import('../bench/dist/index.js');

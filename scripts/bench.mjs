// npm run bench: the benchmarks, as ratios against a named floor measured in the same run.
import { needNpmPackages, needPackages, run } from './setup.mjs';

needPackages('chromium');
needNpmPackages();
run('npx', ['--no-install', 'tsc', '-b']);
await import('../bench/dist/index.js');

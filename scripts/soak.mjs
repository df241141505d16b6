// npm run soak: what takes longer than npm test may; about two hours in all.
//   windows   two windows that change one book at random, 100 books long
//   killings  a server and its database that are killed 20 times while they are written to
//   checks    the same while links are checked
//   load      an hour of mixed load in a server of 1 GB
//   exports   100 exports of a book that changes between them
//   corpus    ten e-books of other makers from Debian's documentation packages, in and out in three forms
//   books     200 random books with random choices as e-book, PDF and web site, before EPUBCheck, qpdf and the proof
//   documents DOCX and ODT of other makers from Debian's packages, in and out in three forms, and 200 random books
//   finished  PDFs of other makers from Debian's packages as books of pages, added to in both ways
//   faults    faults put into core at random: its tests have to notice most
// `npm run soak -- --only killings --times 20 --minutes 60 --faults 200 --seed 7 --runs 100`
import { spawnSync } from 'node:child_process';
import { build, needNpmPackages, needPackages, root, say } from './setup.mjs';
import { mutateCore } from './mutate.mjs';

const given = (name) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const number = (name, otherwise) => Number(given(name) ?? otherwise);

/** Share of faults that the tests of core have to notice. */
const WANTED = 0.85;

/** A test of the server with more runs than npm test has. */
function serverTest(what, pattern, runs) {
  say(what);
  const command = ['--experimental-vm-modules', 'node_modules/jest/bin/jest.js'];
  const options = ['--selectProjects', 'server', '--testPathPatterns', pattern];
  const env = { ...process.env, VENNET_RUNS: String(runs), VENNET_SEED: String(number('seed', 18)) };
  return (
    spawnSync(process.execPath, [...command, ...options], { cwd: root, stdio: 'inherit', env }).status === 0
  );
}

const parts = {
  windows: () => serverTest('Two windows and one book', 'two-windows', number('runs', 100)),
  books() {
    needPackages('epubcheck', 'qpdf');
    return serverTest('Random books before outside readers', 'outside-readers', number('runs', 200));
  },
  async killings() {
    say('Killing the server and its database');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('killings', { times: number('times', 20), minutes: 0 });
  },
  async checks() {
    say('Killing the server and its database while links are checked');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('checks', { times: number('times', 20), minutes: 0 });
  },
  async load() {
    say('Mixed load');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('load', { times: 0, minutes: number('minutes', 60) });
  },
  async exports() {
    say('Exports of a changing book');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('exports', { times: 5 * number('times', 20), minutes: 0 });
  },
  async corpus() {
    say('E-books of other makers');
    needPackages('epubcheck', 'qpdf', 'poppler-utils');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('corpus', { times: 0, minutes: 0 });
  },
  async documents() {
    say('Documents of other makers');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('documents', { times: 10 * number('times', 20), minutes: 0 });
  },
  async finished() {
    say('Finished PDFs of other makers');
    needPackages('qpdf');
    const { soak } = await import('../bench/dist/soak/index.js');
    return soak('finished', { times: 0, minutes: 0 });
  },
  async faults() {
    const count = number('faults', 120);
    const seed = number('seed', Date.now() % 100_000);
    say(`Putting ${count} faults into core, by the seed ${seed}`);
    const { noticed, all } = await mutateCore({ count, seed });
    const share = noticed / all;
    console.log(
      `\n${noticed} of ${all} faults noticed (${Math.round(share * 100)} %, wanted ${WANTED * 100} %).`,
    );
    return share >= WANTED;
  },
};

needPackages('mariadb-server');
needNpmPackages();
build();
const only = given('only');
let well = true;
for (const [name, part] of Object.entries(parts)) if (!only || only === name) well = (await part()) && well;
process.exitCode = well ? 0 : 1;

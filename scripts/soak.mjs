// npm run soak: what takes longer than npm test may. Faults are put into core at random; its tests have to notice most.
// `npm run soak -- --faults 200 --seed 7`
import { needNpmPackages, run, say } from './setup.mjs';
import { mutateCore } from './mutate.mjs';

const option = (name, otherwise) => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? otherwise : Number(process.argv[at + 1]);
};

/** Share of faults that the tests of core have to notice. */
const WANTED = 0.85;

needNpmPackages();
run('npx', ['--no-install', 'tsc', '-b', 'core']);
const count = option('faults', 120);
const seed = option('seed', Date.now() % 100_000);
say(`Putting ${count} faults into core, by the seed ${seed}`);
const { noticed, all } = await mutateCore({ count, seed });
const share = noticed / all;
console.log(
  `\n${noticed} of ${all} faults noticed (${Math.round(share * 100)} %, wanted ${WANTED * 100} %).`,
);
process.exitCode = share >= WANTED ? 0 : 1;

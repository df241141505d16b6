// npm test: installs what is missing, builds, then type check, lint, unit and server tests, and the interface tests.
// `npm run test:unit`, `test:server` and `test:web` run one part. The last line is `N passed, N failed`.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, needEither, needNpmPackages, needPackages, root, say, wantPackages } from './setup.mjs';

/** What each part is made of, and what has to be on the machine for it. */
const PARTS = {
  unit: { jest: ['core', 'client', 'web'], packages: ['qpdf', 'poppler-utils'] },
  server: { jest: ['world', 'server'], packages: ['mariadb-server', 'epubcheck', 'qpdf', 'poppler-utils'] },
  web: {
    jest: [],
    packages: ['mariadb-server', 'epubcheck', 'qpdf', 'poppler-utils'],
    playwright: true,
  },
};

const [wanted] = process.argv.slice(2);
const parts = wanted ? [PARTS[wanted]] : Object.values(PARTS);
needPackages(...new Set(parts.flatMap(({ packages }) => packages)));
if (parts.includes(PARTS.unit)) wantPackages('bash-doc', 'shared-mime-info', 'libtasn1-doc');
if (parts.some(({ playwright }) => playwright)) needEither('chromium-headless-shell', 'chromium');
needNpmPackages();

const reports = mkdtempSync(join(tmpdir(), 'vennet-reports-'));
const total = { passed: 0, failed: 0 };

function step(name, command, options, environment = {}) {
  say(name);
  const result = spawnSync(command, options, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...environment },
  });
  return result.status === 0;
}

function counted(passed, failed) {
  total.passed += passed;
  total.failed += failed;
}

/** A step that is one test: it goes through or it does not. */
const check = (name, command, options) => {
  const passed = step(name, command, options);
  counted(passed ? 1 : 0, passed ? 0 : 1);
  return passed;
};

/** A runner's report; without one, the runner itself has failed. */
function report(path, read) {
  try {
    counted(...read(JSON.parse(readFileSync(path, 'utf8'))));
  } catch {
    counted(0, 1);
  }
}

// What was built from files that are gone must not be tested.
for (const folder of ['core', 'client', 'world', 'server', 'web', 'e2e', 'bench']) {
  if (folder !== 'web') rmSync(`${root}${folder}/dist`, { recursive: true, force: true });
  rmSync(`${root}${folder}/dist-js`, { recursive: true, force: true });
  rmSync(`${root}${folder}/tsconfig.tsbuildinfo`, { force: true });
}
const built =
  check('Type check and build', 'npx', ['--no-install', 'tsc', '-b']) &&
  (wanted === 'unit' || check('Building the interface', 'npm', ['run', '--silent', 'build', '-w', 'web']));
if (!wanted) {
  check('Lint', 'npx', ['--no-install', 'eslint', '.']);
  check('Format', 'npx', ['--no-install', 'prettier', '--check', '--log-level=warn', '.']);
  check('The order of the house', 'npm', ['run', '--silent', 'lint:house']);
}

const projects = parts.flatMap(({ jest }) => jest);
if (built && projects.length > 0) {
  const jest = join(reports, 'jest.json');
  step(
    'Unit and server tests',
    process.execPath,
    [
      '--experimental-vm-modules',
      'node_modules/jest/bin/jest.js',
      '--maxWorkers=2',
      '--passWithNoTests',
      '--json',
      `--outputFile=${jest}`,
      '--selectProjects',
      ...projects,
    ],
    { NODE_OPTIONS: '--disable-warning=ExperimentalWarning' },
  );
  report(jest, ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => [
    numPassedTests,
    numFailedTests + numRuntimeErrorTestSuites,
  ]);
}

if (built && parts.some(({ playwright }) => playwright)) {
  const playwright = join(reports, 'playwright.json');
  step(
    'Interface tests',
    'npx',
    ['--no-install', 'playwright', 'test', '--config', 'e2e/playwright.config.ts'],
    { PLAYWRIGHT_JSON_OUTPUT_NAME: playwright, VENNET_CHROMIUM: chromium() },
  );
  report(playwright, ({ stats, errors }) => [stats.expected, stats.unexpected + stats.flaky + errors.length]);
}
rmSync(reports, { recursive: true, force: true });
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exitCode = total.failed === 0 ? 0 : 1;

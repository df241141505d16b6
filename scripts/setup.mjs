// What has to be on the machine before anything can be built: checked first, installed only when it is missing.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Debian packages by name, each with a file or command that tells that it is there. */
const PACKAGES = {
  'mariadb-server': ['/usr/sbin/mariadbd', '/usr/local/sbin/mariadbd', '/usr/bin/mariadbd'],
  // The one without windows opens a page in two thirds of the time; any Chromium does.
  'chromium-headless-shell': ['/usr/bin/chromium-headless-shell'],
  chromium: ['/usr/bin/chromium'],
  epubcheck: ['/usr/share/java/epubcheck.jar'],
  qpdf: ['/usr/bin/qpdf'],
  'poppler-utils': ['/usr/bin/pdfinfo'],
  // PDFs of other makers, by which books of pages are tried.
  'bash-doc': ['/usr/share/doc/bash/bashref.pdf'],
  'shared-mime-info': ['/usr/share/doc/shared-mime-info/shared-mime-info-spec.pdf'],
  'libtasn1-doc': ['/usr/share/doc/libtasn1-doc/libtasn1.pdf'],
};

/** The Chromium that tests and benchmarks run: the one that the environment names, or what is there. */
export const chromium = () =>
  process.env.VENNET_CHROMIUM ??
  ['chromium-headless-shell', 'chromium']
    .flatMap((name) => PACKAGES[name])
    .find((path) => existsSync(path)) ??
  '/usr/bin/chromium';

export function say(words) {
  console.log(`· ${words}`);
}

export function fail(words) {
  console.error(`\n${words}\n`);
  process.exit(1);
}

const isRoot = process.getuid?.() === 0;

/** Runs apt-get as root; the package lists of a fresh machine are empty, so they are fetched first. */
function installed(names) {
  const apt = (...options) => {
    const [command, ...rest] = [...(isRoot ? [] : ['sudo', '-n']), 'apt-get', '-qq', ...options];
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    return spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0;
  };
  return apt('update') && apt('-y', '--no-install-recommends', 'install', ...names);
}

const canInstall = () =>
  existsSync('/usr/bin/apt-get') &&
  (isRoot || spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0);

/** Installs a Debian package, or one that does instead of it where that can't be had. */
export function needEither(name, otherwise) {
  const isThere = (one) => PACKAGES[one].some((path) => existsSync(path));
  if (isThere(name)) return;
  if (canInstall()) {
    say(`Installing ${name}`);
    if (installed([name])) return;
  }
  needPackages(otherwise);
}

/** Installs the Debian packages that are missing. */
export function needPackages(...names) {
  const missing = names.filter((name) => !PACKAGES[name].some((path) => existsSync(path)));
  if (missing.length === 0) return;
  const list = missing.join(' ');
  const manual = `Install these packages and run the command again:\n  sudo apt-get install --no-install-recommends ${list}`;
  if (!existsSync('/usr/bin/apt-get'))
    fail(`Vennet needs ${list}, and this machine has no apt-get. ${manual}`);
  if (!canInstall()) fail(`Vennet needs ${list}. ${manual}`);
  say(`Installing ${list}`);
  if (!installed(missing)) fail(`${list} could not be installed. ${manual}`);
  // Debian starts its own instance of the database; Vennet uses one of its own and does not need it.
}

/** Installs Debian packages that are good to have; a machine that leaves documents out of its packages does without. */
export function wantPackages(...names) {
  const missing = names.filter((name) => !PACKAGES[name].some((path) => existsSync(path)));
  const isInstalled = (name) => spawnSync('dpkg', ['-s', name], { stdio: 'ignore' }).status === 0;
  const absent = missing.filter((name) => !isInstalled(name));
  if (absent.length === 0 || !canInstall()) return;
  say(`Installing ${absent.join(' ')}`);
  installed(absent);
}

/** Installs the npm packages when there are none or the lock file has changed. */
export function needNpmPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(`${root}package-lock.json`))
    .digest('hex');
  const mark = `${root}node_modules/.vennet-lock`;
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing npm packages');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  mkdirSync(`${root}node_modules`, { recursive: true });
  writeFileSync(mark, lock);
}

/** Builds what has changed. */
export function build() {
  say('Building');
  run('npx', ['--no-install', 'tsc', '-b']);
  run('npm', ['run', '--silent', 'build', '-w', 'web']);
}

export function run(command, options, more = {}) {
  try {
    execFileSync(command, options, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], ...more });
  } catch (error) {
    fail(
      `“${command} ${options.join(' ')}” failed${error.code === 'ENOENT' ? `: there is no ${command} on this machine` : ''}.`,
    );
  }
}

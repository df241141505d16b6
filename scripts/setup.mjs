// What has to be on the machine before anything can be built: checked first, installed only when it is missing.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Debian packages by name, each with a file or command that tells that it is there. */
const PACKAGES = {
  'mariadb-server': ['/usr/sbin/mariadbd', '/usr/local/sbin/mariadbd', '/usr/bin/mariadbd'],
  chromium: ['/usr/bin/chromium'],
  epubcheck: ['/usr/share/java/epubcheck.jar'],
  qpdf: ['/usr/bin/qpdf'],
  'poppler-utils': ['/usr/bin/pdfinfo'],
};

export function say(words) {
  console.log(`· ${words}`);
}

export function fail(words) {
  console.error(`\n${words}\n`);
  process.exit(1);
}

/** Installs the Debian packages that are missing. */
export function needPackages(...names) {
  const missing = names.filter((name) => !PACKAGES[name].some((path) => existsSync(path)));
  if (missing.length === 0) return;
  const list = missing.join(' ');
  const isRoot = process.getuid?.() === 0;
  const sudo = isRoot ? [] : ['sudo', '-n'];
  const manual = `Install these packages and run the command again:\n  sudo apt-get install --no-install-recommends ${list}`;
  if (!existsSync('/usr/bin/apt-get'))
    fail(`Vennet needs ${list}, and this machine has no apt-get. ${manual}`);
  if (!isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0)
    fail(`Vennet needs ${list}. ${manual}`);
  say(`Installing ${list}`);
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (...options) => {
    const [command, ...rest] = [...sudo, 'apt-get', '-qq', ...options];
    return (
      spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'], env: environment }).status === 0
    );
  };
  // The package lists of a fresh machine are empty.
  const install = ['-y', '--no-install-recommends', 'install', ...missing];
  if (!(apt('update') && apt(...install))) fail(`${list} could not be installed. ${manual}`);
  // Debian starts its own instance of the database; Vennet uses one of its own and does not need it.
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

// npm run dev: the server with the demo book, built again at each change, and the interface from its own sources.
import { spawn } from 'node:child_process';
import { needNpmPackages, needPackages, root, run, say } from './setup.mjs';

needPackages('mariadb-server');
needNpmPackages();
run('npx', ['--no-install', 'tsc', '-b']);
const start = (command, options) => spawn(command, options, { cwd: root, stdio: 'inherit' });
const children = [
  start('npx', ['--no-install', 'tsc', '-b', '--watch', '--preserveWatchOutput']),
  start(process.execPath, ['--watch-path=server/dist', '--watch-path=core/dist', 'server/dist/demo.js']),
  start('npm', ['run', '--silent', 'dev', '-w', 'web']),
];
say('The interface with your changes is at the address that Vite prints below');
process.on('SIGINT', () => children.forEach((child) => child.kill('SIGINT')));

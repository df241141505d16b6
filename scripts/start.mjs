// npm start: the server without the stand-in world. It is configured by environment variables; see the README.
import { build, needNpmPackages, needPackages } from './setup.mjs';

if (!process.env.VENNET_DATABASE_URL) needPackages('mariadb-server');
needNpmPackages();
build();
await import('../server/dist/main.js');

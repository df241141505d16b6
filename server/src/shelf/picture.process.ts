import { readFileSync } from 'node:fs';
import { work } from '../jobs/work.js';
import { checkPicture, type CheckedPicture } from './picture-check.js';

work<{ path: string }, never, CheckedPicture>(
  () => null,
  ({ path }) => checkPicture(new Uint8Array(readFileSync(path))),
);

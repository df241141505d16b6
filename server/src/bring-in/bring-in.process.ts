import { readFileSync } from 'node:fs';
import { bringIn, BringInError, type BroughtIn } from '@vennet/core/bring-in';
import { work } from '../jobs/work.js';
import { mint } from '../platform/mint.js';
import type { Upload } from '../platform/upload.js';

work<Upload, never, BroughtIn>(
  BringInError,
  ({ message }) => `${message} Your Library is as it was.`,
  ({ path, name }) => bringIn({ name, bytes: new Uint8Array(readFileSync(path)) }, mint),
);

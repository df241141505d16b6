import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { expect } from '@jest/globals';

/**
 * Compares with `core/example/<name>`: what the worked example is expected to become, looked through by eye when it was
 * written. With `VENNET_RENEW=1` the file is written anew; its diff is then read like code.
 */
export function expectAsExample(name: string, made: unknown): void {
  const text = typeof made === 'string' ? made : `${JSON.stringify(made, null, 1)}\n`;
  const path = new URL(`../../example/${name}`, import.meta.url);
  if (process.env.VENNET_RENEW === '1') {
    mkdirSync(dirname(path.pathname), { recursive: true });
    writeFileSync(path, text);
  }
  expect(text).toBe(readFileSync(path, 'utf8'));
}

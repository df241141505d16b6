import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What a program says of a file: of a PDF, an independent reader of them. @throws {Error} when it ends with a fault */
export function saidBy(command: string, options: readonly string[], bytes: Uint8Array): string {
  const folder = mkdtempSync(join(tmpdir(), 'vennet-said-'));
  try {
    const path = join(folder, 'file.pdf');
    writeFileSync(path, bytes);
    return execFileSync(command, [...options, path], { encoding: 'utf8' });
  } finally {
    rmSync(folder, { recursive: true });
  }
}

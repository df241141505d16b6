import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { HtmlValidate } from 'html-validate';

/** Runs a program to its end; the output of a long book is long. */
export const run = (command: string, options: string[]) =>
  promisify(execFile)(command, options, { maxBuffer: 64 * 2 ** 20 });

/** A machine of Java that reads one file is done before its later compilers would be of use. */
const QUICK = ['-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC'];

/** Errors and warnings of EPUBCheck, the reference validator; none when all is well. */
export async function epubFaults(path: string): Promise<string[]> {
  const { stdout, stderr } = await run('java', [
    ...QUICK,
    '-jar',
    '/usr/share/java/epubcheck.jar',
    path,
  ]).catch((error: { stdout: string; stderr: string }) => error);
  return `${stdout}${stderr}`.split('\n').filter((line) => /^(?:FATAL|ERROR|WARNING)/.test(line));
}

const validator = new HtmlValidate({
  extends: ['html-validate:standard'],
  // Where a part of a picture lies is said where it stands.
  rules: { 'no-inline-style': 'off' },
});

/** What html-validate finds in a page, each by its line; nothing when all is well. */
export async function htmlFaults(page: string): Promise<string[]> {
  const { results } = await validator.validateString(page);
  return results.flatMap(({ messages }) => messages.map(({ message, line }) => `${line}: ${message}`));
}

/** Addresses of a PDF as poppler reads them, which shares no code with the maker. */
export async function addressesInPdf(path: string): Promise<string[]> {
  const { stdout } = await run('pdfinfo', ['-url', path]);
  const lines = stdout.split('\n').slice(1).filter(Boolean);
  return lines.map((line) => line.trim().split(/\s+/)[2]!);
}

import { readFile } from 'node:fs/promises';
import { decoded, type FragmentState } from '@vennet/core/page';
import type { PdfFound } from './body.js';
import { work } from '../jobs/work.js';

/** Where a PDF lies on the disk, and the fragments that are to be found in it. */
export interface PdfAsked {
  path: string;
  fragments: readonly string[];
}

/** What is read of it (pdfjs-dist). */
interface Pdf {
  numPages: number;
  getDestination(name: string): Promise<unknown[] | null>;
  getPageLabels(): Promise<string[] | null>;
}

work<PdfAsked, never, PdfFound>(
  (error) => (error instanceof Error ? `The PDF can’t be read: ${error.message}` : null),
  async ({ path, fragments }) => {
    const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
    const task = getDocument({
      data: new Uint8Array(await readFile(path)),
      useSystemFonts: false,
      verbosity: 0,
    });
    try {
      const pdf: Pdf = await task.promise;
      const found: PdfFound['fragments'] = [];
      for (const fragment of fragments) found.push([fragment, await stateOf(fragment, pdf)]);
      return { pages: pdf.numPages, fragments: found };
    } finally {
      await task.destroy();
    }
  },
);

/** What a fragment of a PDF leads to (RFC 8118, 3: `page=`, `nameddest=`, a bare name; the rest says how it is shown). */
async function stateOf(fragment: string, pdf: Pdf): Promise<FragmentState> {
  const pairs = fragment.split('&').map((part) => part.split('='));
  for (const [name = '', value] of pairs) {
    const key = name.toLowerCase();
    if (key === 'page' && value !== undefined) {
      const page = Number(value);
      if (Number.isInteger(page) && page >= 1 && page <= pdf.numPages) continue;
      if ((await pdf.getPageLabels())?.includes(decoded(value))) continue;
      return 'missing';
    }
    const spot = key === 'nameddest' ? value : value === undefined ? name : undefined;
    if (spot !== undefined && spot !== '' && !(await pdf.getDestination(decoded(spot)))) return 'missing';
  }
  return 'there';
}

import { Injectable } from '@nestjs/common';
import { pageName, placesOnPages, readChapter } from '@vennet/core/manuscript';
import type { BookFonts, ShapelessSign } from '@vennet/core/publish';
import { readSource, type BookSource } from '../books/book-source.js';
import { inProcess, ProcessDeath, WorkRefusal } from '../jobs/in-process.js';
import { Jobs } from '../jobs/jobs.js';
import { sha256 } from '../platform/sha256.js';
import { Revisions } from '../reports/revisions.js';
import { ShelfService } from '../shelf/shelf.service.js';
import { FONT_TYPES } from '../typesetting/fonts.js';
import { PdfSetsService } from './pdf-sets.service.js';
import { SourcesService } from './sources.service.js';

/** Places and the numbers of their pages. */
export type Pages = [string, string][];

/** What is known of a book once its pages are set. */
export interface SetWhole extends BookFonts {
  pages: Pages;
  shapeless: ShapelessSign[];
}

const NO_FONTS: BookFonts = { scripts: [], refused: [] };

/** The pages of a finished file are what they are: each place with the name of its page. */
function namedPages({ chapters: [chapter] }: BookSource): Pages {
  if (!chapter) return [];
  const { doc } = readChapter(readSource(chapter));
  return [...placesOnPages(doc)].map(([id, { page }]) => [id, pageName(page)]);
}

/** On which page of a PDF each place of a book would stand, and what could not be shown there. Pages are set once for each version of a book. */
@Injectable()
export class PagesService {
  /** The pages of books as they were last set, with the version of the book that they are of. */
  readonly #known = new Map<string, { version: string; set: Promise<SetWhole> }>();

  constructor(
    private readonly sources: SourcesService,
    private readonly revisions: Revisions,
    private readonly pdfSets: PdfSetsService,
    private readonly shelf: ShelfService,
    private readonly jobs: Jobs,
  ) {
    jobs.handle<SetWhole>('pages', {
      atOnce: 1,
      faultWords: 'The pages could not be set, by a fault of Vennet’s own.',
      run: async (id, { signal }) => {
        const [bookId = ''] = id.split('.');
        const input = await this.sources.of(bookId);
        if (input.ground) return { pages: namedPages(input.source), shapeless: [], ...NO_FONTS };
        const pdf = await this.pdfSets.choicesOf(bookId);
        return inProcess<never, SetWhole>(
          new URL('./pages.process.js', import.meta.url),
          { ...input, pdf },
          {
            signal,
            limits: { time: 120_000 },
          },
        );
      },
    });
  }

  /** Nothing while the book can't be set. */
  async of(bookId: string): Promise<SetWhole> {
    const [{ text }, choices, files] = await Promise.all([
      this.revisions.of(bookId),
      this.pdfSets.choicesOf(bookId),
      this.shelf.rows(bookId),
    ]);
    const fonts = files.filter(({ type }) => FONT_TYPES.has(type)).map((file) => file.sha256);
    const version = `${text} ${JSON.stringify([choices, fonts])}`;
    const known = this.#known.get(bookId);
    if (known?.version === version) return known.set;
    const set = this.jobs.run<SetWhole>('pages', `${bookId}.${sha256(version)}`).catch((error: unknown) => {
      if (error instanceof WorkRefusal || error instanceof ProcessDeath)
        return { pages: [], shapeless: [], ...NO_FONTS };
      this.#known.delete(bookId);
      throw error;
    });
    this.#known.set(bookId, { version, set });
    return set;
  }
}

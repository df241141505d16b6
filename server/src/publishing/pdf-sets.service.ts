import { Injectable } from '@nestjs/common';
import { DEFAULT_PDF, faultInPdfChoices, type PdfChoices } from '@vennet/core/publish';
import type { ExportChoices, PdfSets } from '@vennet/core/wire';
import { DataSource, type Repository } from 'typeorm';
import { BookEntity } from '../database/entities/book.entity.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { refuseStrange, withValues } from './chosen.js';

/** As long as the author has made no set: how Vennet sets pages by itself. */
const AT_FIRST: PdfSets = { own: 'usual', sets: [{ id: 'usual', name: 'As usual', choices: DEFAULT_PDF }] };

/** The named sets of choices for the pages of a book's PDF. */
@Injectable()
export class PdfSetsService {
  readonly #books: Repository<BookEntity>;

  constructor(database: DataSource) {
    this.#books = database.getRepository(BookEntity);
  }

  async of(bookId: string): Promise<PdfSets> {
    const book = await this.#books.findOneBy({ id: bookId });
    if (!book) throw notFound('book');
    const kept = book.pdfSets ?? AT_FIRST;
    // Sets that were kept by an earlier Vennet lack what was added since.
    const sets = kept.sets.map((set) => ({ ...set, choices: { ...DEFAULT_PDF, ...set.choices } }));
    return { own: kept.own, sets };
  }

  /** The choices of the book's own set, or of another one, with what is chosen for one file. @throws ProblemError */
  async choicesOf(bookId: string, more: ExportChoices = {}, set?: string): Promise<PdfChoices> {
    refuseStrange(
      more,
      // A PDF has no face of its reader's.
      (name, value) => name in DEFAULT_PDF && !(name === 'face' && value === 'reader'),
      (name) => `A PDF has no choice “${name}” of this value. It has ${Object.keys(DEFAULT_PDF).join(', ')}.`,
    );
    const { own, sets } = await this.of(bookId);
    const wanted = set ?? own;
    const found = sets.find(({ id, name }) => id === wanted || name === wanted);
    if (!found && set !== undefined)
      throw new ProblemError(422, 'No such set', `This book has no set of choices called “${set}”.`);
    const choices = { ...(found?.choices ?? DEFAULT_PDF), ...withValues(more) } as PdfChoices;
    sound(choices);
    return choices;
  }

  /** @throws ProblemError */
  async keep(bookId: string, { own, sets }: PdfSets): Promise<PdfSets> {
    await this.of(bookId);
    for (const { choices } of sets) sound(choices);
    if (!sets.some(({ id }) => id === own) || new Set(sets.map(({ id }) => id)).size < sets.length)
      throw new ProblemError(
        422,
        'Sets that do not fit',
        'Each set needs an id of its own, and the book’s own set has to be among them.',
      );
    await this.#books.update({ id: bookId }, { pdfSets: { own, sets } });
    return { own, sets };
  }
}

function sound(choices: PdfChoices): void {
  const fault = faultInPdfChoices(choices);
  if (fault) throw new ProblemError(422, 'Pages that can’t be set', fault);
}

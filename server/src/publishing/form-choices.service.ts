import { Injectable } from '@nestjs/common';
import {
  DEFAULT_FORMS,
  FLOW_FORMATS,
  FLOW_USES,
  type FlowChoices,
  type FlowFormat,
  type FormChoices,
} from '@vennet/core/publish';
import type { ExportChoices } from '@vennet/core/wire';
import { DataSource, type Repository } from 'typeorm';
import { BookEntity } from '../database/entities/book.entity.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { refuseStrange, withValues } from './chosen.js';
import { PdfSetsService } from './pdf-sets.service.js';

/** What was chosen for the forms of a book that have no pages of their own. */
@Injectable()
export class FormChoicesService {
  readonly #books: Repository<BookEntity>;

  constructor(
    database: DataSource,
    private readonly pdfSets: PdfSetsService,
  ) {
    this.#books = database.getRepository(BookEntity);
  }

  async of(bookId: string): Promise<FormChoices> {
    const { formChoices } = await this.#book(bookId);
    // What was kept by an earlier Vennet lacks what was added since.
    return formsOf((format) => ({ ...DEFAULT_FORMS[format], ...formChoices?.[format] }));
  }

  /** The book's own choices for a form, with what is chosen for one file. @throws ProblemError */
  async choicesOf(bookId: string, format: FlowFormat, more: ExportChoices): Promise<FlowChoices> {
    const uses: readonly string[] = FLOW_USES[format];
    refuseStrange(
      more,
      (name) => uses.includes(name),
      (name) => `This form has no choice “${name}”. It has ${uses.join(', ')}.`,
    );
    const own = (await this.of(bookId))[format];
    const choices = { ...own, ...withValues(more) } as FlowChoices;
    if (choices.pageSet === '') return choices;
    const { sets } = await this.pdfSets.of(bookId);
    if (sets.some(({ id }) => id === choices.pageSet)) return choices;
    // A set may have been removed since it was chosen.
    if (more.pageSet) throw new ProblemError(422, 'No such set', 'This book has no such set of choices.');
    return { ...choices, pageSet: '' };
  }

  async keep(bookId: string, chosen: FormChoices): Promise<FormChoices> {
    await this.#book(bookId);
    const formChoices = formsOf((format) => chosen[format]);
    await this.#books.update({ id: bookId }, { formChoices });
    return formChoices;
  }

  async #book(id: string): Promise<BookEntity> {
    const book = await this.#books.findOneBy({ id });
    if (!book) throw notFound('book');
    return book;
  }
}

const formsOf = (choicesOf: (format: FlowFormat) => FlowChoices): FormChoices =>
  Object.fromEntries(FLOW_FORMATS.map((format) => [format, choicesOf(format)])) as FormChoices;

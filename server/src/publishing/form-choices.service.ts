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

/** What was chosen for the forms of a book that have no pages of their own. */
@Injectable()
export class FormChoicesService {
  readonly #books: Repository<BookEntity>;

  constructor(database: DataSource) {
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
    const strange = Object.entries(more).find(([name, value]) => value !== undefined && !uses.includes(name));
    if (strange)
      throw new ProblemError(
        422,
        'No such choice',
        `This form has no choice “${strange[0]}”. It has ${uses.join(', ')}.`,
      );
    const own = (await this.of(bookId))[format];
    const choices = { ...own, ...withValues(more) } as FlowChoices;
    // A set may have been removed since it was chosen.
    if (choices.pageSet !== '' && !(await this.#hasSet(bookId, choices.pageSet))) {
      if (more.pageSet) throw new ProblemError(422, 'No such set', 'This book has no such set of choices.');
      return { ...choices, pageSet: '' };
    }
    return choices;
  }

  async keep(bookId: string, chosen: FormChoices): Promise<FormChoices> {
    await this.#book(bookId);
    const formChoices = formsOf((format) => chosen[format]);
    await this.#books.update({ id: bookId }, { formChoices });
    return formChoices;
  }

  async #hasSet(bookId: string, set: string): Promise<boolean> {
    const { pdfSets } = await this.#book(bookId);
    return pdfSets ? pdfSets.sets.some(({ id }) => id === set) : set === 'usual';
  }

  async #book(id: string): Promise<BookEntity> {
    const book = await this.#books.findOneBy({ id });
    if (!book) throw notFound('book');
    return book;
  }
}

const formsOf = (choicesOf: (format: FlowFormat) => FlowChoices): FormChoices =>
  Object.fromEntries(FLOW_FORMATS.map((format) => [format, choicesOf(format)])) as FormChoices;

/** What was left out of a request may be there without a value. */
export const withValues = <Choices extends object>(choices: Choices): Partial<Choices> =>
  Object.fromEntries(Object.entries(choices).filter(([, value]) => value !== undefined)) as Partial<Choices>;

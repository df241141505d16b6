import { randomUUID } from 'node:crypto';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Injectable } from '@nestjs/common';
import { ConfigService } from '@nestjs/config';
import { faultInPdfChoices } from '@vennet/core/publish';
import { inProcess, ProcessDeath, WorkRefusal } from '../jobs/in-process.js';
import { ProblemError } from '../platform/problem.js';
import type { AppSettings } from '../platform/settings.js';
import type { PreviewInput } from './preview.process.js';
import { SourcesService } from './sources.service.js';

/** What is to be looked at: a chapter in a form, with its choices. */
type Wanted = Pick<PreviewInput, 'format' | 'pdf' | 'flow' | 'chapter'>;

/** Pages of one chapter as they would be, to be looked at while choices are made. */
@Injectable()
export class PreviewService {
  readonly #directory: string;

  constructor(
    settings: ConfigService<AppSettings, true>,
    private readonly sources: SourcesService,
  ) {
    this.#directory = join(settings.get('dataDirectory', { infer: true }), 'previews');
  }

  /**
   * Sets the pages, hands their file over, and removes it.
   *
   * @param signal of a reader that has gone
   * @throws ProblemError
   */
  async with(
    bookId: string,
    { chapter, ...wanted }: Wanted,
    signal: AbortSignal,
    use: (path: string) => Promise<void>,
  ): Promise<void> {
    const fault = wanted.pdf && faultInPdfChoices(wanted.pdf);
    if (fault) throw new ProblemError(422, 'Pages that can’t be set', fault);
    const { source, enclosures, ground } = await this.sources.of(bookId);
    if (ground)
      throw new ProblemError(422, 'Pages that stay', 'This is a book of pages: they stay as they are.');
    await mkdir(this.#directory, { recursive: true });
    const output = join(this.#directory, randomUUID());
    const input: PreviewInput = { source, enclosures, ...wanted, chapter, output };
    try {
      await inProcess<never, number>(new URL('./preview.process.js', import.meta.url), input, { signal });
      await use(output);
    } catch (error) {
      if (error instanceof WorkRefusal || error instanceof ProcessDeath)
        throw new ProblemError(422, 'Pages that can’t be set', `These pages can’t be set: ${error.message}`);
      throw error;
    } finally {
      await rm(output, { force: true });
    }
  }
}

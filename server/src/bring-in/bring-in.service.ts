import { Injectable } from '@nestjs/common';
import type { BringInReport, BroughtEnclosure, BroughtIn } from '@vennet/core/bring-in';
import { PICTURE_EXTENSIONS } from '@vennet/core/publish';
import sharp from 'sharp';
import { BooksService } from '../books/books.service.js';
import { ProblemError } from '../platform/problem.js';
import { inWorker, WorkerRefusal } from '../jobs/in-worker.js';

/** Makes a book of an uploaded file. The file is read in a worker; the book is stored whole or not at all. */
@Injectable()
export class BringInService {
  constructor(private readonly books: BooksService) {}

  async bringIn(path: string, name: string): Promise<{ id: string; report: BringInReport }> {
    let brought: BroughtIn;
    try {
      brought = await inWorker<never, BroughtIn>(new URL('./bring-in.worker.js', import.meta.url), {
        path,
        name,
      });
    } catch (error) {
      if (error instanceof WorkerRefusal)
        throw new ProblemError(
          422,
          'The file can’t be brought in',
          `${error.message} Your Library is as it was.`,
        );
      throw error;
    }
    const { book, enclosures, report } = brought;
    const pictures = await Promise.all(enclosures.map((one) => shownEverywhere(one, report)));
    const id = await this.books.add(book, pictures, report);
    return { id, report };
  }
}

async function shownEverywhere(
  enclosure: BroughtEnclosure,
  report: BringInReport,
): Promise<BroughtEnclosure> {
  const why = 'they became PNG, which every reading program shows';
  if (!enclosure.picture || PICTURE_EXTENSIONS[enclosure.type]) return enclosure;
  const bytes = await sharp(enclosure.bytes).png().toBuffer();
  const line = report.changed.find((one) => one.why === why);
  if (line) line.count += 1;
  else report.changed.push({ what: 'pictures', count: 1, why });
  return { ...enclosure, name: enclosure.name.replace(/\.\w+$/, '.png'), type: 'image/png', bytes };
}

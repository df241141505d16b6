import { Injectable } from '@nestjs/common';
import { BooksService } from '../books/books.service.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import { ShelfService } from '../shelf/shelf.service.js';
import type { PublishInput } from './publish-work.js';

/** What files are made of: a book as it stands now, and where the bytes of its files lie. */
@Injectable()
export class SourcesService {
  constructor(
    private readonly books: BooksService,
    private readonly shelf: ShelfService,
    private readonly store: EnclosureStore,
  ) {}

  async of(bookId: string): Promise<Pick<PublishInput, 'source' | 'enclosures' | 'ground'>> {
    const source = await this.books.source(bookId);
    const enclosures = (await this.shelf.rows(bookId)).map(({ id, name, type, sha256 }) => ({
      id,
      name,
      type,
      path: this.store.pathOf(sha256),
    }));
    const { ground } = source;
    return { source, enclosures, ground: ground ? this.store.pathOf(ground.sha256) : null };
  }
}

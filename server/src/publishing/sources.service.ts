import { Injectable } from '@nestjs/common';
import type { SeenPage } from '@vennet/core/publish';
import { DataSource, type Repository } from 'typeorm';
import { BooksService } from '../books/books.service.js';
import { SnapshotsService } from '../books/snapshots.service.js';
import { CheckRowEntity } from '../database/entities/check-row.entity.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';
import { ShelfService } from '../shelf/shelf.service.js';
import type { PublishInput } from './publish-work.js';

/** What files are made of: a book as it stands now, and where the bytes of its files lie. */
@Injectable()
export class SourcesService {
  readonly #rows: Repository<CheckRowEntity>;

  constructor(
    private readonly books: BooksService,
    private readonly snapshots: SnapshotsService,
    private readonly shelf: ShelfService,
    private readonly store: EnclosureStore,
    database: DataSource,
  ) {
    this.#rows = database.getRepository(CheckRowEntity);
  }

  /** @param snapshot whose text it is made of, as far as that is kept; else of that of now */
  async of(
    bookId: string,
    snapshot: string | null = null,
  ): Promise<Pick<PublishInput, 'source' | 'enclosures' | 'ground'>> {
    const then = snapshot === null ? null : await this.snapshots.sources(bookId, snapshot);
    const source = await this.books.source(bookId, then);
    const enclosures = (await this.shelf.rows(bookId)).map(({ id, name, type, sha256 }) => ({
      id,
      name,
      type,
      path: this.store.pathOf(sha256),
    }));
    const { ground } = source;
    return { source, enclosures, ground: ground ? this.store.pathOf(ground.sha256) : null };
  }

  /** What the latest check found of the pages of the web that a book leads to, by their addresses. */
  async seen(bookId: string): Promise<[href: string, page: SeenPage][]> {
    const rows = await this.#rows.find({
      where: { bookId, answered: true },
      select: { href: true, told: true, checkedAt: true },
      order: { checkedAt: 'ASC' },
    });
    return rows.flatMap(({ href, told, checkedAt }): [string, SeenPage][] =>
      told && checkedAt ? [[href, { title: told.title ?? '', seenAt: checkedAt.toISOString() }]] : [],
    );
  }
}

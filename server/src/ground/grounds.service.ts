import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { Injectable } from '@nestjs/common';
import { oughtToBeLinks, wordsOfPage, type OughtToBeLink, type PageText } from '@vennet/core/ground';
import { entriesOf, pagesOf, readChapter } from '@vennet/core/manuscript';
import type { PageHit } from '@vennet/core/wire';
import { DataSource, type Repository } from 'typeorm';
import { readSource } from '../books/book-source.js';
import { BooksService } from '../books/books.service.js';
import { GroundPageEntity } from '../database/entities/ground-page.entity.js';
import { notFound } from '../platform/problem.js';
import { EnclosureStore } from '../shelf/enclosure-store.js';

/** How many pages go into one statement. */
const AT_ONCE = 50;
/** How many hits are told of a search, at most. */
const MOST_HITS = 500;

/** The finished files that books of pages have as their ground, and the words of their pages. */
@Injectable()
export class Grounds {
  readonly #pages: Repository<GroundPageEntity>;

  constructor(
    database: DataSource,
    private readonly books: BooksService,
    private readonly store: EnclosureStore,
  ) {
    this.#pages = database.getRepository(GroundPageEntity);
  }

  /** Keeps a finished file, and the words of its pages, which lie in a file with a line of JSON each. */
  async keep(sha256: string, file: string, pages: string): Promise<void> {
    await this.store.keepFile(file);
    let rows: GroundPageEntity[] = [];
    const put = async () => {
      if (rows.length > 0) await this.#pages.upsert(rows, ['sha256', 'number']);
      rows = [];
    };
    let number = 0;
    for await (const line of createInterface({ input: createReadStream(pages), crlfDelay: Infinity })) {
      const text = JSON.parse(line) as PageText;
      rows.push({ sha256, number: ++number, words: wordsOfPage(text), text: line });
      if (rows.length === AT_ONCE) await put();
    }
    await put();
  }

  /** Where the finished file of a book lies. @throws ProblemError for a book that is none of pages */
  async file(bookId: string): Promise<{ path: string; name: string; sha256: string }> {
    const { ground } = await this.books.book(bookId);
    if (!ground) throw notFound('file of pages');
    return { path: this.store.pathOf(ground.sha256), name: ground.name, sha256: ground.sha256 };
  }

  /** What stands on a page of a book, as JSON. */
  async page(bookId: string, number: number): Promise<string> {
    const { sha256 } = await this.file(bookId);
    const row = await this.#pages.findOneBy({ sha256, number });
    if (!row) throw notFound('page');
    return row.text;
  }

  /** What stands on all pages of a finished file, in their order. */
  async texts(sha256: string): Promise<PageText[]> {
    const rows = await this.#pages.find({ where: { sha256 }, order: { number: 'ASC' } });
    return rows.map(({ text }) => JSON.parse(text) as PageText);
  }

  /** The finished files, by their hashes, on one of whose pages these words stand in a line. */
  async withWords(words: string): Promise<string[]> {
    const rows: { sha256: string }[] = await this.#pages
      .createQueryBuilder('page')
      .select('DISTINCT page.sha256', 'sha256')
      .where('LOCATE(:words, page.words) > 0', { words })
      .getRawMany();
    return rows.map(({ sha256 }) => sha256);
  }

  /** Words of the pages of a book that ought to be links and are none. */
  async ought(bookId: string): Promise<OughtToBeLink[]> {
    const { sha256 } = await this.file(bookId);
    const { language, chapters } = await this.books.source(bookId);
    const [chapter] = chapters;
    if (!chapter) return [];
    const { doc } = readChapter(readSource(chapter));
    const entries = entriesOf(doc).map(({ attrs, title }) => ({ ...attrs, title }));
    const pages = pagesOf(doc).map(({ attrs }) => attrs);
    return oughtToBeLinks({ language, pages, texts: await this.texts(sha256), entries });
  }

  /** The lines of a book in which words stand, capital letters or not. */
  async search(bookId: string, words: string): Promise<PageHit[]> {
    const { sha256 } = await this.file(bookId);
    const wanted = words.trim().toLowerCase();
    if (wanted === '') return [];
    const rows = await this.#pages
      .createQueryBuilder('page')
      .select(['page.number', 'page.words'])
      .where('page.sha256 = :sha256 AND LOCATE(:wanted, LOWER(page.words)) > 0', { sha256, wanted })
      .orderBy('page.number')
      .getMany();
    const hits: PageHit[] = [];
    for (const { number, words: found } of rows)
      for (const [line, text] of found.split('\n').entries()) {
        const lower = text.toLowerCase();
        for (let at = lower.indexOf(wanted); at >= 0; at = lower.indexOf(wanted, at + wanted.length)) {
          if (hits.length === MOST_HITS) return hits;
          hits.push({ page: number, line, from: at, to: at + wanted.length, text });
        }
      }
    return hits;
  }
}

import { Injectable } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { notFound } from '../platform/problem.js';

/** What tells one state of a book, of what it leads to and of its verdicts from another; in one statement. */
const REVISION = `SELECT
  (SELECT CONCAT_WS(' ', updated_at, address) FROM books WHERE id = ? AND deleted_at IS NULL) AS book,
  (SELECT GROUP_CONCAT(id, ' ', version, ' ', matter, ' ', title, ' ', left_out_of ORDER BY position) FROM chapters WHERE book_id = ? AND deleted_at IS NULL) AS chapters,
  (SELECT GROUP_CONCAT(id, sha256, name, type, size, description, opens_for, travels, IFNULL(address, '') ORDER BY id) FROM enclosures WHERE book_id = ? AND deleted_at IS NULL) AS files,
  (SELECT GROUP_CONCAT(id, updated_at, IFNULL(deleted_at, '') ORDER BY id) FROM books) AS library,
  (SELECT CONCAT_WS(' ', MAX(checked_at), SUM(answered), MAX(said_until), SUM(CRC32(verdict))) FROM check_rows WHERE book_id = ?) AS verdicts,
  (SELECT CONCAT_WS(' ', COUNT(*), MAX(at), SUM(CRC32(CONCAT(rule, severity)))) FROM rule_choices WHERE book_id = ?) AS rules,
  (SELECT CONCAT_WS(' ', COUNT(*), MAX(at), SUM(CRC32(id))) FROM set_aside WHERE book_id = ?) AS aside`;

/** A state of a book. */
export interface Revision {
  /** Of its text and of all that it leads to. */
  text: string;
  /** Of what checks have found, and of what is chosen of it. */
  verdicts: string;
}

/** Which revision of a book is the current one. Those who ask at one moment are answered by one look at the database. */
@Injectable()
export class Revisions {
  /** For each book the look that waits behind the one that is being taken. */
  readonly #next = new Map<string, Promise<Revision>>();
  readonly #running = new Map<string, Promise<unknown>>();

  constructor(private readonly database: DataSource) {}

  /** The revision of a book, no older than the moment of the call. @throws ProblemError when there is no such book */
  of(book: string): Promise<Revision> {
    const waiting = this.#next.get(book);
    if (waiting) return waiting;
    const before = this.#running.get(book) ?? Promise.resolve();
    const look = before
      .catch(() => {})
      .then(() => {
        this.#next.delete(book);
        this.#running.set(book, look);
        return this.#look(book);
      });
    this.#next.set(book, look);
    const done = () => {
      if (this.#running.get(book) === look) this.#running.delete(book);
    };
    look.then(done, done);
    return look;
  }

  async #look(book: string): Promise<Revision> {
    const [row] = await this.database.query<[Record<string, string | null>]>(REVISION, [
      ...Array.from({ length: 6 }, () => book),
    ]);
    if (row.book === null) throw notFound('book');
    const { verdicts, rules, aside, ...text } = row;
    return { text: JSON.stringify(text), verdicts: [verdicts, rules, aside].join(' ') };
  }
}

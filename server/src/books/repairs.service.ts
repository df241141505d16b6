import { Injectable } from '@nestjs/common';
import { faultInDestination } from '@vennet/core/destination';
import { handMadeNotes, makeNavigation, makeNotes, makeTypedNotes } from '@vennet/core/edits';
import { DEFAULT_STRUCTURE, groupedBy, readBook, type ReadBook } from '@vennet/core/manuscript';
import {
  applyInsideRepair,
  linkMentions,
  repairBook,
  repairPlanned,
  replaceAll,
  type BookRepair,
  type Repair,
} from '@vennet/core/repair';
import { Transform } from 'prosemirror-transform';
import type {
  BulkRepairRequest,
  FileLabelsRequest,
  InsideRepairRequest,
  MentionsRequest,
  NavigationRequest,
  RepairDone,
  RepairRequest,
  RepairTarget,
  ReplaceDone,
  ReplaceRequest,
} from '@vennet/core/wire';
import { In } from 'typeorm';
import { ProblemError } from '../platform/problem.js';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { ChangesService } from './changes.service.js';
import { asSent } from './chapter-text.js';
import { mint } from '../platform/mint.js';
import { SnapshotsService } from './snapshots.service.js';
import { message } from '@vennet/core/language';

/** Changes to links all over a book. Each leaves a snapshot by which it is taken back. */
@Injectable()
export class RepairsService {
  constructor(
    private readonly changes: ChangesService,
    private readonly snapshots: SnapshotsService,
  ) {}

  /** Repairs links all over a book in one transaction; the book as it was stays as a snapshot. */
  async repair(bookId: string, { target, repair }: RepairRequest): Promise<RepairDone> {
    refuseFaulty(repair);
    const isMeant = meantBy(target);
    return this.#changeAll(
      bookId,
      (book) =>
        repair.type === 'make-note'
          ? makeNotes(
              book,
              handMadeNotes(book).filter(({ mark }) => isMeant(mark)),
            )
          : repairBook(book, (link) => (isMeant(link) ? repair : null)),
      (changed) => reasonOf(repair, changed),
    );
  }

  /** Repairs many links as one change; those that are not as they were when it was planned are passed over. */
  async repairMany(bookId: string, { words, planned }: BulkRepairRequest): Promise<RepairDone> {
    for (const { repairs } of planned) repairs.forEach(refuseFaulty);
    return this.#changeAll(
      bookId,
      (book) => repairPlanned(book, planned),
      () => `Before: ${words}`,
    );
  }

  /** Makes links of mentions in one transaction; the book as it was stays as a snapshot. */
  async linkMentions(
    bookId: string,
    { mentions, destination, hoverNote, look }: MentionsRequest,
  ): Promise<RepairDone> {
    const fault = faultInDestination(destination);
    if (fault) throw new ProblemError(422, 'Refused destination', `${fault}. Nothing was changed.`);
    const link = { destination, hoverNote, look };
    const byChapter = groupedBy(mentions, ({ chapter }) => chapter);
    return this.#changeAll(
      bookId,
      (book) =>
        inEachChapter(book, (id, transform) => linkMentions(transform, byChapter.get(id) ?? [], link, mint)),
      (count) =>
        message('Before {count, plural, one {one mention} other {# mentions}} became links', { count }),
    );
  }

  /** Makes links to files of labels in one transaction; the book as it was stays as a snapshot. */
  async linkLabels(bookId: string, { labels }: FileLabelsRequest): Promise<RepairDone> {
    const byChapter = groupedBy(labels, ({ chapter }) => chapter);
    return this.#changeAll(
      bookId,
      (book) =>
        inEachChapter(book, (id, transform) => {
          const byFile = groupedBy(byChapter.get(id) ?? [], ({ enclosure }) => enclosure);
          let changed = 0;
          for (const [enclosure, mentions] of byFile) {
            const destination = { kind: 'file', enclosure } as const;
            changed += linkMentions(transform, mentions, { destination, hoverNote: '', look: null }, mint);
          }
          return changed;
        }),
      (count) => message('Before {count, plural, one {one label} other {# labels}} led to files', { count }),
    );
  }

  /** Puts words in the place of all that a search finds, as one change. */
  async replaceWords(bookId: string, { search, by }: ReplaceRequest): Promise<ReplaceDone> {
    let left = 0;
    const done = await this.#changeAll(
      bookId,
      (book) => {
        const replaced = replaceAll(book, search, by);
        left = replaced.left;
        return replaced;
      },
      (count) =>
        message('Before “{words}” was replaced {count, plural, one {once} other {# times}}', {
          words: search.words.slice(0, 40),
          count,
        }),
    );
    return { ...done, left };
  }

  /** Makes contents, return links and references of what was typed by hand, as one change. */
  async makeNavigation(bookId: string, { take }: NavigationRequest): Promise<RepairDone> {
    return this.#changeAll(
      bookId,
      (book) => makeNavigation(book, new Set(take), mint),
      (count) =>
        message(
          'Before {count, plural, one {one piece} other {# pieces}} of navigation typed by hand became real',
          { count },
        ),
    );
  }

  /** Makes real notes of notes that were typed by hand without links, as one change. */
  async makeTypedNotes(bookId: string, { take }: NavigationRequest): Promise<RepairDone> {
    return this.#changeAll(
      bookId,
      (book) => makeTypedNotes(book, new Set(take), mint),
      (count) =>
        message(
          'Before {count, plural, one {one typed number} other {# typed numbers}} became marks of notes',
          {
            count,
          },
        ),
    );
  }

  /** Repairs a place, a note, a list of contents or a return link; the book as it was stays as a snapshot. */
  async repairInside(bookId: string, { target, repair }: InsideRepairRequest): Promise<RepairDone> {
    return this.#changeAll(
      bookId,
      (book) => {
        const chapter = book.chapters.find(({ id }) => id === target.chapter);
        if (!chapter) return { chapters: [], changed: 0 };
        const transform = new Transform(chapter.doc);
        applyInsideRepair(transform, target, repair, mint);
        return transform.docChanged
          ? { chapters: [{ id: chapter.id, doc: transform.doc, transform }], changed: 1 }
          : { chapters: [], changed: 0 };
      },
      () => 'Before a repair inside the book',
    );
  }

  async #changeAll(
    bookId: string,
    change: (book: ReadBook) => BookRepair & { emptied?: string[] },
    reason: (changed: number) => string,
  ): Promise<RepairDone> {
    const made = await this.changes.make(bookId, async (hand) => {
      const { manager, chapters } = hand;
      const { structure, publication, ground, ...book } = await manager.findOneByOrFail(BookEntity, {
        id: bookId,
      });
      const result = change(
        readBook({
          ...book,
          ...(publication ? { publication } : {}),
          ...(ground ? { ground } : {}),
          structure: { ...DEFAULT_STRUCTURE, ...structure },
          chapters: chapters.map(asSent),
        }),
      );
      const words = reason(result.changed);
      const emptied = result.emptied ?? [];
      const isChanged = result.chapters.some(({ transform }) => transform.docChanged) || emptied.length > 0;
      const snapshot = isChanged ? await this.snapshots.keep(manager, bookId, chapters, words) : null;
      if (emptied.length > 0) {
        await manager.softDelete(ChapterEntity, { id: In(emptied) });
        hand.recipe = { removed: emptied };
      }
      for (const { id, transform } of result.chapters) {
        const stored = chapters.find((chapter) => chapter.id === id);
        if (stored) await hand.write(stored, transform);
      }
      return { words, result: { changed: result.changed, snapshot } };
    });
    return { ...made.result, change: made.change };
  }
}

function meantBy(target: RepairTarget): (link: { id: string; href: string }) => boolean {
  if ('href' in target) return (link) => link.href === target.href;
  const ids = new Set(target.links);
  return (link) => ids.has(link.id);
}

/** What a repair says has its shape already; here is judged whether it can be published. */
function refuseFaulty(repair: Repair): void {
  const { destination } = { destination: null, ...repair };
  const fault = destination && faultInDestination(destination);
  if (fault)
    throw new ProblemError(422, 'Refused destination', `${fault}. Nothing was changed.`, {
      path: 'repair.destination',
    });
  if (repair.type === 'text' && repair.text.trim() === '')
    throw new ProblemError(422, 'No words', 'A link needs words. Nothing was changed.', {
      path: 'repair.text',
    });
}

const REASONS: Record<Repair['type'], (links: string) => string> = {
  destination: (links) => `Before ${links} got another destination`,
  text: (links) => `Before ${links} got other words`,
  'hover-note': (links) => `Before ${links} got another hover note`,
  look: (links) => `Before ${links} got another look`,
  trim: (links) => `Before the ends of ${links} were trimmed`,
  beside: (links) => `Before a copy was put behind ${links}`,
  unlink: (links) => `Before ${links} became plain words`,
  about: (links) => `Before something else was said of ${links}`,
  join: (links) => `Before ${links} became one with the next`,
  reference: (links) => `Before ${links} became references`,
  'area-box': (links) => `Before ${links} got another size`,
  'make-note': (links) => `Before ${links} became marks of real notes`,
};

const reasonOf = (repair: Repair, count: number): string =>
  REASONS[repair.type](message('{count, plural, one {one link} other {# links}}', { count }));

/** Changes each chapter of a book by itself; `change` says how much it has changed. */
function inEachChapter(book: ReadBook, change: (id: string, transform: Transform) => number): BookRepair {
  const result: BookRepair = { chapters: [], changed: 0 };
  for (const { id, doc } of book.chapters) {
    const transform = new Transform(doc);
    result.changed += change(id, transform);
    if (transform.docChanged) result.chapters.push({ id, doc: transform.doc, transform });
  }
  return result;
}

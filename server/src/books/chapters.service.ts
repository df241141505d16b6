import { Injectable } from '@nestjs/common';
import { phrases } from '@vennet/core/language';
import { emptyChapter, schema, titleOf, type Format } from '@vennet/core/manuscript';
import type { ChapterAdded, ChapterMade, ChapterPlace, NewChapter } from '@vennet/core/wire';
import { Fragment, type Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { DataSource } from 'typeorm';
import { BookEntity } from '../database/entities/book.entity.js';
import { ChapterEntity } from '../database/entities/chapter.entity.js';
import { mint } from '../platform/mint.js';
import { notFound, ProblemError } from '../platform/problem.js';
import { arrange, type ChangeInHand } from './change-in-hand.js';
import { ChangesService } from './changes.service.js';
import { asSent, newChapter } from './chapter-text.js';
import { joinChapters, splitOff } from './joined-chapters.js';

/** The chapters of a book as things: each of these is a change like any other, and taken back like any other. */
@Injectable()
export class ChaptersService {
  constructor(
    private readonly database: DataSource,
    private readonly changes: ChangesService,
  ) {}

  /** Adds a chapter after another one, or at the end. */
  async add(bookId: string, { title, after }: NewChapter): Promise<ChapterAdded> {
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      const { language } = await hand.manager.findOneByOrFail(BookEntity, { id: bookId });
      const { chapters } = hand;
      const at = after ? chapters.findIndex(({ id }) => id === after) + 1 : chapters.length;
      const before = chapters[at - 1];
      const words = title.trim() || `${phrases(language).chapter} ${chapters.length + 1}`;
      const chapter = await insertAt(hand, at, before?.matter ?? 'main', emptyChapter(title.trim()), words);
      hand.recipe = { added: [chapter.id] };
      return { words: `The chapter “${words}” was added`, result: asSent(chapter) };
    });
    return { ...result, change };
  }

  /** Takes a chapter out of the book. Its text stays, so that it can be put back. */
  async remove(id: string): Promise<ChapterMade> {
    return this.#made(await this.#bookOf(id), async (hand) => {
      const chapter = ofHand(hand, id);
      if (hand.chapters.length === 1)
        throw new ProblemError(
          409,
          'The only chapter',
          'A book has at least one chapter. Remove the book in the Library, or add another chapter first.',
        );
      await hand.manager.softDelete(ChapterEntity, { id });
      hand.recipe = { removed: [id] };
      return { words: `The chapter “${chapter.title}” was removed`, chapter: id };
    });
  }

  /** Gives a chapter another title: its first heading, where it has one. */
  async rename(id: string, title: string): Promise<ChapterMade> {
    return this.#made(await this.#bookOf(id), async (hand) => {
      const chapter = ofHand(hand, id);
      const before = chapter.title;
      const doc = hand.docOf(chapter);
      const heading = firstHeading(doc);
      if (heading) await hand.write(chapter, withWords(doc, heading, title));
      else {
        await hand.manager.update(ChapterEntity, { id }, { title });
        hand.recipe = { titles: [{ id, title: before }] };
      }
      return { words: `“${before}” was renamed`, chapter: id };
    });
  }

  /** Makes a chapter of its own of what follows a block; `before` is the position of that block in the chapter. */
  async split(id: string, before: number): Promise<ChapterMade> {
    return this.#made(await this.#bookOf(id), async (hand) => {
      const chapter = ofHand(hand, id);
      const doc = hand.docOf(chapter);
      if (before <= 0 || before >= doc.content.size || doc.resolve(before).depth > 0)
        throw new ProblemError(
          422,
          'Not split',
          'A chapter is split between two of its paragraphs. Nothing was changed.',
          { path: 'before' },
        );
      const at = hand.chapters.indexOf(chapter) + 1;
      const words = titleOf(doc.cut(before), chapter.title);
      const fresh = await insertAt(hand, at, chapter.matter, emptyChapter(''), words);
      await splitOff(hand, chapter, { from: before, to: doc.content.size }, fresh);
      hand.recipe = { split: { chapter: id, fresh: fresh.id } };
      return { words: `“${chapter.title}” was split`, chapter: fresh.id };
    });
  }

  /** Puts the text of a chapter at the end of the one before it. */
  async join(id: string): Promise<ChapterMade> {
    return this.#made(await this.#bookOf(id), async (hand) => {
      const chapter = ofHand(hand, id);
      const before = hand.chapters[hand.chapters.indexOf(chapter) - 1];
      if (!before)
        throw new ProblemError(
          422,
          'Not joined',
          'There is no chapter before this one. Nothing was changed.',
        );
      await joinChapters(hand, before, chapter);
      hand.recipe = { joined: { into: before.id, chapter: id } };
      return { words: `“${chapter.title}” was joined to “${before.title}”`, chapter: before.id };
    });
  }

  /** Puts the chapters of a book into another order. Nothing of their text changes. */
  async arrange(bookId: string, wanted: readonly ChapterPlace[]): Promise<ChapterMade> {
    return this.#made(bookId, async (hand) => {
      const { manager, chapters } = hand;
      const known = new Set(chapters.map(({ id }) => id));
      const named = new Set(wanted.map(({ id }) => id));
      if (
        named.size !== wanted.length ||
        known.size !== named.size ||
        [...named].some((id) => !known.has(id))
      )
        throw new ProblemError(
          409,
          'Other chapters',
          'The chapters of this book were changed in another window. Nothing was moved; open the book anew and try again.',
        );
      hand.recipe = { order: chapters.map(({ id, matter }) => ({ id, matter })) };
      await arrange(manager, wanted);
      return { words: 'The chapters were put into another order', chapter: null };
    });
  }

  /** Says in which forms a chapter is left out. */
  async leaveOut(id: string, leftOutOf: Format[]): Promise<void> {
    const result = await this.database
      .getRepository(ChapterEntity)
      .update({ id }, { leftOutOf: [...new Set(leftOutOf)] });
    if (result.affected === 0) throw notFound('chapter');
  }

  async #made(
    bookId: string,
    work: (hand: ChangeInHand) => Promise<{ words: string; chapter: string | null }>,
  ): Promise<ChapterMade> {
    const { result, change } = await this.changes.make(bookId, async (hand) => {
      const { words, chapter } = await work(hand);
      return { words, result: chapter };
    });
    return { change, chapter: result };
  }

  async #bookOf(id: string): Promise<string> {
    const chapter = await this.database.getRepository(ChapterEntity).findOneBy({ id });
    if (!chapter) throw notFound('chapter');
    return chapter.bookId;
  }
}

function ofHand({ chapters }: ChangeInHand, id: string): ChapterEntity {
  const chapter = chapters.find((one) => one.id === id);
  if (!chapter) throw notFound('chapter');
  return chapter;
}

async function insertAt(
  { manager, bookId, chapters }: ChangeInHand,
  at: number,
  matter: ChapterEntity['matter'],
  doc: object,
  title: string,
): Promise<ChapterEntity> {
  const chapter: ChapterEntity = {
    ...newChapter({ id: mint(), matter, title, doc }),
    bookId,
    position: at,
    version: 1,
    leftOutOf: [],
    deletedAt: null,
  };
  await manager.insert(ChapterEntity, chapter);
  chapters.splice(at, 0, chapter);
  await arrange(manager, chapters);
  return chapter;
}

interface Heading {
  node: Node;
  at: number;
}

function firstHeading(doc: Node): Heading | null {
  let found: Heading | null = null;
  doc.descendants((node, at) => {
    if (!found && node.type.name === 'heading') found = { node, at };
    return !found && !node.isTextblock;
  });
  return found;
}

/** A heading with other words, as steps: what is a note or a link in it is refused, since it would go. */
function withWords(doc: Node, { node, at }: Heading, title: string): Transform {
  if (node.children.some((child) => !child.isText || child.marks.length > 0))
    throw new ProblemError(
      422,
      'Not renamed',
      'The heading of this chapter holds more than words. Change it in the text. Nothing was changed.',
    );
  const words = title === '' ? Fragment.empty : Fragment.from(schema.text(title));
  return new Transform(doc).replaceWith(at + 1, at + 1 + node.content.size, words);
}

import { carryOver, planCarryOver, type Carried } from '@vennet/core/carry-over';
import { carryPages, planPages, type PageText } from '@vennet/core/ground';
import { readBook, type ReadBook } from '@vennet/core/manuscript';
import { manuscriptFrom, type BookSource } from '../books/book-source.js';
import { work } from '../jobs/work.js';
import { mint } from '../platform/mint.js';

export interface CarryInput {
  old: BookSource;
  fresh: BookSource;
  /** What is taken, by `keyOf`; `null` where only the plan is asked for. */
  take: string[] | null;
  /** The ids that the files of the older book have in the newer one. */
  files: [string, string][];
  /** The names of the older book's files, by their ids. */
  names: [string, string][];
  /** Of two books of pages, what stands on them. */
  pages: { old: PageText[]; fresh: PageText[] } | null;
}

/** The plan, and for what is taken the steps by chapter. */
export interface CarryOutput {
  items: Carried[];
  chapters: { id: string; version: number; steps: object[] }[];
}

/** By what a thing of a plan is named. */
const keyOf = ({ kind, id }: Pick<Carried, 'kind' | 'id'>): string => `${kind} ${id}`;

work<CarryInput, never, CarryOutput>(
  () => null,
  ({ old, fresh, take, files, names, pages }) => {
    const book = manuscriptFrom(fresh);
    const read = readBook(book);
    if (pages)
      return overPages(readBook(manuscriptFrom(old)), read, take, pages, book.chapters[0]?.version ?? 0);
    const plan = planCarryOver(readBook(manuscriptFrom(old)), read, new Map(names));
    if (!take) return { items: plan.items, chapters: [] };
    const taken = new Set(take);
    const versions = new Map(book.chapters.map(({ id, version }) => [id, version]));
    const chapters = carryOver(read, plan, (item) => taken.has(keyOf(item)), new Map(files), mint);
    return {
      items: plan.items.filter((item) => taken.has(keyOf(item)) && plan.spots.has(item)),
      chapters: chapters.map(({ id, transform }) => ({
        id,
        version: versions.get(id) ?? 0,
        steps: transform.steps.map((step) => step.toJSON() as object),
      })),
    };
  },
);

/** The same for two editions of a finished file: each has its pages in one chapter. */
function overPages(
  old: ReadBook,
  fresh: ReadBook,
  take: string[] | null,
  pages: NonNullable<CarryInput['pages']>,
  version: number,
): CarryOutput {
  const [before, now] = [old.chapters[0], fresh.chapters[0]];
  if (!before || !now) return { items: [], chapters: [] };
  const plan = planPages({ doc: before.doc, texts: pages.old }, { doc: now.doc, texts: pages.fresh });
  if (!take) return { items: plan.items, chapters: [] };
  const taken = new Set(take);
  const { steps } = carryPages(now.doc, plan, (item) => taken.has(keyOf(item)), mint);
  return {
    items: plan.items.filter((item) => taken.has(keyOf(item)) && plan.goes.has(item)),
    chapters:
      steps.length > 0 ? [{ id: now.id, version, steps: steps.map((step) => step.toJSON() as object) }] : [],
  };
}

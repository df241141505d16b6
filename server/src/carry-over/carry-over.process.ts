import { carryOver, planCarryOver, type Carried } from '@vennet/core/carry-over';
import { readBook } from '@vennet/core/manuscript';
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
  ({ old, fresh, take, files, names }) => {
    const book = manuscriptFrom(fresh);
    const read = readBook(book);
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

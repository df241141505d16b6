import type { PdfChoices, PdfSet } from '@vennet/core/publish';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';
import { mint } from '../editor/state/mint.js';
import { useKept } from './use-kept.js';

export interface OpenPdfSets {
  sets: readonly PdfSet[];
  /** The set that is the book's own, and its choices; `null` before they are read. */
  own: PdfSet | null;
  choices: PdfChoices | null;
  change(more: Partial<PdfChoices>): void;
  pick(id: string): void;
  /** Makes a set with the choices as they are now, and takes it. */
  add(name: string): void;
  rename(name: string): void;
  remove(): void;
}

/** The named sets of choices of the open book. What is changed is kept at once. */
export function usePdfSets(): OpenPdfSets {
  const book = useBook((store) => store.book?.id ?? '');
  const { value: data, now, put } = useKept(queries.pdfSets(book), (sets) => api.keepPdfSets(book, sets));
  const own = data?.sets.find(({ id }) => id === data.own) ?? null;
  const changeOwn = (changed: (set: PdfSet) => PdfSet) => {
    // Two changes may come before what they change is shown.
    const last = now();
    if (last) put({ ...last, sets: last.sets.map((set) => (set.id === last.own ? changed(set) : set)) });
  };
  return {
    sets: data?.sets ?? [],
    own,
    choices: own?.choices ?? null,
    change: (more) => changeOwn((set) => ({ ...set, choices: { ...set.choices, ...more } })),
    pick: (id) => data && put({ ...data, own: id }),
    add(name) {
      if (!data || !own) return;
      const made = { id: mint(), name, choices: own.choices };
      put({ own: made.id, sets: [...data.sets, made] });
    },
    rename: (name) => changeOwn((set) => ({ ...set, name })),
    remove() {
      const sets = data?.sets.filter(({ id }) => id !== data.own) ?? [];
      const [first] = sets;
      if (first) put({ own: first.id, sets });
    },
  };
}

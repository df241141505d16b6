import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { PdfChoices, PdfSet } from '@vennet/core/publish';
import type { PdfSets } from '@vennet/core/wire';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { queries } from '../api/queries.js';
import { useBook } from '../book/store.js';
import { mint } from '../editor/state/mint.js';
import { tellFault } from '../parts/notices.js';

/** How long nothing is to be changed before choices are kept, in ms. */
const QUIET = 350;

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
  const client = useQueryClient();
  const query = queries.pdfSets(book);
  const { data: read } = useQuery(query);
  // What the author has just done is seen at once; the query tells of it later.
  const [done, setDone] = useState<PdfSets | null>(null);
  const data = done ?? read;
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const waiting = useRef<PdfSets | null>(null);

  const keep = () => {
    clearTimeout(timer.current);
    const sets = waiting.current;
    waiting.current = null;
    if (sets)
      api.keepPdfSets(book, sets).catch((fault: unknown) => {
        tellFault(fault);
        setDone(null);
        void client.invalidateQueries(query);
      });
  };
  const kept = useRef(keep);
  useEffect(() => void (kept.current = keep));
  // What was changed last is kept when the room is left.
  useEffect(() => () => kept.current(), []);

  const put = (next: PdfSets) => {
    setDone(next);
    client.setQueryData(query.queryKey, next);
    waiting.current = next;
    clearTimeout(timer.current);
    timer.current = setTimeout(() => kept.current(), QUIET);
  };
  const own = data?.sets.find(({ id }) => id === data.own) ?? null;
  const changeOwn = (changed: (set: PdfSet) => PdfSet) => {
    // Two changes may come before what they change is shown.
    const now = waiting.current ?? data;
    if (now) put({ ...now, sets: now.sets.map((set) => (set.id === now.own ? changed(set) : set)) });
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

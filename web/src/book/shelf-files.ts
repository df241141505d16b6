import type { QueryClient } from '@tanstack/react-query';
import type { Vennet } from '@vennet/client';
import type { ShelfFile } from '@vennet/core/shelf';
import type { ShelfChanges } from '@vennet/core/wire';
import { queries as known } from '../api/queries.js';
import type { NoticeStore } from '../parts/notices.js';
import { withFile, type OpenBookStore } from './store.js';

export interface ShelfNeeds {
  store: OpenBookStore;
  queries: QueryClient;
  api: Pick<Vennet, 'changeFile' | 'removeFile' | 'putFileBack' | 'goBackFile'>;
  notices: Pick<NoticeStore, 'tell'>;
  fault(error: unknown): void;
}

/** The files of the open book: whatever is done to one, every link and picture shows it at once. */
export interface ShelfFiles {
  /** Puts a file that has come from the server in place. */
  put(file: ShelfFile): void;
  /** False when it was refused. */
  change(id: string, changes: ShelfChanges): Promise<boolean>;
  /** Takes a file off the Shelf, and offers to put it back. */
  remove(file: ShelfFile): Promise<void>;
  /** Puts a file that was taken off back: its links lead to it again. */
  putBack(file: ShelfFile): Promise<void>;
  /** Takes the last replacement of a file back. */
  goBack(id: string): Promise<void>;
}

export function createShelfFiles({ store, queries, api, notices, fault }: ShelfNeeds): ShelfFiles {
  const set = (id: string, file: ShelfFile | null) => {
    const { book, setDetails } = store.getState();
    if (!book) return;
    const files = withFile(book.files, id, file);
    setDetails({ files: queries.setQueryData(known.files(book.id).queryKey, files) });
    void queries.invalidateQueries(known.removedFiles(book.id));
  };
  const tried = async (work: () => Promise<void>): Promise<boolean> => {
    try {
      await work();
      return true;
    } catch (error) {
      fault(error);
      return false;
    }
  };
  const shelf: ShelfFiles = {
    put: (file) => set(file.id, file),
    change: (id, changes) => tried(async () => set(id, await api.changeFile(id, changes))),
    async remove(file) {
      const isDone = await tried(async () => {
        await api.removeFile(file.id);
        set(file.id, null);
      });
      if (isDone)
        notices.tell(`“${file.name}” is off the Shelf.`, {
          action: { label: 'Put it back', run: () => void shelf.putBack(file) },
        });
    },
    async putBack(file) {
      await tried(async () => {
        await api.putFileBack(file.id);
        set(file.id, file);
      });
    },
    async goBack(id) {
      await tried(async () => set(id, await api.goBackFile(id)));
    },
  };
  return shelf;
}

import type { ShelfTaken } from '@vennet/core/wire';
import { createStore, type StoreApi } from 'zustand';
import type { Progress } from '../api/send.js';
import type { NoticeStore } from '../parts/notices.js';
import type { ShelfFiles } from './shelf-files.js';
import type { OpenBookStore } from './store.js';

/** A file on its way to the Shelf. */
export interface UploadJob {
  id: number;
  name: string;
  /** 0 to 1 while it travels; `null` while it is read. */
  share: number | null;
  stop(): void;
}

export interface UploadsNeeds {
  store: OpenBookStore;
  files: Pick<ShelfFiles, 'put'>;
  notices: Pick<NoticeStore, 'tell' | 'announce'>;
  send(path: string, file: File, progress: Progress, signal: AbortSignal): Promise<ShelfTaken>;
  fault(error: unknown): void;
}

/**
 * Files that are sent, with progress that everyone can see and a way to stop each. What comes back is the file as the Shelf
 * keeps it; `null` when it was stopped or refused, and the author has then been told why.
 */
export interface Uploads {
  state: StoreApi<{ jobs: UploadJob[] }>;
  toShelf(file: File): Promise<ShelfTaken | null>;
  /** Only if it can be shown in the text. */
  picture(file: File): Promise<ShelfTaken | null>;
  /** Puts it in the place of a file that is on the Shelf. */
  replace(id: string, file: File): Promise<ShelfTaken | null>;
}

/** The largest file that the server takes, in bytes. */
const LARGEST = 200 * 2 ** 20;

export function createUploads({ store, files, notices, send, fault }: UploadsNeeds): Uploads {
  const state = createStore<{ jobs: UploadJob[] }>(() => ({ jobs: [] }));
  let last = 0;

  const upload = async (path: string, file: File): Promise<ShelfTaken | null> => {
    if (file.size > LARGEST) {
      fault(
        new Error(
          `“${file.name}” is larger than 200 MB, so it was not sent. Put it at a public address and lead there.`,
        ),
      );
      return null;
    }
    const id = ++last;
    const work = new AbortController();
    const change = (change: (jobs: UploadJob[]) => UploadJob[]) =>
      state.setState(({ jobs }) => ({ jobs: change(jobs) }));
    change((jobs) => [...jobs, { id, name: file.name, share: 0, stop: () => work.abort() }]);
    const progress: Progress = (share) =>
      change((jobs) => jobs.map((job) => (job.id === id ? { ...job, share } : job)));
    try {
      const taken = await send(path, file, progress, work.signal);
      files.put(taken.file);
      if (taken.notes.length > 0)
        notices.tell(`“${taken.file.name}” is on the Shelf. ${taken.notes.join(' ')}`);
      else notices.announce(`“${taken.file.name}” is on the Shelf.`);
      return taken;
    } catch (error) {
      if (!work.signal.aborted) fault(error);
      return null;
    } finally {
      change((jobs) => jobs.filter((one) => one.id !== id));
    }
  };

  const book = () => store.getState().book?.id ?? '';
  return {
    state,
    toShelf: (file) => upload(`books/${book()}/enclosures`, file),
    picture: (file) => upload(`books/${book()}/enclosures?as=picture`, file),
    replace: (id, file) => upload(`enclosures/${id}/replace`, file),
  };
}

import type { ShelfTaken } from '@vennet/core/wire';
import { create } from 'zustand';
import { sendFile } from '../api/client.js';
import { useBook } from './store.js';
import { tellFault, useNotices } from '../parts/notices.js';

/** A file on its way to the Shelf. */
export interface UploadJob {
  id: number;
  name: string;
  /** 0 to 1 while it travels; `null` while it is read. */
  share: number | null;
  stop(): void;
}

/** The largest file that the server takes, in bytes. */
const LARGEST = 200 * 2 ** 20;

export const useUploads = create<{ jobs: UploadJob[] }>(() => ({ jobs: [] }));
let last = 0;

/**
 * Sends a file, with progress that everyone can see and a way to stop it, and puts it on the Shelf. `null` when it was
 * stopped or refused; the author has then been told why.
 */
async function upload(path: string, file: File): Promise<ShelfTaken | null> {
  if (file.size > LARGEST) {
    tellFault(
      new Error(
        `“${file.name}” is larger than 200 MB, so it was not sent. Put it at a public address and lead there.`,
      ),
    );
    return null;
  }
  const id = ++last;
  const work = new AbortController();
  const change = (more: Partial<UploadJob>) =>
    useUploads.setState(({ jobs }) => ({
      jobs: jobs.map((job) => (job.id === id ? { ...job, ...more } : job)),
    }));
  const job = { id, name: file.name, share: 0, stop: () => work.abort() };
  useUploads.setState(({ jobs }) => ({ jobs: [...jobs, job] }));
  try {
    const taken = await sendFile(path, file, (share) => change({ share }), work.signal);
    useBook.getState().setFile(taken.file.id, taken.file);
    const { tell, announce } = useNotices.getState();
    if (taken.notes.length > 0) tell(`“${taken.file.name}” is on the Shelf. ${taken.notes.join(' ')}`);
    else announce(`“${taken.file.name}” is on the Shelf.`);
    return taken;
  } catch (error) {
    if (!work.signal.aborted) tellFault(error);
    return null;
  } finally {
    useUploads.setState(({ jobs }) => ({ jobs: jobs.filter((one) => one.id !== id) }));
  }
}

export const uploadToShelf = (book: string, file: File) => upload(`books/${book}/enclosures`, file);
export const uploadPicture = (book: string, file: File) =>
  upload(`books/${book}/enclosures?as=picture`, file);
export const replaceFile = (id: string, file: File) => upload(`enclosures/${id}/replace`, file);

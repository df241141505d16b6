import type { ShelfFile } from '@vennet/core/shelf';
import { api, type ShelfChanges } from '../api/client.js';
import { useBook } from './store.js';
import { tellFault, useNotices } from '../parts/notices.js';

/** Changes what is known of a file; every link to it shows it at once. False when it was refused. */
export async function changeShelfFile(id: string, changes: ShelfChanges): Promise<boolean> {
  try {
    useBook.getState().setFile(id, await api.changeFile(id, changes));
    return true;
  } catch (error) {
    tellFault(error);
    return false;
  }
}

/** Takes a file off the Shelf, and offers to put it back. */
export async function removeShelfFile(file: ShelfFile): Promise<void> {
  const { setFile } = useBook.getState();
  try {
    await api.removeFile(file.id);
    setFile(file.id, null);
    useNotices.getState().tell(`“${file.name}” is off the Shelf.`, {
      action: { label: 'Put it back', run: () => void putFileBack(file) },
    });
  } catch (error) {
    tellFault(error);
  }
}

/** Puts a file that was taken off the Shelf back: its links lead to it again. */
export async function putFileBack(file: ShelfFile): Promise<void> {
  try {
    await api.putFileBack(file.id);
    useBook.getState().setFile(file.id, file);
  } catch (error) {
    tellFault(error);
  }
}

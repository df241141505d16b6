import type { ShelfFile } from '@vennet/core/shelf';
import { Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault } from '../parts/notices.js';
import { putFileBack } from '../book/change-file.js';

/** The files that were taken off the Shelf: each can be put back. */
export function RemovedFiles({ book }: { book: string }) {
  const files = useBook((store) => store.book?.files);
  const [removed, setRemoved] = useState<ShelfFile[]>([]);
  useEffect(() => {
    api.removedFiles(book).then(setRemoved, tellFault);
  }, [book, files]);
  if (removed.length === 0) return null;
  return (
    <details className="mt-8">
      <summary className="cursor-pointer text-soft">
        {removed.length === 1 ? '1 file that was taken off' : `${removed.length} files that were taken off`}
      </summary>
      <ul className="mt-3 space-y-2">
        {removed.map((file) => (
          <li key={file.id} className="flex items-center gap-4">
            <span>{file.name}</span>
            <button
              type="button"
              className="button"
              data-size="small"
              onClick={() => void putFileBack(file)}
              aria-label={`Put ${file.name} back`}
            >
              <Undo2 size={15} aria-hidden="true" /> Put back
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

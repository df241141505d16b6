import { useQuery } from '@tanstack/react-query';
import { Undo2 } from 'lucide-react';
import { queries } from '../api/queries.js';
import { openBook } from '../book/open-book.js';
import { counted } from '@vennet/core/language';

/** The files that were taken off the Shelf: each can be put back. */
export function RemovedFiles({ book }: { book: string }) {
  const { data: removed = [] } = useQuery(queries.removedFiles(book));
  if (removed.length === 0) return null;
  return (
    <details className="mt-8">
      <summary className="cursor-pointer text-soft">
        {counted(removed.length, 'file that was taken off', 'files that were taken off')}
      </summary>
      <ul className="mt-3 space-y-2">
        {removed.map((file) => (
          <li key={file.id} className="flex items-center gap-4">
            <span>{file.name}</span>
            <button
              type="button"
              className="button"
              data-size="small"
              onClick={() => void openBook().files.putBack(file)}
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

import { useEffect } from 'react';
import { Navigate, useParams } from 'react-router';
import { useBook } from '../book/store.js';
import { saveAll } from '../book/saver.js';
import { ChapterEditor } from './ChapterEditor.js';
import { ConflictChoice } from './ConflictChoice.js';
import { LeftPanel } from '../outline/LeftPanel.js';

/** The room for the text: the outline, the text, and the margin beside it. */
export function Write() {
  const { chapter = '' } = useParams();
  const book = useBook((state) => state.book);
  const loads = useBook((state) => state.loads);
  const conflict = useBook((state) => state.conflicts.get(chapter));
  useEffect(() => () => void saveAll(), []);
  if (!book) return null;
  const open = book.chapters.find(({ id }) => id === chapter);
  if (!open) return <Navigate to={`/books/${book.id}/write/${book.chapters[0]?.id ?? ''}`} replace />;
  return (
    <div className="flex min-h-0 grow max-lg:flex-col">
      <LeftPanel book={book} open={chapter} />
      {conflict ? (
        <ConflictChoice chapter={chapter} conflict={conflict} />
      ) : (
        <ChapterEditor key={`${chapter}:${loads}`} chapter={chapter} />
      )}
    </div>
  );
}

import { useEffect } from 'react';
import { Navigate, useLocation, useParams, useSearchParams } from 'react-router';
import { useBook } from '../book/store.js';
import { ChapterEditor } from './ChapterEditor.js';
import { ConflictChoice } from './ConflictChoice.js';
import { PagesPanel } from './PagesPanel.js';
import { PagesEditor } from './PagesEditor.js';
import { LeftPanel } from './LeftPanel.js';
import { openBook } from '../book/open-book.js';

/** The room for the text: the outline, the text, and the margin beside it. */
export function Write() {
  const { chapter = '' } = useParams();
  const { pathname } = useLocation();
  const book = useBook((state) => state.book);
  const places = useBook((state) => state.places);
  const [search] = useSearchParams();
  const conflict = useBook((state) => state.conflicts.get(chapter));
  useEffect(() => () => void openBook().texts.saveAll(), []);
  if (!book) return null;
  const open = book.chapters.find(({ id }) => id === chapter);
  if (!open) {
    // Somebody who has just gone to another chapter is not led away from it: its page is drawn a moment later.
    if (pathname !== window.location.pathname) return null;
    const first = places.get(search.get('place') ?? '')?.chapter ?? book.chapters[0]?.id ?? '';
    return <Navigate to={`/books/${book.id}/write/${first}?${search}`} replace />;
  }
  const Text = book.ground ? PagesEditor : ChapterEditor;
  return (
    <div className="flex min-h-0 grow max-lg:flex-col">
      {book.ground ? <PagesPanel /> : <LeftPanel book={book} open={chapter} />}
      {conflict ? (
        <ConflictChoice chapter={chapter} conflict={conflict} />
      ) : (
        <Text key={chapter} chapter={chapter} />
      )}
    </div>
  );
}

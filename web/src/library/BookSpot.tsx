import { useState, type DragEvent, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { handOn } from '../parts/handed-file.js';

const hasFile = ({ dataTransfer }: DragEvent) => dataTransfer.types.includes('Files');

/** A book of the Library. A file that is dropped on it is proved against it; one that is dropped elsewhere is brought in. */
export function BookSpot({ book, children }: { book: string; children: ReactNode }) {
  const [isOver, setOver] = useState(false);
  const navigate = useNavigate();
  return (
    <li
      className="group relative grid grid-cols-[1fr_auto] items-center gap-x-6 py-5"
      onDragOver={(event) => {
        if (!hasFile(event)) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={({ currentTarget, relatedTarget }) => {
        if (!currentTarget.contains(relatedTarget as Node | null)) setOver(false);
      }}
      onDrop={(event) => {
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (!file) return;
        // The Library would bring it in.
        event.preventDefault();
        handOn(file);
        void navigate(`/books/${book}/publish?form=any`);
      }}
    >
      {children}
      {isOver && (
        <p className="pointer-events-none absolute inset-1 grid place-items-center rounded-md border-2 border-dashed border-amber bg-[var(--ground)]/90 text-lg">
          Drop it here, and its links are proved against this book. Elsewhere it is brought in.
        </p>
      )}
    </li>
  );
}

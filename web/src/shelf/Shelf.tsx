import { type ShelfFile } from '@vennet/core/shelf';
import { fileWords } from '@vennet/core/language';
import { FileUp } from 'lucide-react';
import { useMemo, useRef, useState, type DragEvent } from 'react';
import { ColumnHeads } from '../parts/ColumnHeads.js';
import { SearchField } from '../parts/SearchField.js';
import { useBook } from '../book/store.js';
import { openBook } from '../book/open-book.js';
import { FileLabels } from './FileLabels.js';
import { RemovedFiles } from './RemovedFiles.js';
import { ShelfEntry } from './ShelfEntry.js';
import { Uploads } from '../frame/Uploads.js';
import { usesOf, type FileUse } from './uses.js';

/** The room that keeps the book's files: taken in by choosing or dropping, and shown with what becomes of each. */
export function Shelf() {
  const book = useBook((store) => store.book);
  const links = useBook((store) => store.links);
  const uses = useMemo(() => (book ? usesOf(book, links) : new Map<string, FileUse[]>()), [book, links]);
  const [open, setOpen] = useState<string | null>(null);
  const [over, setOver] = useState(false);
  const [wanted, setWanted] = useState('');
  const chooser = useRef<HTMLInputElement>(null);
  if (!book) return null;
  const take = (files: Iterable<File>) => {
    for (const file of files) void openBook().uploads.toShelf(file);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    take(event.dataTransfer.files);
  };
  const shown = book.files.filter((file) => wordsOf(file).includes(wanted));
  return (
    <main
      className="grow overflow-auto"
      style={over ? { background: 'var(--wash)' } : undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={(event) => {
        if (event.currentTarget === event.target) setOver(false);
      }}
      onDrop={drop}
    >
      <div className="mx-auto max-w-6xl px-6 py-7">
        <div className="mb-5 flex flex-wrap items-end justify-between gap-x-8 gap-y-3">
          <div>
            <h1 className="font-text text-3xl">Shelf</h1>
            <p className="mt-1 max-w-2xl text-soft">
              The files that this book shows or leads to. Drop files anywhere in this room, up to 200 MB each.
            </p>
            {book.files.length > 0 && (
              <SearchField label="Search the Shelf" placeholder="Name or words" search={setWanted} />
            )}
          </div>
          <div className="flex flex-wrap gap-2">
            {book.files.length > 0 && (
              <FileLabels files={book.files} unused={book.files.filter(({ id }) => !uses.has(id))} />
            )}
            <button
              type="button"
              className="button"
              data-look="main"
              onClick={() => chooser.current?.click()}
            >
              <FileUp size={17} aria-hidden="true" /> Take in files
            </button>
          </div>
          <input
            ref={chooser}
            type="file"
            multiple
            hidden
            aria-label="Files for the Shelf"
            onChange={(event) => {
              take(event.target.files ?? []);
              event.target.value = '';
            }}
          />
        </div>
        <Uploads />
        {book.files.length === 0 ? (
          <p className="mt-4 rounded-md border border-dashed border-strong-line p-10 text-center text-lg">
            There is no file on this Shelf yet. Drop one here, or choose it with “Take in files”; then lead to
            it from the text by its name.
          </p>
        ) : (
          <div role="table" aria-label="Files" className="mt-3 border-t border-strong-line">
            <ColumnHeads
              heads={['File', 'What it is', 'Who can open it', 'How it travels', 'Uses']}
              columns="grid-cols-[minmax(0,1fr)_10rem_11rem_10rem_4rem]"
            />
            <div role="rowgroup">
              {shown.map((file) => (
                <ShelfEntry
                  key={file.id}
                  file={file}
                  book={book}
                  uses={uses.get(file.id) ?? []}
                  open={open === file.id}
                  toggle={() => setOpen(open === file.id ? null : file.id)}
                />
              ))}
            </div>
          </div>
        )}
        {book.files.length > 0 && shown.length === 0 && (
          <p className="p-8 text-center text-soft">No file fits. Search for other words.</p>
        )}
        <RemovedFiles book={book.id} />
      </div>
    </main>
  );
}

const wordsOf = (file: ShelfFile) => `${file.name} ${file.description} ${fileWords(file)}`.toLowerCase();

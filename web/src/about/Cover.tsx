import type { Manuscript } from '@vennet/core/wire';
import { ImagePlus } from 'lucide-react';
import { useRef } from 'react';
import { openBook } from '../book/open-book.js';
import type { DetailChanges } from '../book/details.js';
import { useNotices } from '../parts/notices.js';

/** The cover as it will be: a picture of the author's own, or drawn of title and author. */
export function Cover({
  book,
  kept,
  change,
}: {
  book: Manuscript;
  /** Everything is kept, so that the drawing is of what stands there. */
  kept: boolean;
  change(changes: DetailChanges): void;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  const { title, subtitle, author, publication } = book;
  const own = book.files.find(({ id }) => id === publication?.cover);
  const choose = (cover: string | null) => change({ publication: { cover } });
  const take = async (file: File) => {
    const taken = await openBook().uploads.picture(file);
    if (taken) choose(taken.file.id);
  };
  const draw = () => {
    const before = publication?.cover ?? null;
    choose(null);
    useNotices.getState().tell('The cover is drawn of title and author. The picture stays on the Shelf.', {
      action: { label: 'Take it back', run: () => choose(before) },
    });
  };
  const drawn = `/api/books/${book.id}/cover?of=${encodeURIComponent([title, subtitle, author, kept].join('|'))}`;
  return (
    <section aria-labelledby="cover" className="w-60 shrink-0">
      <h2 id="cover" className="label">
        Cover
      </h2>
      <img
        src={own ? `/api/enclosures/${own.id}` : drawn}
        alt={own ? `The cover: “${own.name}”` : 'The cover, drawn of title and author'}
        className="max-h-96 w-full border border-line bg-raised object-contain"
      />
      <p className="mt-1.5 text-sm text-soft">
        {own ? `“${own.name}”, as it is.` : 'Drawn of title and author.'} It comes first in the e-book
        {own ? ' and in the PDF.' : '.'}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button type="button" className="button" data-size="small" onClick={() => chooser.current?.click()}>
          <ImagePlus size={15} aria-hidden="true" /> {own ? 'Another picture' : 'A picture of my own'}
        </button>
        {own && (
          <button type="button" className="button" data-look="quiet" data-size="small" onClick={draw}>
            Draw it instead
          </button>
        )}
      </div>
      <input
        ref={chooser}
        type="file"
        accept="image/*"
        hidden
        aria-label="Picture for the cover"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void take(file);
          event.target.value = '';
        }}
      />
    </section>
  );
}

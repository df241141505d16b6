import type { PdfChoices } from '@vennet/core/publish';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { drawPage, readPdf } from '../parts/pdfjs.js';
import { ChapterField, useChapterOf } from './ChapterField.js';
import { SmallButton } from '../parts/SmallButton.js';

/** How wide a page is shown at most, in CSS px, and how high. */
const [WIDE, HIGH] = [320, 430];
/** How long nothing is to be changed before pages are set anew, in ms. */
const QUIET = 450;

/** A page of a chapter as it would be set; the one that was seen is shown again when something is changed. */
export function PagePreview({ choices }: { choices: PdfChoices }) {
  const bookId = useBook((store) => store.book?.id ?? '');
  const choice = useChapterOf('pdf');
  const { chapter } = choice;
  const [page, setPage] = useState<number | null>(null);
  const [file, setFile] = useState<PDFDocumentProxy | null>(null);
  const [fault, setFault] = useState('');
  const [isAtWork, setAtWork] = useState(true);
  const canvas = useRef<HTMLCanvasElement>(null);
  const wanted = JSON.stringify(choices);

  useEffect(() => {
    const gone = new AbortController();
    const set = async () => {
      await openBook().texts.saveAll();
      const body = { choices: JSON.parse(wanted) as PdfChoices, chapter };
      const bytes = await api.previewPages(bookId, body, gone.signal);
      const read = await readPdf(bytes);
      if (gone.signal.aborted) return void read.loadingTask.destroy();
      setFault('');
      setFile((before) => {
        void before?.loadingTask.destroy();
        return read;
      });
    };
    setAtWork(true);
    const timer = setTimeout(() => {
      set()
        .catch((error: Error) => gone.signal.aborted || setFault(error.message))
        .finally(() => gone.signal.aborted || setAtWork(false));
    }, QUIET);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [bookId, wanted, chapter]);

  const total = file?.numPages ?? 0;
  // The title and the contents stand first: the text is what is looked at.
  const shown = Math.min(Math.max(1, page ?? 3), Math.max(1, total));
  useEffect(() => {
    const drawn = canvas.current;
    if (!file || !drawn) return;
    let stop = () => {};
    const draw = async () => {
      const sheet = await file.getPage(shown);
      const { width, height } = sheet.getViewport({ scale: 1 });
      const wide = Math.min(WIDE, (HIGH * width) / height);
      drawn.style.width = `${wide}px`;
      const drawing = drawPage(sheet, drawn, wide * window.devicePixelRatio, 0);
      stop = () => drawing.cancel();
      await drawing.promise;
    };
    draw().catch(() => {});
    return () => stop();
  }, [file, shown]);

  return (
    <section aria-label="A page of it">
      <div className="flex items-end justify-between gap-2">
        <div className="min-w-0">
          <ChapterField
            {...choice}
            choose={(id) => {
              choice.choose(id);
              setPage(null);
            }}
          />
        </div>
        <div className="flex items-center gap-1 pb-0.5">
          <SmallButton look="quiet" words="Page before" off={shown <= 1} act={() => setPage(shown - 1)}>
            <ChevronLeft size={16} aria-hidden="true" />
          </SmallButton>
          <span className="text-sm whitespace-nowrap text-soft tabular-nums">
            {total > 0 ? `${shown} of ${total}` : ''}
          </span>
          <SmallButton look="quiet" words="Next page" off={shown >= total} act={() => setPage(shown + 1)}>
            <ChevronRight size={16} aria-hidden="true" />
          </SmallButton>
        </div>
      </div>
      <div
        className="mt-2 grid min-h-64 place-items-center rounded-md border border-line bg-[var(--ground)] p-3"
        aria-busy={isAtWork}
      >
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Page ${shown} as it would be set`}
          data-page={file ? shown : undefined}
          className={`bg-white shadow transition-opacity ${isAtWork && file ? 'opacity-50' : ''} ${file ? '' : 'hidden'}`}
        />
        {!file && !fault && <p className="text-soft">Setting the pages …</p>}
        {fault && <p className="text-sm">{fault}</p>}
      </div>
    </section>
  );
}

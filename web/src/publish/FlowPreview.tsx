import type { FlowChoices } from '@vennet/core/publish';
import type { FlowPreview as Wanted } from '@vennet/core/wire';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { ChapterField, useChapterOf } from './ChapterField.js';

/** How long nothing is to be changed before it is shown anew, in ms. */
const QUIET = 300;

/** A chapter as it would be in an e-book or on a web page, in a frame in which nothing runs. */
export function FlowPreview({ format, choices }: { format: Wanted['format']; choices: FlowChoices }) {
  const bookId = useBook((store) => store.book?.id ?? '');
  const choice = useChapterOf(format);
  const { chapter } = choice;
  const [page, setPage] = useState('');
  const [fault, setFault] = useState('');
  const wanted = JSON.stringify({ format, choices, chapter } satisfies Wanted);
  useEffect(() => {
    const gone = new AbortController();
    const show = async () => {
      await openBook().texts.saveAll();
      const html = await api.previewFlow(bookId, JSON.parse(wanted) as Wanted, gone.signal);
      setFault('');
      setPage(html);
    };
    const timer = setTimeout(
      () => void show().catch((error: Error) => gone.signal.aborted || setFault(error.message)),
      QUIET,
    );
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [bookId, wanted]);
  return (
    <section aria-label="A chapter of it">
      <ChapterField {...choice} />
      <div className="mt-2 overflow-hidden rounded-md border border-line bg-white">
        {fault ? (
          <p className="p-3 text-sm">{fault}</p>
        ) : (
          <iframe title="The chapter as it would be" srcDoc={page} sandbox="" className="h-[27rem] w-full" />
        )}
      </div>
    </section>
  );
}

import type { FlowChoices } from '@vennet/core/publish';
import type { FlowPreview as Wanted } from '@vennet/core/wire';
import { useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { openBook } from '../book/open-book.js';
import { useBook } from '../book/store.js';
import { Labelled } from '../parts/Labelled.js';

/** How long nothing is to be changed before it is shown anew, in ms. */
const QUIET = 300;

/** A chapter as it would be in an e-book or on a web page, in a frame in which nothing runs. */
export function FlowPreview({ format, choices }: { format: Wanted['format']; choices: FlowChoices }) {
  const book = useBook((store) => store.book);
  const chapters = book?.chapters.filter(({ leftOutOf }) => !leftOutOf.includes(format)) ?? [];
  const [chapter, setChapter] = useState(
    () => chapters.find(({ matter }) => matter === 'main')?.id ?? chapters[0]?.id ?? '',
  );
  const [page, setPage] = useState('');
  const [fault, setFault] = useState('');
  const bookId = book?.id ?? '';
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
      <Labelled label="Chapter">
        {(id) => (
          <select
            id={id}
            className="field"
            value={chapter}
            onChange={({ target }) => setChapter(target.value)}
          >
            {chapters.map((one) => (
              <option key={one.id} value={one.id}>
                {one.title || 'Without a title'}
              </option>
            ))}
          </select>
        )}
      </Labelled>
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

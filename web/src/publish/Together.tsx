import { formsBundle } from '@vennet/client';
import { sizeWords } from '@vennet/core/language';
import type { Format } from '@vennet/core/manuscript';
import type { ExportJob } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { FolderArchive } from 'lucide-react';
import { useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { Tick } from '../parts/Tick.js';
import { FORMS, stateOf } from './forms.js';

/** Several forms in one archive, with all that belongs next to them, a report of their links, and a list of checksums. */
export function Together({ jobs }: { jobs: readonly ExportJob[] }) {
  const book = useBook((store) => store.book?.id ?? '');
  const made = (Object.keys(FORMS) as Format[]).filter((format) =>
    jobs.some((job) => job.format === format && job.state === 'done'),
  );
  const [left, setLeft] = useState<ReadonlySet<Format>>(new Set());
  const forms = made.filter((format) => !left.has(format));
  const turn = (format: Format) => {
    const now = new Set(left);
    if (!now.delete(format)) now.add(format);
    setLeft(now);
  };
  const newest = jobs.find(({ state }) => state === 'done')?.id ?? '';
  const { data } = useQuery({
    queryKey: ['bundle', book, forms.join(), newest],
    queryFn: () => api.bundlePlan(book, forms),
    enabled: forms.length > 0,
  });
  return (
    <section aria-labelledby="together" className="max-w-2xl min-w-0 px-7 py-6">
      <h2 id="together" className="flex items-center gap-2.5 font-text text-2xl">
        <FolderArchive size={24} aria-hidden="true" className="text-soft" /> Together
      </h2>
      <p className="mt-1 text-soft">
        The forms that you choose in one archive, with the files and books that belong next to them, a report
        of their links, and a list of checksums by which anyone sees that nothing was changed on the way.
      </p>
      {made.length === 0 ? (
        <p className="mt-4">No form was made yet. Make one first.</p>
      ) : (
        <>
          <fieldset className="mt-4">
            <legend className="font-semibold">Forms</legend>
            {made.map((format) => (
              <Tick key={format} on={!left.has(format)} turn={() => turn(format)}>
                <span>
                  {FORMS[format].words}{' '}
                  <span className="text-sm text-soft">
                    {stateOf(jobs.filter((job) => job.format === format)).words}
                  </span>
                </span>
              </Tick>
            ))}
          </fieldset>
          {data?.missing.map((words) => (
            <p key={words} className="mt-3 border-l-4 border-moved py-1 pl-3">
              {words}
            </p>
          ))}
          {data && forms.length > 0 && (
            <>
              <p className="mt-5">
                <a className="button" data-look="main" href={formsBundle(book, forms)}>
                  Download the archive
                </a>
              </p>
              <table className="mt-4 w-full border-collapse text-sm">
                <caption className="pb-1 text-left font-semibold">What is in it</caption>
                <tbody>
                  {[...data.files, ...MADE].map(({ path, size }) => (
                    <tr key={path} className="border-b border-line">
                      <th scope="row" className="py-1 pr-4 text-left font-normal break-all">
                        {path}
                      </th>
                      <td className="py-1 text-right whitespace-nowrap text-soft">
                        {size === null ? 'made with it' : sizeWords(size)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </>
      )}
    </section>
  );
}

/** What is made when it is downloaded. */
const MADE = ['links.csv', 'links.html', 'SHA256SUMS.txt'].map((path) => ({ path, size: null }));

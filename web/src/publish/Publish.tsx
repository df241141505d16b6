import { isManuscript, type Format } from '@vennet/core/manuscript';
import { useBook } from '../book/store.js';
import { FormPanel } from './FormPanel.js';
import { useExports } from './use-exports.js';

/** Files for readers, and files in which somebody goes on writing. */
const GROUPS: readonly { id: string; title: string; holds(format: Format): boolean }[] = [
  { id: 'for-readers', title: 'For readers', holds: (format) => !isManuscript(format) },
  { id: 'to-write-on', title: 'To go on writing', holds: isManuscript },
];

/** The room where files are made: pick a form, see what would change in it, make it, read its proof. */
export function Publish() {
  const id = useBook((store) => store.book?.id ?? '');
  const ground = useBook((store) => store.book?.ground);
  const { forms, shapeless, jobs, make, stop, changed } = useExports(id);
  return (
    <main className="grow overflow-auto">
      <div className="mx-auto max-w-6xl px-6 py-7">
        <h1 className="font-text text-3xl">Publish</h1>
        <p className="mt-1 mb-6 max-w-2xl text-soft">
          Each file is read back after it is made, and every link in it is matched with the book. What you see
          below is what is really in the file.
        </p>
        {ground && (
          <p className="mb-6 max-w-2xl">
            This is a book of pages. They stay as they are, so it is published as a PDF; for an e-book or a
            web page, bring in the manuscript.
          </p>
        )}
        {GROUPS.filter(({ holds }) => forms.some(({ format }) => holds(format)) || !ground).map(
          ({ id, title, holds }) => (
            <section key={id} aria-labelledby={id} className="mb-8">
              <h2 id={id} className="mb-3 font-text text-2xl">
                {title}
              </h2>
              <div className="grid items-start gap-6 lg:grid-cols-2 xl:grid-cols-3">
                {forms
                  .filter((form) => holds(form.format))
                  .map((form) => (
                    <FormPanel
                      key={form.format}
                      form={form}
                      shapeless={form.format === 'pdf' ? shapeless : []}
                      jobs={jobs.filter((job) => job.format === form.format)}
                      make={(choices) => void make(form.format, choices)}
                      stop={(job) => void stop(job)}
                      changed={changed}
                    />
                  ))}
              </div>
            </section>
          ),
        )}
      </div>
    </main>
  );
}

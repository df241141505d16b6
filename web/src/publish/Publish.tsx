import { isManuscript, type Format } from '@vennet/core/manuscript';
import type { ExportJob } from '@vennet/core/wire';
import { FileSearch, FolderArchive, type LucideIcon } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { useBook } from '../book/store.js';
import { AnyFile } from './AnyFile.js';
import { FormPanel } from './FormPanel.js';
import { Together } from './Together.js';
import { FORMS, stateOf } from './forms.js';
import { useExports } from './use-exports.js';

const GROUPS = [
  { id: 'for-readers', title: 'For readers', holds: (format: Format) => !isManuscript(format) },
  { id: 'to-write-on', title: 'To go on writing', holds: isManuscript },
];

/** The room where files are made: the forms at the left, in the middle what is to be made and how, at the right what was made and its proof. */
export function Publish() {
  const id = useBook((store) => store.book?.id ?? '');
  const ground = useBook((store) => store.book?.ground);
  const [search] = useSearchParams();
  const { forms, shapeless, jobs, make, stop, again, remove, changed } = useExports(id);
  const wanted = search.get('form');
  const form = forms.find(({ format }) => format === wanted) ?? forms[0];
  const isAny = wanted === 'any';
  const isTogether = wanted === 'together';
  const of = (format: Format) => jobs.filter((job) => job.format === format);
  return (
    <main className="flex min-h-0 grow max-lg:flex-col max-lg:overflow-auto">
      <h1 className="sr-only">Publish</h1>
      <nav
        aria-label="Forms"
        className="w-60 shrink-0 overflow-y-auto border-r border-line py-5 max-lg:w-full max-lg:border-r-0 max-lg:border-b"
      >
        {GROUPS.map(({ id: group, title, holds }) => {
          const here = forms.filter(({ format }) => holds(format));
          return (
            here.length > 0 && (
              <section key={group} aria-labelledby={group} className="mb-4">
                <h2 id={group} className="px-5 pb-1 text-sm text-soft">
                  {title}
                </h2>
                <ul>
                  {here.map(({ format }) => (
                    <FormLine
                      key={format}
                      format={format}
                      isOpen={!isAny && !isTogether && format === form?.format}
                      jobs={of(format)}
                    />
                  ))}
                </ul>
              </section>
            )
          );
        })}
        <section aria-labelledby="to-give-on" className="mb-4">
          <h2 id="to-give-on" className="px-5 pb-1 text-sm text-soft">
            To give on
          </h2>
          <Line
            to="together"
            isOpen={isTogether}
            icon={FolderArchive}
            words="Together"
            about="Several forms in one archive"
          />
        </section>
        <section aria-labelledby="to-prove" className="mb-4">
          <h2 id="to-prove" className="px-5 pb-1 text-sm text-soft">
            To prove
          </h2>
          <Line to="any" isOpen={isAny} icon={FileSearch} words="Any file" about="Made here or elsewhere" />
        </section>
        {ground && (
          <p className="px-5 text-sm text-soft">
            This is a book of pages. They stay as they are, so it is published as a PDF; for an e-book or a
            web page, bring in the manuscript.
          </p>
        )}
      </nav>
      <div className="min-h-0 min-w-0 grow overflow-y-auto max-lg:overflow-visible">
        {isAny && <AnyFile />}
        {isTogether && <Together jobs={jobs} />}
        {form && !isAny && !isTogether && (
          <FormPanel
            key={form.format}
            form={form}
            shapeless={form.format === 'pdf' ? shapeless : []}
            jobs={of(form.format)}
            make={(choices) => void make(form.format, choices)}
            stop={(job) => void stop(job)}
            again={(job) => void again(job)}
            remove={(job) => void remove(job)}
            changed={changed}
          />
        )}
      </div>
    </main>
  );
}

function FormLine({ format, isOpen, jobs }: { format: Format; isOpen: boolean; jobs: readonly ExportJob[] }) {
  const { words, icon } = FORMS[format];
  const state = stateOf(jobs);
  return (
    <li>
      <Line
        to={format}
        isOpen={isOpen}
        icon={icon}
        words={words}
        about={state.words}
        isAmiss={!state.isGood}
      />
    </li>
  );
}

function Line({
  to,
  isOpen,
  icon: Icon,
  words,
  about,
  isAmiss = false,
}: {
  to: string;
  isOpen: boolean;
  icon: LucideIcon;
  words: string;
  about: string;
  isAmiss?: boolean;
}) {
  return (
    <Link
      to={`?form=${to}`}
      replace
      aria-current={isOpen ? 'true' : undefined}
      className="flex items-start gap-2.5 border-l-4 border-transparent py-1.5 pr-4 pl-4 hover:bg-wash aria-[current]:border-amber aria-[current]:bg-wash"
    >
      <Icon size={18} aria-hidden="true" className="mt-0.5 shrink-0 text-soft" />
      <span className="min-w-0">
        <span className={isOpen ? 'font-semibold' : ''}>{words}</span>
        <span className={`block text-xs ${isAmiss ? 'font-semibold text-moved' : 'text-soft'}`}>{about}</span>
      </span>
    </Link>
  );
}

import type { ShapelessSign } from '@vennet/core/publish';
import { isUnderWay, type ExportChoices, type ExportJob, type FormPreview } from '@vennet/core/wire';
import { useState } from 'react';
import { useBook } from '../book/store.js';
import { Earlier } from './Earlier.js';
import { FlowSettings } from './FlowSettings.js';
import { FORMS } from './forms.js';
import { HowToWrite } from './HowToWrite.js';
import { LeftOut } from './LeftOut.js';
import { Losses } from './Losses.js';
import { MadeFile } from './MadeFile.js';
import { PdfSettings } from './PdfSettings.js';
import { Scripts } from './Scripts.js';
import { Shapeless } from './Shapeless.js';

interface PanelProps {
  form: FormPreview;
  /** Signs that no font has a shape for. */
  shapeless: ShapelessSign[];
  /** The newest first. */
  jobs: ExportJob[];
  make(choices?: ExportChoices): void;
  stop(job: ExportJob): void;
  /** Makes a file again, of the text of then. */
  again(job: ExportJob): void;
  remove(job: ExportJob): void;
  /** Something was changed on which what this form loses depends. */
  changed(): void;
}

/** One form of publishing: what it loses, how it is to be, the making of it, and at its side the last good file with its proof. */
export function FormPanel({ form, shapeless, jobs, make, stop, again, remove, changed }: PanelProps) {
  const { format } = form;
  const { words, make: makeWords, about, icon: Icon } = FORMS[format];
  const ground = useBook((store) => store.book?.ground);
  const [write, setWrite] = useState<ExportChoices['write']>(ground?.cannotAdd ? 'anew' : 'addition');
  const [newest] = jobs;
  const running = newest && isUnderWay(newest) ? newest : null;
  const good = jobs.find((job) => job.state === 'done');
  const isSet = format === 'pdf' && !ground;
  return (
    <section
      aria-labelledby={`form-${format}`}
      className="grid min-h-full min-w-0 grow lg:grid-cols-[minmax(0,1fr)_23rem]"
    >
      <div className="min-w-0 px-7 py-6">
        <div className="flex flex-wrap items-start justify-between gap-4">
          <div className="min-w-0">
            <h2 id={`form-${format}`} className="flex items-center gap-2.5 font-text text-2xl">
              <Icon size={24} aria-hidden="true" className="text-soft" /> {words}
            </h2>
            <p className="mt-1 max-w-lg text-soft">
              {ground
                ? 'The same pages as in the file that was brought in, with the links as they are now.'
                : about}
            </p>
          </div>
          {!running && (
            <button
              type="button"
              className="button"
              data-look="main"
              onClick={() => make(ground ? { write } : undefined)}
            >
              {makeWords}
            </button>
          )}
        </div>
        {running && <Progress job={running} stop={() => stop(running)} />}
        {newest?.state === 'failed' && (
          <p role="alert" className="mt-4 border-l-4 py-1 pl-3" style={{ borderColor: 'var(--broken)' }}>
            {newest.message} {good ? 'The file at the side, made before, is still good.' : ''}
          </p>
        )}
        {newest?.state === 'stopped' && (
          <p className="mt-4 text-soft">
            Stopped. Nothing was made{good ? '; the file at the side is still there' : ''}.
          </p>
        )}
        <Losses form={form} />
        {shapeless.length > 0 && <Shapeless signs={shapeless} />}
        {ground ? (
          <HowToWrite ground={ground} write={write} change={setWrite} />
        ) : (
          <LeftOut format={format} changed={changed} />
        )}
        {isSet && <Scripts />}
        {isSet && <PdfSettings />}
        {format !== 'pdf' && <FlowSettings format={format} />}
      </div>
      <aside aria-label="The made file" className="min-w-0 border-line px-6 py-6 max-lg:border-t lg:border-l">
        {good ? (
          <>
            <MadeFile job={good} />
            <Earlier
              newest={good}
              jobs={jobs.filter((job) => job.state === 'done' && job !== good)}
              again={running ? null : again}
              remove={remove}
            />
          </>
        ) : (
          <p className="text-soft">
            Nothing was made in this form yet. Each file is read back after it is made, and every link in it
            is matched with the book.
          </p>
        )}
      </aside>
    </section>
  );
}

function Progress({ job, stop }: { job: ExportJob; stop(): void }) {
  const counted = job.total > 0 ? `, page ${job.done} of ${job.total}` : '';
  return (
    <div className="mt-5">
      <p className="mb-1 flex items-center justify-between gap-4">
        <span role="status">
          {job.stage || 'Waiting for its turn'}
          {counted}
        </span>
        <button type="button" className="button" data-size="small" onClick={stop}>
          Stop
        </button>
      </p>
      <progress
        className="h-2 w-full accent-amber"
        value={job.total > 0 ? job.done : undefined}
        max={job.total || undefined}
        aria-label="Progress"
      />
    </div>
  );
}

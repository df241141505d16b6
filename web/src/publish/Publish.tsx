import type { Format } from '@vennet/core/manuscript';
import type { ExportJob, FormPreview } from '@vennet/core/wire';
import { useCallback, useEffect, useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { saveAll } from '../book/saver.js';
import { FormPanel } from './FormPanel.js';

/** Time between looks at an export that is being made, in ms. */
const LOOK = 300;

const isOpen = (job: ExportJob) => job.state === 'waiting' || job.state === 'running';

/** The room where files are made: pick a form, see what would change in it, make it, read its proof. */
export function Publish() {
  const book = useBook((store) => store.book);
  const id = book?.id ?? '';
  const [forms, setForms] = useState<FormPreview[]>([]);
  const [jobs, setJobs] = useState<ExportJob[]>([]);
  const load = useCallback(async () => {
    try {
      await saveAll();
      const [previews, exports] = await Promise.all([api.forms(id), api.exports(id)]);
      setForms(previews);
      setJobs(exports);
    } catch (error) {
      tellFault(error);
    }
  }, [id]);
  useEffect(() => void load(), [load]);
  const open = jobs.some(isOpen);
  useEffect(() => {
    if (!open) return;
    const timer = setInterval(() => {
      api.exports(id).then((now) => {
        setJobs((before) => {
          for (const job of now)
            if (!isOpen(job) && before.some((one) => one.id === job.id && isOpen(one))) announce(job);
          return now;
        });
      }, tellFault);
    }, LOOK);
    return () => clearInterval(timer);
  }, [open, id]);
  const make = async (format: Format) => {
    try {
      await saveAll();
      await api.startExport(id, format);
      setJobs(await api.exports(id));
    } catch (error) {
      tellFault(error);
    }
  };
  const stop = (job: ExportJob) => api.stopExport(job.id).then(load, tellFault);
  return (
    <main className="grow overflow-auto">
      <div className="mx-auto max-w-6xl px-6 py-7">
        <h1 className="font-text text-3xl">Publish</h1>
        <p className="mt-1 mb-6 max-w-2xl text-soft">
          Each file is read back after it is made, and every link in it is matched with the book. What you see
          below is what is really in the file.
        </p>
        <div className="grid items-start gap-6 lg:grid-cols-2 xl:grid-cols-3">
          {forms.map((form) => (
            <FormPanel
              key={form.format}
              form={form}
              jobs={jobs.filter((job) => job.format === form.format)}
              make={() => void make(form.format)}
              stop={(job) => void stop(job)}
              changed={() => void load()}
            />
          ))}
        </div>
      </div>
    </main>
  );
}

function announce(job: ExportJob): void {
  const what = { epub: 'The e-book', pdf: 'The PDF', web: 'The web page' }[job.format];
  const { announce: say } = useNotices.getState();
  if (job.state === 'done' && job.proof)
    say(`${what} is made. ${job.proof.found} of ${job.proof.expected} links are in it as in the book.`);
  else if (job.state === 'failed') say(`${what} could not be made. ${job.message}`);
  else say(`${what} was stopped.`);
}

import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { Format } from '@vennet/core/manuscript';
import type { ShapelessSign } from '@vennet/core/publish';
import {
  isUnderWay,
  type ExportChoices,
  type ExportJob,
  type FormPreview,
  type JobStatus,
} from '@vennet/core/wire';
import { useEffect } from 'react';
import { api } from '../api/client.js';
import { followJob } from '../api/follow.js';
import { queries } from '../api/queries.js';
import { openBook } from '../book/open-book.js';
import { tellFault, useNotices } from '../parts/notices.js';

export interface Exports {
  forms: FormPreview[];
  /** Signs that no font has a shape for: in a PDF boxes stand for them. */
  shapeless: ShapelessSign[];
  /** The newest first. */
  jobs: ExportJob[];
  make(format: Format, choices?: ExportChoices): Promise<void>;
  stop(job: ExportJob): Promise<void>;
  /** Makes a file again, of the text of then. */
  again(job: ExportJob): Promise<void>;
  remove(job: ExportJob): Promise<void>;
  /** Something was changed on which what a form loses depends. */
  changed(): void;
}

/** The files that are made of a book: what each form would lose, and the making of each, followed to its end. */
export function useExports(book: string): Exports {
  const client = useQueryClient();
  const { data: forms = [] } = useQuery({
    ...queries.forms(book),
    // What forms lose follows from the text as the server has it.
    queryFn: () =>
      openBook()
        .texts.saveAll()
        .then(() => api.forms(book)),
  });
  // Pages are set of the text as the server has it, which takes longer.
  const { data: shapeless = [] } = useQuery({ ...queries.shapeless(book), enabled: forms.length > 0 });
  const { data: jobs = [] } = useQuery({
    ...queries.exports(book),
    queryFn: () =>
      openBook()
        .texts.saveAll()
        .then(() => api.exports(book)),
  });
  const open = jobs
    .filter(isUnderWay)
    .map(({ id }) => id)
    .join();
  useEffect(() => {
    const { queryKey } = queries.exports(book);
    const heard = (status: JobStatus) => {
      const { id, state, stage, done, total } = status;
      client.setQueryData(queryKey, (known) =>
        known?.map((job) =>
          job.id === id && isUnderWay(status) ? { ...job, state, stage, done, total } : job,
        ),
      );
      if (!isUnderWay(status)) void ended(id);
    };
    const ended = async (id: string) => {
      await client.invalidateQueries({ queryKey });
      const job = client.getQueryData(queryKey)?.find((one) => one.id === id);
      if (job) announce(job);
    };
    const again = () => void client.invalidateQueries({ queryKey });
    const leave = open === '' ? [] : open.split(',').map((id) => followJob(id, heard, again));
    return () => leave.forEach((stop) => stop());
  }, [open, book, client]);
  const tried = async (work: () => Promise<unknown>) => {
    try {
      await work();
      await client.invalidateQueries(queries.exports(book));
    } catch (error) {
      tellFault(error);
    }
  };
  return {
    forms,
    shapeless,
    jobs,
    make: (format, choices) =>
      tried(async () => {
        await openBook().texts.saveAll();
        await api.startExport(book, format, choices);
      }),
    stop: (job) => tried(() => api.stopExport(job.id)),
    again: (job) => tried(() => api.makeAgain(job.id)),
    remove: (job) => tried(() => api.removeExport(job.id)),
    changed: () => void client.invalidateQueries(queries.forms(book)),
  };
}

const FORM_NAMES: Record<Format, string> = {
  epub: 'The e-book',
  pdf: 'The PDF',
  web: 'The web page',
  docx: 'The DOCX document',
  odt: 'The ODT document',
  markdown: 'The Markdown',
};

function announce(job: ExportJob): void {
  const what = FORM_NAMES[job.format];
  const { announce: say } = useNotices.getState();
  if (job.state === 'done' && job.proof)
    say(`${what} is made. ${job.proof.found} of ${job.proof.expected} links are in it as in the book.`);
  else if (job.state === 'failed') say(`${what} could not be made. ${job.message}`);
  else say(`${what} was stopped.`);
}

import { exportFile } from '@vennet/client';
import { sizeWords } from '@vennet/core/language';
import type { ExportJob } from '@vennet/core/wire';
import { Download, RotateCcw, Trash2 } from 'lucide-react';
import { SmallButton } from '../parts/SmallButton.js';
import { when } from '../parts/when.js';
import { CompareFiles } from './CompareFiles.js';
import { PAGE_WORDS } from './PdfSettings.js';

/** Files that were made before, with how their links came through. */
export function Earlier({
  newest,
  jobs,
  again,
  remove,
}: {
  newest: ExportJob;
  jobs: readonly ExportJob[];
  /** Makes a file again of the text of then; `null` while one is being made. */
  again: ((job: ExportJob) => void) | null;
  remove(job: ExportJob): void;
}) {
  if (jobs.length === 0) return null;
  return (
    <section aria-labelledby="made-before" className="mt-6 border-t border-line pt-4">
      <h3 id="made-before" className="font-semibold">
        Made before
      </h3>
      <ul className="mt-1 divide-y divide-line">
        {jobs.map((job) => (
          <li key={job.id} className="flex items-center justify-between gap-3 py-1.5 text-sm">
            <span className="min-w-0">
              <time dateTime={job.createdAt}>{when(job.createdAt, 'moment')}</time>
              <span className="block text-soft">
                {sizeWords(job.size ?? 0)}
                {job.choices.page && `, ${PAGE_WORDS[job.choices.page]}`}
                {job.proof && `, ${job.proof.found} of ${job.proof.expected} links`}
              </span>
            </span>
            <span className="flex shrink-0">
              <CompareFiles older={job} newer={newest} />
              {job.snapshot && (
                <SmallButton
                  look="quiet"
                  words={`Make the file of ${when(job.createdAt, 'moment')} again, of the text of then`}
                  off={!again}
                  act={() => again?.(job)}
                >
                  <RotateCcw size={15} aria-hidden="true" />
                </SmallButton>
              )}
              <a
                className="button"
                data-size="small"
                data-look="quiet"
                href={exportFile(job.id)}
                download={job.fileName}
                aria-label={`The file of ${when(job.createdAt, 'moment')}`}
              >
                <Download size={15} aria-hidden="true" />
              </a>
              <SmallButton
                look="quiet"
                words={`Remove the file of ${when(job.createdAt, 'moment')}`}
                off={false}
                act={() => remove(job)}
              >
                <Trash2 size={15} aria-hidden="true" />
              </SmallButton>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

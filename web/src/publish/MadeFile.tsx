import { exportBundle, exportFile } from '@vennet/client';
import { message, sizeWords } from '@vennet/core/language';
import { isManuscript } from '@vennet/core/manuscript';
import type { ExportJob } from '@vennet/core/wire';
import { Download, FolderArchive } from 'lucide-react';
import { when } from '../parts/when.js';
import { LossList } from './Losses.js';
import { PAGE_WORDS } from './PdfSettings.js';
import { ProofTable } from './ProofTable.js';
import { ProofView } from './ProofView.js';
import { TryReader } from './try/TryReader.js';

/** The newest good file of a form: what there is to do with it, what was told of it before, and its proof. */
export function MadeFile({ job }: { job: ExportJob }) {
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <span className="font-semibold">{job.fileName}</span>
          <span className="block text-sm text-soft">
            {job.choices.page && `${PAGE_WORDS[job.choices.page]}, `}
            {sizeWords(job.size ?? 0)}, made{' '}
            <time dateTime={job.createdAt}>{when(job.createdAt, 'moment')}</time>
          </span>
          {job.isOutdated && (
            <span className="block text-sm font-semibold text-moved">
              The book has changed since. Make it anew to have what is new in it.
            </span>
          )}
        </p>
        <a className="button" href={exportFile(job.id)} download={job.fileName}>
          <Download size={16} aria-hidden="true" /> Download
        </a>
      </div>
      {job.beside > 0 && (
        <p className="mt-3 flex flex-wrap items-center justify-between gap-3">
          <span className="text-sm">
            {message(
              'Readers need {count, plural, one {one file} other {# files}} next to it, in the folder “files”.',
              { count: job.beside },
            )}
          </span>
          <a className="button" href={exportBundle(job.id)}>
            <FolderArchive size={16} aria-hidden="true" /> All in one archive
          </a>
        </p>
      )}
      {!isManuscript(job.format) && (
        <p className="mt-3">
          <TryReader job={job} />
        </p>
      )}
      {job.losses.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer">
            {message('{count, plural, one {One thing} other {# things}} told before it was made', {
              count: job.losses.length,
            })}
          </summary>
          <LossList losses={job.losses} />
        </details>
      )}
      {job.notes.map((note) => (
        <p key={note} className="mt-3 border-l-4 border-moved py-1 pl-3">
          {note}
        </p>
      ))}
      {job.proof && (
        <>
          <ProofView proof={job.proof} />
          {job.proof.expected > 0 && (
            <p className="mt-3">
              <ProofTable job={job} />
            </p>
          )}
        </>
      )}
    </div>
  );
}

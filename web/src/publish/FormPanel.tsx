import type { ShapelessSign } from '@vennet/core/publish';
import type { Ground } from '@vennet/core/manuscript';
import type { ExportChoices, ExportJob, FormPreview } from '@vennet/core/wire';
import { BookOpen, Download, FileCode, FilePen, FileText, FolderArchive, Globe } from 'lucide-react';
import { message, sizeWords } from '@vennet/core/language';
import { exportBundle, exportFile } from '@vennet/client';
import { useState } from 'react';
import { useBook } from '../book/store.js';
import { LeftOut } from './LeftOut.js';
import { ProofView } from './ProofView.js';
import { when } from '../parts/when.js';

const FORMS = {
  epub: {
    words: 'E-book',
    make: 'Make the e-book',
    about: 'EPUB 3.3, for reading programs on every size of screen.',
    icon: BookOpen,
  },
  pdf: {
    words: 'PDF',
    make: 'Make the PDF',
    about: 'Tagged PDF with pages, for print and for reading as it was set.',
    icon: FileText,
  },
  web: {
    words: 'Web page',
    make: 'Make the web page',
    about: 'One page of HTML with its pictures in it, for any browser.',
    icon: Globe,
  },
  docx: {
    words: 'DOCX',
    make: 'Make the DOCX',
    about: 'Office Open XML, for word processors, with live links, bookmarks, references and notes.',
    icon: FilePen,
  },
  odt: {
    words: 'ODT',
    make: 'Make the ODT',
    about: 'OpenDocument text, for word processors, with live links, bookmarks, references and notes.',
    icon: FilePen,
  },
  markdown: {
    words: 'Markdown',
    make: 'Make the Markdown',
    about: 'Plain text with signs, for any editor; an archive when the book has pictures or files.',
    icon: FileCode,
  },
} as const;

interface PanelProps {
  form: FormPreview;
  /** Signs that no font has a shape for. */
  shapeless: ShapelessSign[];
  /** The newest first. */
  jobs: ExportJob[];
  make(choices?: ExportChoices): void;
  stop(job: ExportJob): void;
  /** Something was changed on which what this form loses depends. */
  changed(): void;
}

/** One form of publishing: what it loses, the making of it, and the last good file with its proof. */
export function FormPanel({ form, shapeless, jobs, make, stop, changed }: PanelProps) {
  const { words, make: makeWords, about, icon: Icon } = FORMS[form.format];
  const ground = useBook((store) => store.book?.ground);
  const [write, setWrite] = useState<ExportChoices['write']>(ground?.cannotAdd ? 'anew' : 'addition');
  const [newest] = jobs;
  const running = newest && (newest.state === 'waiting' || newest.state === 'running') ? newest : null;
  const good = jobs.find((job) => job.state === 'done');
  return (
    <section aria-labelledby={`form-${form.format}`} className="rounded-md border border-line bg-sheet p-6">
      <h3 id={`form-${form.format}`} className="flex items-center gap-2.5 font-text text-xl">
        <Icon size={22} aria-hidden="true" className="text-soft" /> {words}
      </h3>
      <p className="mt-1 text-soft">
        {ground
          ? 'The same pages as in the file that was brought in, with the links as they are now.'
          : about}
      </p>
      <Losses form={form} />
      {shapeless.length > 0 && <Shapeless signs={shapeless} />}
      {ground ? (
        <HowToWrite ground={ground} write={write} change={setWrite} />
      ) : (
        <LeftOut format={form.format} changed={changed} />
      )}
      {running ? (
        <Progress job={running} stop={() => stop(running)} />
      ) : (
        <button
          type="button"
          className="button mt-5"
          data-look="main"
          onClick={() => make(ground ? { write } : undefined)}
        >
          {makeWords}
        </button>
      )}
      {newest?.state === 'failed' && (
        <p role="alert" className="mt-4 border-l-4 py-1 pl-3" style={{ borderColor: 'var(--broken)' }}>
          {newest.message} {good ? 'The file below, made before, is still good.' : ''}
        </p>
      )}
      {newest?.state === 'stopped' && (
        <p className="mt-4 text-soft">
          Stopped. Nothing was made{good ? '; the file below is still there' : ''}.
        </p>
      )}
      {good && <GoodFile job={good} />}
    </section>
  );
}

/** How the file of a book of pages is written. */
function HowToWrite({
  ground,
  write,
  change,
}: {
  ground: Ground;
  write: ExportChoices['write'];
  change(write: ExportChoices['write']): void;
}) {
  const ways = [
    {
      id: 'addition',
      words: 'As an addition',
      about: ground.cannotAdd
        ? `Not for this file: ${ground.cannotAdd}.`
        : 'The old bytes stay as they are, and the links stand behind them. A signature goes on holding for the part that was signed.',
      off: ground.cannotAdd !== null,
    },
    {
      id: 'anew',
      words: 'Written anew and smaller',
      about: ground.signed
        ? 'The file is signed: written anew, its signature holds no more.'
        : 'What the file does not use any more is left out.',
      off: false,
    },
  ] as const;
  return (
    <fieldset className="mt-4">
      <legend className="font-semibold">How it is written</legend>
      {ways.map(({ id, words, about, off }) => (
        <label key={id} className="mt-1.5 flex gap-2" data-off={off || undefined}>
          <input
            type="radio"
            name="write"
            className="mt-1.5 accent-amber"
            checked={write === id}
            disabled={off}
            onChange={() => change(id)}
          />
          <span>
            {words}
            <span className="block text-sm text-soft">{about}</span>
          </span>
        </label>
      ))}
      {ground.certified !== null && (
        <p className="mt-2 border-l-4 border-moved py-1 pl-3 text-sm">
          Whoever certified this file allows {CERTIFIED[ground.certified] ?? CERTIFIED[2]}. With other links,
          reading programs say that it was changed.
        </p>
      )}
      {ground.forbidden.length > 0 && (
        <p className="mt-2 border-l-4 border-moved py-1 pl-3 text-sm">
          The owner of this file forbids {ground.forbidden.join(', ')}. Ask before you give it on with other
          links.
        </p>
      )}
    </fieldset>
  );
}

/** What a certified file lets be done (ISO 32000-1, table 254). */
const CERTIFIED: Readonly<Record<number, string>> = {
  1: 'no change',
  2: 'the filling in of forms only',
  3: 'forms and remarks only',
};

function Losses({ form }: { form: FormPreview }) {
  return (
    <div className="mt-4">
      {form.losses.length === 0 ? (
        <p>
          {message(
            '{count, plural, =0 {There is no link in the book yet, so none can be lost.} one {The one link goes into this form as it is.} other {All # links go into this form as they are.}}',
            { count: form.links },
          )}
        </p>
      ) : (
        <>
          <p className="font-semibold">In this form, this will be different:</p>
          <ul className="mt-1 list-disc space-y-1 pl-5">
            {form.losses.map((loss) => (
              <li key={loss.what}>
                {loss.count} {loss.what}. {loss.why}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** How many signs are told one by one. */
const TOLD = 8;

function Shapeless({ signs }: { signs: ShapelessSign[] }) {
  const packages = [...new Set(signs.map(({ fonts }) => fonts).filter((one) => one !== ''))];
  return (
    <section aria-label="Signs without a shape" className="mt-4 border-l-4 border-moved py-1 pl-3">
      <p className="font-semibold">
        {message(
          'No font of this machine has a shape for {count, plural, one {one sign} other {# signs}}: boxes will stand there.',
          { count: signs.length },
        )}
      </p>
      <ul className="mt-1 list-disc space-y-1 pl-5">
        {signs.slice(0, TOLD).map(({ sign, chapter, words }) => (
          <li key={sign}>
            <bdi className="font-semibold">{sign}</bdi>
            {chapter === '' ? '' : `, first in “${chapter}”`}
            {words === '' ? '' : ': '}
            {words !== '' && <bdi className="text-soft">{words}</bdi>}
          </li>
        ))}
        {signs.length > TOLD && <li>and {signs.length - TOLD} more</li>}
      </ul>
      {packages.length > 0 && (
        <p className="mt-1 text-soft">
          Install {packages.join(' and ')} on the machine that Vennet runs on, and start it again.
        </p>
      )}
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

function GoodFile({ job }: { job: ExportJob }) {
  return (
    <div className="mt-6 border-t border-line pt-5">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <span className="font-semibold">{job.fileName}</span>
          <span className="block text-sm text-soft">
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
      {job.notes.map((note) => (
        <p key={note} className="mt-3 border-l-4 border-moved py-1 pl-3">
          {note}
        </p>
      ))}
      {job.proof && <ProofView proof={job.proof} />}
    </div>
  );
}

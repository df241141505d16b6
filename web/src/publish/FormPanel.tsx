import type { ShapelessSign } from '@vennet/core/publish';
import { isManuscript, type Ground } from '@vennet/core/manuscript';
import { isUnderWay, type ExportChoices, type ExportJob, type FormPreview } from '@vennet/core/wire';
import { Download, FolderArchive, RotateCcw, Trash2 } from 'lucide-react';
import { message, sizeWords } from '@vennet/core/language';
import { exportBundle, exportFile } from '@vennet/client';
import { useState } from 'react';
import { useBook } from '../book/store.js';
import { CompareFiles } from './CompareFiles.js';
import { FlowSettings } from './FlowSettings.js';
import { FORMS } from './forms.js';
import { LeftOut } from './LeftOut.js';
import { PAGE_WORDS, PdfSettings } from './PdfSettings.js';
import { ProofTable } from './ProofTable.js';
import { ProofView } from './ProofView.js';
import { Scripts } from './Scripts.js';
import { ToLink } from './ToLink.js';
import { TryReader } from './try/TryReader.js';
import { when } from '../parts/when.js';

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
            <GoodFile job={good} />
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

/** Files that were made before, with how their links came through. */
function Earlier({
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
                <button
                  type="button"
                  className="button"
                  data-size="small"
                  data-look="quiet"
                  disabled={!again}
                  aria-label={`Make the file of ${when(job.createdAt, 'moment')} again, of the text of then`}
                  title="Make it again, of the text of then"
                  onClick={() => again?.(job)}
                >
                  <RotateCcw size={15} aria-hidden="true" />
                </button>
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
              <button
                type="button"
                className="button"
                data-size="small"
                data-look="quiet"
                aria-label={`Remove the file of ${when(job.createdAt, 'moment')}`}
                title="Remove this file"
                onClick={() => remove(job)}
              >
                <Trash2 size={15} aria-hidden="true" />
              </button>
            </span>
          </li>
        ))}
      </ul>
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
                {loss.links.length > 0 && <ToldLinks links={loss.links} />}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** How many links are told one by one. */
const LISTED = 40;

/** The links that something is told of: each leads to its slip, where it can be repaired. */
function ToldLinks({ links }: { links: FormPreview['losses'][number]['links'] }) {
  return (
    <details className="mt-0.5">
      <summary className="cursor-pointer text-sm text-soft">
        {message('{count, plural, one {See the link} other {See the links}}', { count: links.length })}
      </summary>
      <ul className="mt-1 ml-4 space-y-0.5">
        {links.slice(0, LISTED).map(({ id, chapter, text }) => (
          <li key={id}>
            <ToLink id={id} chapter={chapter} words={text || '(no words)'} />
          </li>
        ))}
        {links.length > LISTED && <li className="text-soft">and {links.length - LISTED} more</li>}
      </ul>
    </details>
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

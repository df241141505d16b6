import type { BringInReport } from '@vennet/core/bring-in';
import type { DivisionLine } from '@vennet/core/edits';
import type { CarryOffer } from '@vennet/core/wire';
import { Dialog } from 'radix-ui';
import { FileInput } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client.js';
import { endOfJob } from '../api/follow.js';
import { sendBook } from '../api/send.js';
import { beginsOf, Division, isDividedAlike } from '../outline/Division.js';
import { tellFault, useNotices } from '../parts/notices.js';
import { focused } from '../parts/focused.js';
import { useOnce } from '../parts/use-once.js';
import { CarryOffers, CarryPlan, useCarryOffers } from './CarryOver.js';
import { Report } from './Report.js';

type Stage =
  | { at: 'choosing'; fault: string | null }
  | { at: 'locked'; file: File; fault: string }
  | { at: 'working'; name: string; share: number | null; doing: string }
  | { at: 'dividing'; id: string; report: BringInReport; lines: DivisionLine[]; asItWas: DivisionLine[] }
  | { at: 'done'; id: string; report: BringInReport }
  | { at: 'carrying'; id: string; report: BringInReport; from: CarryOffer };

type DividingStage = Extract<Stage, { at: 'dividing' }>;

/** Brings in a book from a file: choose or drop it, watch it travel, see how it is divided, read what became of it. */
export function BringIn({ done }: { done(): void }) {
  const [stage, setStage] = useState<Stage>({ at: 'choosing', fault: null });
  const [isOpen, setOpen] = useState(false);
  const work = useRef<AbortController | null>(null);
  const take = async (file: File | undefined, password = '') => {
    if (!file) return;
    const { signal } = (work.current = new AbortController());
    const tell = (share: number | null, doing: string) =>
      setStage({ at: 'working', name: file.name, share, doing });
    tell(0, '');
    try {
      const job = await sendBook(file, password, (share) => tell(share, 'Reading the file'), signal);
      const stop = () => void api.stopJob(job.id).catch(() => {});
      signal.addEventListener('abort', stop, { once: true });
      const { state, made, message, wants } = await endOfJob(job.id, {
        signal,
        changed: ({ stage: doing }) => tell(null, doing || 'Waiting for its turn'),
      });
      if (wants === 'password') return setStage({ at: 'locked', file, fault: message });
      if (!made) return setStage({ at: 'choosing', fault: state === 'stopped' ? null : message });
      useNotices.getState().announce('The book was brought in.');
      done();
      const lines = await api.division(made.id).catch(() => []);
      setStage(
        lines.length > 1 ? { at: 'dividing', ...made, lines, asItWas: lines } : { at: 'done', ...made },
      );
    } catch (error) {
      setStage({ at: 'choosing', fault: signal.aborted ? null : (error as Error).message });
    }
  };
  const divide = async ({ id, report, asItWas }: DividingStage, lines: readonly DivisionLine[]) => {
    try {
      if (!isDividedAlike(lines, asItWas)) await api.divide(id, beginsOf(lines));
      setStage({ at: 'done', id, report });
      done();
    } catch (error) {
      tellFault(error);
    }
  };
  // A file that is dropped anywhere on the Library is brought in.
  const dropped = useRef<(file: File | undefined) => void>(() => {});
  useEffect(() => {
    dropped.current = (file) => {
      setOpen(true);
      void take(file);
    };
  });
  useEffect(() => {
    const hasFile = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const over = (event: DragEvent) => hasFile(event) && event.preventDefault();
    const drop = (event: DragEvent) => {
      if (event.defaultPrevented || !hasFile(event)) return;
      event.preventDefault();
      dropped.current(event.dataTransfer?.files[0]);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, []);
  const show = (open: boolean) => {
    if (!open) work.current?.abort();
    setOpen(open);
    setStage({ at: 'choosing', fault: null });
  };
  return (
    <Dialog.Root open={isOpen} onOpenChange={show}>
      <Dialog.Trigger className="button" data-look="main">
        <FileInput size={17} aria-hidden="true" /> Bring in a book
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="veil" />
        <Dialog.Content
          className="dialog"
          data-size={stage.at === 'dividing' || stage.at === 'carrying' ? 'wide' : undefined}
          aria-describedby={undefined}
        >
          {stage.at === 'choosing' && <Choose fault={stage.fault} take={(file) => void take(file)} />}
          {stage.at === 'locked' && (
            <Locked {...stage} open={(password) => void take(stage.file, password)} />
          )}
          {stage.at === 'working' && <Working {...stage} stop={() => work.current?.abort()} />}
          {stage.at === 'dividing' && (
            <Divide
              stage={stage}
              change={(lines) => setStage({ ...stage, lines })}
              take={(lines) => divide(stage, lines)}
            />
          )}
          {stage.at === 'carrying' && (
            <CarryPlan
              book={stage.id}
              from={stage.from}
              end={() => {
                // What was done is told, and taken back, beside the Library.
                show(false);
                done();
              }}
            />
          )}
          {stage.at === 'done' && (
            <>
              <Dialog.Title className="mb-3 text-xl font-semibold">The book is in your Library</Dialog.Title>
              <Offered id={stage.id} choose={(from) => setStage({ ...stage, at: 'carrying', from })} />
              <Report report={stage.report} />
              <div className="mt-5 flex justify-end gap-2">
                <Dialog.Close className="button" data-look="quiet">
                  To the Library
                </Dialog.Close>
                <Link to={`/books/${stage.id}/write`} className="button" data-look="main">
                  Open the book
                </Link>
              </div>
            </>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What this book may be a newer version of. */
function Offered({ id, choose }: { id: string; choose(offer: CarryOffer): void }) {
  const { data: offers = [] } = useCarryOffers(id);
  return <CarryOffers offers={offers} choose={choose} />;
}

function Choose({ fault, take }: { fault: string | null; take(file: File | undefined): void }) {
  const [over, setOver] = useState(false);
  return (
    <>
      <Dialog.Title className="mb-2 text-xl font-semibold">Bring in a book</Dialog.Title>
      <p className="mb-4 text-soft">
        A manuscript (DOCX, ODT or Markdown), an e-book (EPUB), a web page (HTML), or a finished PDF, whose
        pages stay as they are and get links; up to 200 MB. Its text, pictures, links and places are kept.
        Nothing in it is run, and nothing is fetched.
      </p>
      {fault && (
        <p role="alert" className="mb-4 border-l-4 py-1 pl-3" style={{ borderColor: 'var(--broken)' }}>
          {fault}
        </p>
      )}
      <label
        className="flex cursor-pointer flex-col items-center gap-3 rounded-md border-2 border-dashed border-strong-line p-8 text-center has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-amber"
        style={over ? { background: 'var(--wash)' } : undefined}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          take(event.dataTransfer.files[0]);
        }}
      >
        <FileInput size={28} aria-hidden="true" className="text-soft" />
        <span>
          Drop the file here, or <span className="font-semibold underline">choose it</span>
        </span>
        <input
          type="file"
          className="sr-only"
          accept=".docx,.docm,.odt,.md,.markdown,.zip,.epub,.html,.htm,.xhtml,.pdf"
          onChange={(event) => take(event.target.files?.[0])}
        />
      </label>
      <div className="mt-4 flex justify-end">
        <Dialog.Close className="button" data-look="quiet">
          Not now
        </Dialog.Close>
      </div>
    </>
  );
}

/** Asks for the password that opens a file. */
function Locked({ file, fault, open }: { file: File; fault: string; open(password: string): void }) {
  const [password, setPassword] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (password !== '') open(password);
      }}
    >
      <Dialog.Title className="mb-2 text-xl font-semibold">{file.name} is locked</Dialog.Title>
      <p role="alert" className="mb-4">
        {fault} Vennet keeps it with the book, on this machine, to open the file again.
      </p>
      <label className="block">
        <span className="label">Password</span>
        <input
          type="password"
          className="field"
          autoComplete="off"
          ref={focused}
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
      </label>
      <div className="mt-4 flex justify-end gap-2">
        <Dialog.Close className="button" data-look="quiet">
          Not now
        </Dialog.Close>
        <button type="submit" className="button" data-look="main" disabled={password === ''}>
          Open it
        </button>
      </div>
    </form>
  );
}

function Divide({
  stage: { lines, asItWas },
  change,
  take,
}: {
  stage: DividingStage;
  change(lines: DivisionLine[]): void;
  take(lines: readonly DivisionLine[]): Promise<void>;
}) {
  const taking = useOnce(() => take(lines));
  return (
    <>
      <Dialog.Title className="text-xl font-semibold">How it is divided into chapters</Dialog.Title>
      <p className="mt-1 mb-4 text-soft">
        This is how the file itself divides its text. Divide it otherwise here, or later in the outline.
      </p>
      <Division lines={lines} asItWas={asItWas} change={change} />
      <div className="mt-5 flex justify-end">
        <button
          type="button"
          className="button"
          data-look="main"
          disabled={taking.isUnderWay}
          onClick={() => taking.run()}
        >
          Take these chapters
        </button>
      </div>
    </>
  );
}

function Working({
  name,
  share,
  doing,
  stop,
}: {
  name: string;
  share: number | null;
  doing: string;
  stop(): void;
}) {
  return (
    <>
      <Dialog.Title className="mb-3 text-xl font-semibold">Bringing in {name}</Dialog.Title>
      <p role="status" className="mb-2">
        {share === null ? doing : `Sending the file, ${Math.round(share * 100)} %`}
      </p>
      <progress className="h-2 w-full accent-amber" value={share ?? undefined} aria-label="Progress" />
      <div className="mt-4 flex justify-end">
        <button type="button" className="button" onClick={stop}>
          Stop
        </button>
      </div>
    </>
  );
}

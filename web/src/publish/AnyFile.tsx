import type { AddressVerdict, AnyProof, ProvedLink } from '@vennet/core/wire';
import { message } from '@vennet/core/language';
import { FileSearch } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { useBook } from '../book/store.js';
import { openBook } from '../book/open-book.js';
import { takeHanded } from '../parts/handed-file.js';
import { LinkTable } from './LinkTable.js';
import { ProofView } from './ProofView.js';
import type { SavedTable } from './save-table.js';
import { SaveTable } from './SaveTable.js';
import { VERDICT_WORDS, VerdictMark } from '../parts/VerdictMark.js';
import { useAsked } from './use-asked.js';
import { ToLink } from './ToLink.js';

/** How many rows are shown at first. */
const SHOWN = 200;

/** A PDF, an e-book or a web page from anywhere: its links, what is wrong with them, and its proof where it was made of this book. */
export function AnyFile() {
  const book = useBook((store) => store.book?.id ?? '');
  const input = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<{ proof: AnyProof } | { fault: string } | 'reading' | null>(null);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setState('reading');
    try {
      // It is proved against the text as it is now.
      await openBook().texts.saveAll();
      setState({ proof: await api.proveFile(book, file, file.name) });
    } catch (error) {
      setState({ fault: (error as Error).message });
    }
  };
  const taken = useRef(take);
  useEffect(() => void (taken.current = take));
  // One that was dropped on the book in the Library.
  useEffect(() => {
    const file = takeHanded();
    if (file) void taken.current(file);
  }, []);
  return (
    <section
      aria-labelledby="any-file"
      className="min-w-0 px-7 py-6"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void take(event.dataTransfer.files[0]);
      }}
    >
      <h2 id="any-file" className="flex items-center gap-2.5 font-text text-2xl">
        <FileSearch size={24} aria-hidden="true" className="text-soft" /> Any file
      </h2>
      <p className="mt-1 max-w-2xl text-soft">
        A PDF, an e-book or a web page, made here or elsewhere: its links are listed and judged by the rules
        of this book. One that was made of this book is proved against it. Nothing of it is kept.
      </p>
      <input
        ref={input}
        type="file"
        className="sr-only"
        tabIndex={-1}
        aria-label="The file to be proved"
        accept=".pdf,.epub,.html,.htm,.xhtml"
        onChange={({ target }) => {
          void take(target.files?.[0]);
          target.value = '';
        }}
      />
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <button
          type="button"
          className="button"
          data-look="main"
          disabled={state === 'reading'}
          onClick={() => input.current?.click()}
        >
          Choose a file
        </button>
        <span className="text-soft">or drop it here</span>
      </div>
      <div role="status" className="mt-4">
        {state === 'reading' && 'Reading the file …'}
      </div>
      {state !== null && state !== 'reading' && 'fault' in state && (
        <p role="alert" className="border-l-4 py-1 pl-3" style={{ borderColor: 'var(--broken)' }}>
          {state.fault}
        </p>
      )}
      {state !== null && state !== 'reading' && 'proof' in state && (
        <Proved key={state.proof.name} proof={state.proof} />
      )}
    </section>
  );
}

const STATE_WORDS: Record<ProvedLink['state'], string> = {
  lost: 'Lost',
  changed: 'Changed',
  found: 'There',
  looks: 'Only looks like a link',
};

const tableOf = ({ name, links }: AnyProof, verdicts: ReadonlyMap<string, AddressVerdict>): SavedTable => ({
  title: `Links of ${name}`,
  heads: ['State', 'Words', 'Leads to', 'Where', 'What is otherwise', 'Findings', 'Asked'],
  rows: links.map(({ state, text, href, where, about, findings }) => [
    STATE_WORDS[state],
    text,
    href,
    where,
    about,
    findings.map(({ message: said }) => said).join(' '),
    saidOf(verdicts.get(href)),
  ]),
});

const saidOf = (verdict: AddressVerdict | undefined): string =>
  verdict ? `${VERDICT_WORDS[verdict.verdict]}: ${verdict.reason}` : '';

const KINDS: Record<AnyProof['kind'], string> = { pdf: 'PDF', epub: 'E-book', web: 'Web page' };

function Proved({ proof }: { proof: AnyProof }) {
  const { links, name, kind, title } = proof;
  const looks = links.filter(({ state }) => state === 'looks').length;
  const there = links.filter(({ state }) => state === 'found').length;
  const base = name.replace(/\.\w+$/, '');
  const addresses = useMemo(
    () => [...new Set(links.map(({ href }) => href))].filter((href) => /^(?:https?|mailto):/i.test(href)),
    [links],
  );
  const asked = useAsked(addresses);
  const { verdicts, progress } = asked;
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <p>
          <span className="font-semibold">{name}</span>
          <span className="block text-sm text-soft">
            {[KINDS[kind], title].filter(Boolean).join(', ')}.{' '}
            {message(
              '{count, plural, =0 {It has no links.} one {It has one link.} other {It has # links.}}',
              {
                count: there,
              },
            )}{' '}
            {looks > 0 &&
              message(
                '{count, plural, one {One address only looks like a link} other {# addresses only look like links}}: some reading programs guess there, others do nothing.',
                { count: looks },
              )}
          </span>
        </p>
        <div className="flex flex-wrap items-center gap-2">
          {progress ? (
            <>
              <span role="status" className="text-sm text-soft">
                {progress.done} of {progress.all} asked
              </span>
              <button type="button" className="button" data-size="small" onClick={asked.stop}>
                Stop
              </button>
            </>
          ) : (
            addresses.length > 0 && (
              <button type="button" className="button" data-size="small" onClick={asked.ask}>
                {message('{count, plural, one {Ask for its address} other {Ask for its # addresses}}', {
                  count: addresses.length,
                })}
              </button>
            )
          )}
          <SaveTable name={`${base}-links`} table={() => tableOf(proof, verdicts)} />
        </div>
      </div>
      {proof.proof ? (
        <div className="max-w-md">
          <ProofView proof={proof.proof} />
        </div>
      ) : (
        <p className="mt-3 text-soft">It was not made of this book, so it is not proved against it.</p>
      )}
      {links.length > 0 && (
        <div className="mt-5 overflow-x-auto">
          <LinkTable
            caption={`The links of ${name}`}
            heads={['State', 'Words', 'Leads to', 'Where']}
            items={links}
            most={SHOWN}
            row={(link, index) => <Row key={index} link={link} verdict={verdicts.get(link.href)} />}
          />
        </div>
      )}
    </>
  );
}

const COLOURS: Partial<Record<ProvedLink['state'], string>> = {
  lost: 'var(--broken)',
  changed: 'var(--moved)',
  looks: 'var(--moved)',
};

function Row({
  link: { state, id, chapter, text, href, where, about, findings },
  verdict,
}: {
  link: ProvedLink;
  verdict: AddressVerdict | undefined;
}) {
  return (
    <tr className="border-b border-line align-top">
      <td className="py-1.5 pr-4 whitespace-nowrap" style={{ color: COLOURS[state] }}>
        {STATE_WORDS[state]}
      </td>
      <td className="max-w-72 py-1.5 pr-4 break-words">
        {id ? <ToLink id={id} chapter={chapter} words={text || '(no words)'} /> : text || '(no words)'}
        {about && <span className="block text-soft">{about}</span>}
        {findings.map(({ rule, message: said }) => (
          <span key={rule} className="block text-moved">
            {said}
          </span>
        ))}
      </td>
      <td className="max-w-80 py-1.5 pr-4 break-all text-soft">
        {href}
        {verdict && (
          <span className="mt-0.5 block break-words">
            <VerdictMark verdict={verdict.verdict} withWord /> {verdict.reason}
          </span>
        )}
      </td>
      <td className="py-1.5 whitespace-nowrap text-soft">{where}</td>
    </tr>
  );
}

import { auditLink, heardAs, type Finding } from '@vennet/core/audit';
import {
  hrefOf,
  recognise,
  wordsFromAddress,
  type Destination,
  type Recognition,
} from '@vennet/core/destination';
import type { Link } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import { Copy, ExternalLink, Unlink } from 'lucide-react';
import type { EditorView } from 'prosemirror-view';
import {
  useId,
  useLayoutEffect,
  useRef,
  useState,
  type FocusEvent,
  type FormEvent,
  type KeyboardEvent,
} from 'react';
import { changeLink, makeLink, removeLink, repairLink } from '../editor/change-links.js';
import { dropDraft, type Draft } from '../editor/slip-plugin.js';
import { useEditor } from '../editor/store.js';
import { destinationWords } from '../marks/destination-words.js';
import { KIND_WORDS, KindMark } from '../marks/KindMark.js';
import { VerdictMark } from '../marks/VerdictMark.js';
import { useBook, verdictFor } from '../store/book.js';
import { copyAddress } from './copy-address.js';
import { FindingLine } from './FindingLine.js';
import { LeadsTo } from './LeadsTo.js';

export interface OpenSlipProps {
  view: EditorView;
  /** The link at the caret, or `null` for a new one. */
  link: Link | null;
  draft: Draft | null;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
  /** The words that a new link is for. */
  words: string;
}

/** What the author has typed into the slip so far. */
interface Entry {
  typed: string;
  text: string;
  hoverNote: string;
  /** Leave the tracking parameters of the typed address out. */
  untracked: boolean;
}

const entryOf = (link: Link | null, words: string): Entry => ({
  typed: link?.kind === 'web' || link?.kind === 'mail' ? link.href : '',
  text: link?.text ?? words,
  hoverNote: link?.hoverNote ?? '',
  untracked: true,
});

/** The slip of one link, open in the margin beside its line. One button and one key accept it. */
export function OpenSlip({ view, link, draft, asked, words }: OpenSlipProps) {
  const [entry, setEntry] = useState<Entry>(() => entryOf(link, words));
  const form = useRef<HTMLFormElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const seen = useRef(asked);
  const id = useId();
  const places = useBook((store) => store.places);
  const verdicts = useBook((store) => store.verdicts);
  const language = useBook((store) => store.book?.language ?? 'en');

  useLayoutEffect(() => {
    if (draft || asked > seen.current)
      // The slip finds its line after this; the text must stay where it is.
      (field.current ?? form.current?.querySelector('input'))?.focus({ preventScroll: true });
    if (asked > seen.current && link) field.current?.select();
    seen.current = asked;
  }, [asked, draft, link]);

  const isTyped = !link || link.kind === 'web' || link.kind === 'mail';
  const recognition = isTyped ? recognise(entry.typed) : null;
  const destination = destinationOf(link, recognition, entry);
  const text = entry.text.trim() === '' ? '' : entry.text;
  const shown = text || (destination?.kind === 'web' && draft ? wordsFromAddress(destination.href) : '');
  const preview: Link | null = destination && {
    ...(link ?? NEW_LINK),
    destination,
    kind: destination.kind,
    href: hrefOf(destination),
    text: shown,
  };
  const findings = preview ? auditLink(preview, { language }) : [];
  const changed =
    link !== null &&
    destination !== null &&
    (hrefOf(destination) !== link.href || entry.text !== link.text || entry.hoverNote !== link.hoverNote);

  const accept = (): boolean => {
    if (!destination) {
      field.current?.focus();
      return false;
    }
    const made = { destination, text: shown, hoverNote: entry.hoverNote.trim() };
    if (draft && shown !== '') makeLink(view, draft, made);
    else if (link) changeLink(view, link, { ...made, text: shown || link.text });
    return true;
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (accept()) view.focus();
  };
  const leave = () => {
    if (draft) view.dispatch(dropDraft(view.state.tr));
    else setEntry(entryOf(link, words));
    view.focus();
  };
  const pressed = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.preventDefault();
    leave();
  };
  // What was typed is not lost by going on elsewhere.
  const left = (event: FocusEvent) => {
    if (!form.current?.contains(event.relatedTarget) && changed && destination) accept();
  };
  const repair = ({ type, ...more }: Repair) => {
    if (draft && type === 'text' && 'text' in more) return setEntry({ ...entry, text: more.text });
    if (draft && type === 'destination' && 'destination' in more)
      return setEntry({ ...entry, typed: hrefOf(more.destination) });
    if (draft && type === 'trim') return setEntry({ ...entry, text: entry.text.trim() });
    if (link) repairLink(view, link, { type, ...more } as Repair);
    view.focus();
  };

  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Esc and leaving are the form's, from any of its fields
    <form
      ref={form}
      onSubmit={submit}
      onKeyDown={pressed}
      onBlur={left}
      aria-label={draft ? 'Slip of a new link' : 'Slip of the link'}
      className="border border-strong-line border-l-4 border-l-amber bg-raised px-3.5 py-3 shadow-md"
    >
      {isTyped ? (
        <LeadsTo
          field={field}
          typed={entry.typed}
          recognition={recognition}
          untracked={entry.untracked}
          change={(typed) => setEntry({ ...entry, typed })}
          setUntracked={(untracked) => setEntry({ ...entry, untracked })}
        />
      ) : (
        link && <InnerDestination link={link} />
      )}
      <div className="mt-2.5">
        <label className="label" htmlFor={`${id}-text`}>
          {link?.carrier === 'picture' ? 'Alternative text' : 'Link text'}
        </label>
        <input
          id={`${id}-text`}
          className="field"
          value={entry.text}
          placeholder={shown}
          onChange={(event) => setEntry({ ...entry, text: event.target.value })}
        />
      </div>
      <div className="mt-2.5">
        <label className="label" htmlFor={`${id}-note`}>
          Hover note
        </label>
        <input
          id={`${id}-note`}
          className="field"
          value={entry.hoverNote}
          onChange={(event) => setEntry({ ...entry, hoverNote: event.target.value })}
        />
      </div>
      {preview && (
        <p className="mt-2.5 text-sm" data-testid="heard-as">
          <span className="font-semibold text-soft">Heard as </span>“{heardAs(preview)}”
        </p>
      )}
      {link && !changed && <VerdictLine link={link} places={places} verdicts={verdicts} />}
      <Findings findings={findings} repair={repair} />
      <div className="mt-3 flex flex-wrap items-center gap-1.5">
        {(draft || changed) && (
          <button
            type="submit"
            className="button"
            data-look="main"
            data-size="small"
            disabled={!destination || (draft !== null && shown === '')}
          >
            {draft ? 'Make the link' : 'Change it'}{' '}
            <kbd className="font-ui font-normal opacity-80">Enter</kbd>
          </button>
        )}
        {draft && (
          <button type="button" className="button" data-look="quiet" data-size="small" onClick={leave}>
            Not now
          </button>
        )}
        {link && <LinkButtons link={link} view={view} />}
      </div>
    </form>
  );
}

const NEW_LINK: Omit<Link, 'destination' | 'kind' | 'href' | 'text'> = {
  ...{ id: '', carrier: 'text', hoverNote: '', chapter: '', from: 0, to: 0, before: '', after: '' },
};

function destinationOf(link: Link | null, recognition: Recognition | null, entry: Entry): Destination | null {
  if (!recognition) return link?.destination ?? null;
  // Fields of an email beside its address are kept while the address stays as it is.
  if (link && entry.typed === link.href) return link.destination;
  if (!recognition.ok) return null;
  return entry.untracked ? recognition.untracked : recognition.destination;
}

/** A destination inside the book: shown by its words. */
function InnerDestination({ link }: { link: Link }) {
  const { places, book } = useBook();
  const place = link.destination.kind === 'place' ? places.get(link.destination.place) : undefined;
  const chapter = book?.chapters.find(({ id }) => id === place?.chapter);
  return (
    <div>
      <p className="label">Leads to</p>
      <p className="flex items-center gap-2">
        <KindMark kind={link.kind} />
        {destinationWords(link.destination, places)}
      </p>
      <p className="text-sm text-soft">
        {KIND_WORDS[link.kind]}
        {chapter && `, in “${chapter.title}”`}
      </p>
    </div>
  );
}

function VerdictLine({ link, ...known }: { link: Link } & Parameters<typeof verdictFor>[1]) {
  const { verdict, reason, movedTo } = verdictFor(link, known);
  const { view } = useEditor();
  if (link.kind === 'mail') return null;
  return (
    <div className="mt-2.5 text-sm">
      <p className="flex gap-1.5">
        <VerdictMark verdict={verdict} withWord /> <span>{reason}</span>
      </p>
      {movedTo && view && (
        <button
          type="button"
          className="button mt-1 !h-auto !justify-start text-left break-all"
          data-size="small"
          onClick={() =>
            repairLink(view, link, { type: 'destination', destination: { kind: 'web', href: movedTo } })
          }
        >
          Lead to {movedTo}
        </button>
      )}
    </div>
  );
}

function Findings({ findings, repair }: { findings: Finding[]; repair(repair: Repair): void }) {
  if (findings.length === 0) return null;
  return (
    <ul className="mt-2.5 space-y-2 border-t border-line pt-2.5" aria-label="Findings">
      {findings.map((finding) => (
        <li key={finding.rule}>
          <FindingLine finding={finding} repair={repair} />
        </li>
      ))}
    </ul>
  );
}

function LinkButtons({ link, view }: { link: Link; view: EditorView }) {
  const remove = () => {
    removeLink(useEditor.getState().chapter)(view.state, view.dispatch);
    view.focus();
  };
  return (
    <>
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        onClick={() => useEditor.setState({ following: link })}
      >
        <ExternalLink size={15} aria-hidden="true" /> Follow
      </button>
      {link.kind !== 'place' && (
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          onClick={() => void copyAddress(link)}
        >
          <Copy size={15} aria-hidden="true" /> Copy
        </button>
      )}
      <button
        type="button"
        className="button"
        data-look="quiet"
        data-size="small"
        onClick={remove}
        title="Remove the link, keep its words"
      >
        <Unlink size={15} aria-hidden="true" /> Remove
      </button>
    </>
  );
}

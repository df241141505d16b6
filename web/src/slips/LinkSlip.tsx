import { auditLink, isOnlyAddress } from '@vennet/core/audit';
import { heardAs } from '@vennet/core/reader';
import { hrefOf, wordsFromAddress, type Destination } from '@vennet/core/destination';
import type { Link, LinkLook } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
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
import { changeLink, makeLink, repairLink } from '../editor/changes/change-links.js';
import { dropDraft, type Draft } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { putReference, readingOf, type Reading } from '../editor/changes/change-references.js';
import { ReadsField } from '../leads-to/ReadsField.js';
import { orderAt, wordsAt } from '../book/said.js';
import { useBook } from '../book/store.js';
import { useAuditContext } from '../book/audit-context.js';
import { isAskedFor } from './asked-for.js';
import { entryOf, readEntry, type DestinationEntry } from '../leads-to/destination-entry.js';
import { Findings } from '../findings/FindingLine.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { LinkButtons, VerdictLine } from './LinkLines.js';
import { OwnLook } from '../choices/OwnLook.js';
import { startCompanion } from '../leads-to/start-companion.js';
import { TitleOffer } from '../leads-to/TitleOffer.js';
import { openBook } from '../book/open-book.js';

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

/** What the author has said of the link so far. */
interface Entry {
  to: DestinationEntry;
  text: string;
  hoverNote: string;
  look: LinkLook | null;
  reading: Reading;
}

function entryFor(view: EditorView, link: Link | null, words: string): Entry {
  // An address that is to be linked leads there, if the author says nothing else.
  const to = entryOf(link?.destination ?? null, useBook.getState());
  return {
    to: !link && isOnlyAddress(words) ? { ...to, typed: words } : to,
    text: link?.text ?? words,
    hoverNote: link?.hoverNote ?? '',
    look: link?.look ?? null,
    reading: readingOf(view, link),
  };
}

/** The slip of one link, open in the margin beside its line. One button and one key accept it. */
export function OpenSlip({ view, link, draft, asked, words }: OpenSlipProps) {
  const [entry, setEntry] = useState<Entry>(() => entryFor(view, link, words));
  const form = useRef<HTMLFormElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const context = useAuditContext();
  const set = (more: Partial<Entry>) => setEntry((before) => ({ ...before, ...more }));
  const setTo = (to: DestinationEntry) => set({ to });

  useLayoutEffect(() => {
    // The slip finds its line after this; the text must stay where it is.
    const isAsked = isAskedFor(asked);
    if (draft || isAsked) field.current?.focus({ preventScroll: true });
    if (isAsked && link) field.current?.select();
  }, [asked, draft, link]);

  const { destination } = readEntry(entry.to);
  const place = useBook((store) =>
    destination?.kind === 'place' ? store.places.get(destination.place) : undefined,
  );
  const order = orderAt(useEditor.getState().chapter, draft?.from ?? link?.from ?? 0);
  const reading = place ? entry.reading : NO_READING;
  const text = entry.text.trim() === '' ? '' : entry.text;
  const said = reading.form && place ? wordsAt({ ...reading, form: reading.form }, place.id, order) : null;
  const shown = said ?? (text || (destination && draft ? wordsFor(destination) : ''));
  const preview: Link | null = destination && {
    ...(link ?? NEW_LINK),
    destination,
    kind: destination.kind,
    href: hrefOf(destination),
    text: shown,
    hoverNote: entry.hoverNote,
    look: entry.look,
    carrier: said !== null ? 'reference' : link?.carrier === 'picture' ? 'picture' : 'text',
  };
  const findings = preview ? auditLink(preview, context) : [];
  const changed =
    link !== null &&
    destination !== null &&
    JSON.stringify([destination, reading, entry.text, entry.hoverNote, entry.look]) !==
      JSON.stringify([link.destination, readingOf(view, link), link.text, link.hoverNote, link.look]);

  const acceptAs = (to: Destination) => {
    const at = draft ?? link;
    if (at && to.kind === 'place' && entry.reading.form)
      return putReference(view, at, to, entry.reading, entry.hoverNote.trim());
    const made = {
      destination: to,
      text: shown || wordsFor(to),
      hoverNote: entry.hoverNote.trim(),
      look: entry.look,
    };
    if (draft) makeLink(view, draft, made);
    // A reference that is to have the author's own words becomes a link on them.
    else if (link?.carrier === 'reference') makeLink(view, { ...link, what: 'link' }, made);
    else if (link) changeLink(view, link, { ...made, text: shown || link.text });
  };
  const accept = (): boolean => {
    if (destination) acceptAs(destination);
    else field.current?.focus();
    return destination !== null;
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (accept()) view.focus();
  };
  const leave = () => {
    if (draft) view.dispatch(dropDraft(view.state.tr));
    else setEntry(entryFor(view, link, words));
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
  const repair = (change: Repair) => {
    const book = useBook.getState().book?.id;
    if (change.type === 'make-note') {
      if (link && book) void openBook().bulk.repair({ target: { links: [link.id] }, repair: change });
      return;
    }
    if (!draft && link) {
      repairLink(view, link, change);
      return view.focus();
    }
    if (change.type === 'text') set({ text: change.text });
    if (change.type === 'destination') setTo(entryOf(change.destination, useBook.getState()));
    if (change.type === 'hover-note') set({ hoverNote: change.hoverNote });
    if (change.type === 'look') set({ look: change.look });
    if (change.type === 'trim') set({ text: entry.text.trim() });
  };

  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Esc, leaving and dropping are the form's, from any of its fields
    <form
      ref={form}
      onSubmit={submit}
      onKeyDown={pressed}
      onBlur={left}
      {...takesFiles(setTo)}
      aria-label={draft ? 'Slip of a new link' : 'Slip of the link'}
      className="slip"
    >
      <LeadsTo
        field={field}
        entry={entry.to}
        change={setTo}
        companion={(title, goThere) =>
          void startCompanion(title, goThere, (to) => {
            acceptAs(to);
            view.focus();
          })
        }
        accept={(to) => {
          acceptAs(to);
          view.focus();
        }}
      />
      {place && link?.carrier !== 'picture' && (
        <ReadsField
          place={place}
          order={order}
          reading={entry.reading}
          change={(now) => set({ reading: now })}
        />
      )}
      {reading.form === null && (
        <div className="mt-2.5">
          <label className="label" htmlFor={`${id}-text`}>
            {link?.carrier === 'picture' ? 'Alternative text' : 'Link text'}
          </label>
          <input
            id={`${id}-text`}
            className="field"
            value={entry.text}
            placeholder={shown}
            onChange={(event) => set({ text: event.target.value })}
          />
          <TitleOffer
            destination={destination}
            text={entry.text}
            take={(title) => repair({ type: 'text', text: title })}
          />
        </div>
      )}
      <div className="mt-2.5">
        <label className="label" htmlFor={`${id}-note`}>
          Hover note
        </label>
        <input
          id={`${id}-note`}
          className="field"
          value={entry.hoverNote}
          onChange={(event) => set({ hoverNote: event.target.value })}
        />
      </div>
      {reading.form === null && <OwnLook look={entry.look} change={(look) => set({ look })} />}
      {preview && (
        <p className="mt-2.5 text-sm" data-testid="heard-as">
          <span className="font-semibold text-soft">Heard as </span>“{heardAs(preview, context)}”
        </p>
      )}
      {link && !changed && <VerdictLine link={link} view={view} />}
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

/** A slip is for a link as it is: when undo or a repair changes the link, its slip begins anew. */
export function keyOfLink(link: Link | null): string {
  return JSON.stringify([link?.id, link?.destination, link?.text, link?.hoverNote, link?.look]);
}

const NO_READING: Reading = { form: null, own: '' };

const NEW_LINK: Omit<Link, 'destination' | 'kind' | 'href' | 'text'> = {
  id: '',
  carrier: 'text',
  hoverNote: '',
  look: null,
  chapter: '',
  from: 0,
  to: 0,
  before: '',
  after: '',
};

/** Words for a link that has none: what its destination is called. */
function wordsFor(destination: Destination): string {
  const { places, surroundings } = useBook.getState();
  switch (destination.kind) {
    case 'web':
      return wordsFromAddress(destination.href);
    case 'mail':
      return destination.to.join(', ');
    case 'file':
      return surroundings.files.get(destination.enclosure)?.name ?? '';
    case 'place':
      return places.get(destination.place)?.words ?? '';
    case 'book':
      return surroundings.books.get(destination.book)?.title ?? '';
  }
}

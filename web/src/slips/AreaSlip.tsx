import { auditLink } from '@vennet/core/audit';
import { heardAs } from '@vennet/core/reader';
import { hrefOf } from '@vennet/core/destination';
import { withinPicture, type AreaFrame, type Box, type Link, type LinkArea } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import { ArrowLeft, ExternalLink, Trash2 } from 'lucide-react';
import type { EditorView } from 'prosemirror-view';
import { useLayoutEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { linkAtSelection } from '../editor/state/links.js';
import { mint } from '../editor/state/mint.js';
import { useEditor } from '../editor/state/store.js';
import { useBook } from '../book/store.js';
import { useAuditContext } from '../book/audit-context.js';
import { entryOf, readEntry } from '../leads-to/destination-entry.js';
import { isAskedFor } from './asked-for.js';
import { Findings } from '../findings/FindingLine.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { VerdictLine } from './LinkLines.js';
import { startCompanion } from '../leads-to/start-companion.js';
import { BoxFields, FrameFields } from './AreaFields.js';
import { addArea, changeArea, removeArea } from '../editor/changes/change-figures.js';
import { draftArea, openArea } from '../editor/state/open-area.js';

interface AreaSlipProps {
  view: EditorView;
  /** The area that is open, or `null` for a new one. */
  area: LinkArea | null;
  box: Box;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

/** The slip of one link area of a picture: where it leads, its name, its box and its look. */
export function AreaSlip({ view, area, box, asked }: AreaSlipProps) {
  const [to, setTo] = useState(() => entryOf(area?.destination ?? null, useBook.getState()));
  const [name, setName] = useState(area?.name ?? '');
  const [hoverNote, setHoverNote] = useState(area?.hoverNote ?? '');
  const [frame, setFrame] = useState<AreaFrame | null>(area?.frame ?? null);
  const field = useRef<HTMLInputElement>(null);
  const context = useAuditContext();

  useLayoutEffect(() => {
    if (isAskedFor(asked) || !area) field.current?.focus({ preventScroll: true });
  }, [area, asked]);

  const { destination } = readEntry(to);
  const entry = { name: name.trim(), hoverNote: hoverNote.trim(), frame };
  const link: Link | null = destination && {
    id: area?.id ?? '',
    kind: destination.kind,
    destination,
    href: hrefOf(destination),
    text: name,
    carrier: 'area',
    hoverNote,
    look: null,
    chapter: '',
    from: 0,
    to: 0,
    before: '',
    after: '',
  };
  const findings = link ? auditLink(link, context) : [];
  const changed =
    area !== null &&
    destination !== null &&
    JSON.stringify([destination, entry]) !==
      JSON.stringify([area.destination, { name: area.name, hoverNote: area.hoverNote, frame: area.frame }]);

  const acceptAs = (leads: NonNullable<typeof destination>) => {
    if (area) changeArea(view, area.id, { ...entry, destination: leads });
    else {
      const id = mint();
      addArea(view, { id, ...entry, ...box, destination: leads });
      openArea(id);
    }
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!destination) return field.current?.focus();
    acceptAs(destination);
    view.focus();
  };
  const close = () => {
    openArea(null);
    view.focus();
  };
  const pressed = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.preventDefault();
    close();
  };
  const repair = (change: Repair) => {
    if (change.type === 'text') setName(change.text);
    if (change.type === 'hover-note') setHoverNote(change.hoverNote);
    if (change.type === 'destination') setTo(entryOf(change.destination, useBook.getState()));
    if (change.type === 'unlink') remove();
  };
  const remove = () => {
    if (area) removeArea(view, area.id);
    close();
  };
  const setBox = (more: Partial<Box>) => {
    const now = withinPicture({ ...box, ...more });
    if (area) changeArea(view, area.id, now);
    else draftArea(now);
  };
  const made = area && linkAtSelection(view.state, useEditor.getState().chapter);
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Esc, leaving and dropping are the form's, from any of its fields
    <form
      aria-label={area ? 'Slip of the link area' : 'Slip of a new link area'}
      className="slip"
      onSubmit={submit}
      onKeyDown={pressed}
      {...takesFiles(setTo)}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget) && changed && destination)
          acceptAs(destination);
      }}
    >
      <button
        type="button"
        className="button mb-1.5 -ml-1.5"
        data-look="quiet"
        data-size="small"
        onClick={close}
      >
        <ArrowLeft size={15} aria-hidden="true" /> The whole picture
      </button>
      <LeadsTo
        field={field}
        entry={to}
        change={setTo}
        companion={(title, goThere) => void startCompanion(title, goThere, acceptAs)}
      />
      <label className="mt-2.5 block">
        <span className="label">Name, for those who can’t see it</span>
        <input className="field" value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <label className="mt-2.5 block">
        <span className="label">Hover note</span>
        <input className="field" value={hoverNote} onChange={(event) => setHoverNote(event.target.value)} />
      </label>
      <BoxFields box={box} change={setBox} />
      <FrameFields frame={frame} change={setFrame} />
      {link && (
        <p className="mt-2.5 text-sm" data-testid="heard-as">
          <span className="font-semibold text-soft">Heard as </span>“{heardAs(link, context)}”
        </p>
      )}
      {made && !changed && <VerdictLine link={made} view={view} />}
      <Findings findings={findings} repair={repair} />
      <div className="mt-3 flex flex-wrap gap-1.5">
        {(!area || changed) && (
          <button type="submit" className="button" data-look="main" data-size="small" disabled={!destination}>
            {area ? 'Change it' : 'Make the link area'}{' '}
            <kbd className="font-ui font-normal opacity-80">Enter</kbd>
          </button>
        )}
        {made && (
          <button
            type="button"
            className="button"
            data-look="quiet"
            data-size="small"
            onClick={() => useEditor.setState({ following: made })}
          >
            <ExternalLink size={15} aria-hidden="true" /> Follow
          </button>
        )}
        <button type="button" className="button" data-look="quiet" data-size="small" onClick={remove}>
          {area ? (
            <>
              <Trash2 size={15} aria-hidden="true" /> Remove
            </>
          ) : (
            'Not now'
          )}
        </button>
      </div>
    </form>
  );
}

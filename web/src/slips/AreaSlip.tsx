import { hrefOf } from '@vennet/core/destination';
import {
  attrsOf,
  saidOfArea,
  SMALLEST_ON_PAGE,
  withinPicture,
  type AreaFrame,
  type Box,
  type Link,
  type LinkArea,
} from '@vennet/core/manuscript';
import { heardAs } from '@vennet/core/reader';
import type { Repair } from '@vennet/core/repair';
import { ArrowLeft, ExternalLink, Trash2 } from 'lucide-react';
import { closeHistory } from 'prosemirror-history';
import type { EditorView } from 'prosemirror-view';
import { useEffect } from 'react';
import { useAuditContext } from '../book/audit-context.js';
import { useLinkFindings } from '../book/link-findings.js';
import { useBook } from '../book/store.js';
import { addArea, changeArea, MIDDLE, removeArea, underline } from '../editor/changes/change-figures.js';
import { keepDraft } from '../editor/state/kept-drafts.js';
import { figureAt, linkAtSelection } from '../editor/state/links.js';
import { mint } from '../editor/state/mint.js';
import { moveDraftArea, openArea, useOpenArea, type DraftBox } from '../editor/state/open-area.js';
import { useEditor } from '../editor/state/store.js';
import { Findings } from '../findings/FindingLine.js';
import { VerdictLine } from '../findings/VerdictLine.js';
import { entryOf, readEntry, spotIn, type DestinationEntry } from '../leads-to/destination-entry.js';
import { canLead } from '../leads-to/can-lead.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { BoxFields, FrameFields, MeasureFields } from './AreaFields.js';
import { CopyToPages } from './CopyToPages.js';
import { useFirstField, whatDiffers } from './slip-parts.js';
import { AcceptButton, SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';
import { withSpot } from '../editor/changes/name-spot.js';

interface AreaSlipProps {
  view: EditorView;
  /** The area that is open, or `null` for a new one. */
  area: LinkArea | null;
  box: DraftBox;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

export interface AreaValues {
  to: DestinationEntry;
  name: string;
  hoverNote: string;
  frame: AreaFrame | null;
  box: Box;
}

/** The slip of one link area of a picture: where it leads, its name, its box and its look. */
export function AreaSlip({ view, area, box, asked }: AreaSlipProps) {
  const field = useFirstField<HTMLInputElement>(asked, !area);
  const context = useAuditContext();
  const names = useBook.getState();
  const figure = figureAt(view.state);

  const page = figure?.node.type.name === 'page' ? attrsOf.page(figure.node) : null;
  const words = (area ?? box).words ?? '';
  const { x, y, width, height } = box;
  const stored: AreaValues = {
    to: entryOf(area?.destination ?? null, names),
    name: area?.name ?? '',
    hoverNote: area?.hoverNote ?? '',
    frame: area ? area.frame : page && words !== '' ? underline() : null,
    // One that was drawn has been begun; one that is put in the middle has not.
    box: area ? { x, y, width, height } : MIDDLE,
  };
  const write = (values: AreaValues, before: AreaValues) =>
    withSpot(spotIn(values.to), () => writeArea(values, before));

  const writeArea = (values: AreaValues, before: AreaValues) => {
    const { destination } = readEntry(values.to);
    const { to, box: moved, ...more } = whatDiffers(tidy(values), before);
    if (area) changeArea(view, area.id, { ...more, ...moved, ...(to && destination && { destination }) });
    else if (destination) {
      const id = mint();
      const { name, hoverNote, frame, box: own } = tidy(values);
      const { lines, words: under } = useOpenArea.getState().draft ?? {};
      const onPage = page ? { ...(lines && { lines }), ...(under && { words: under }) } : {};
      addArea(view, { id, name, hoverNote, frame, ...own, ...onPage, destination });
      if (useOpenArea.getState().draft) openArea(id);
    }
  };
  const drop = () => {
    if (!area && useOpenArea.getState().draft) openArea(null);
  };
  const slip = useSlip<AreaValues>({
    stored,
    isNew: !area,
    kept: area ? null : { ...stored, ...useOpenArea.getState().values, box },
    faultsIn: ({ to }) => (canLead(to) ? [] : ['to']),
    write,
    keep(values) {
      drop();
      if (view.isDestroyed || !figure) return;
      const { node, position: from } = figure;
      const said = { ...values, figure: attrsOf.figure(node).id };
      const draft = { id: mint(), what: 'area' as const, from, to: from + node.nodeSize, values: said };
      view.dispatch(keepDraft(closeHistory(view.state.tr), draft));
    },
    drop,
    close: () => openArea(null),
    toText: () => view.focus(),
    toFault: () => field.current?.focus(),
  });
  const { values, change, isChanged, faults } = slip;
  // What is drawn with the mouse is said in the slip too.
  useEffect(() => {
    if (!area) change({ box: { x, y, width, height } });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `change` is the same slip's
  }, [area, x, y, width, height]);

  const { destination } = readEntry(values.to);
  const link: Link | null = destination && {
    id: area?.id ?? '',
    kind: destination.kind,
    destination,
    href: hrefOf(destination),
    text: saidOfArea({ name: values.name, words }),
    carrier: 'area',
    hoverNote: values.hoverNote,
    about: null,
    language: '',
    look: null,
    chapter: '',
    from: 0,
    to: 0,
    before: '',
    after: '',
  };
  const findings = useLinkFindings(link, area !== null && !isChanged);
  const remove = () => {
    if (area) removeArea(view, area.id);
    openArea(null);
    view.focus();
  };
  const repair = (wanted: Repair) => {
    if (wanted.type === 'text') slip.choose({ name: wanted.text });
    if (wanted.type === 'hover-note') slip.choose({ hoverNote: wanted.hoverNote });
    if (wanted.type === 'destination') slip.choose({ to: entryOf(wanted.destination, useBook.getState()) });
    if (wanted.type === 'unlink') remove();
  };
  const setBox = (more: Partial<Box>) => {
    const now = withinPicture({ ...values.box, ...more }, page ? SMALLEST_ON_PAGE : undefined);
    if (area) slip.choose({ box: now });
    else moveDraftArea(now);
  };
  const made = area && linkAtSelection(view.state, useEditor.getState().chapter);
  return (
    <SlipForm
      label={area ? 'Slip of the link area' : 'Slip of a new link area'}
      slip={slip}
      takes={takesFiles((to) => change({ to }))}
    >
      <button
        type="button"
        className="button mb-1.5 -ml-1.5"
        data-look="quiet"
        data-size="small"
        onClick={slip.setBack}
      >
        <ArrowLeft size={15} aria-hidden="true" /> {page ? 'The whole page' : 'The whole picture'}
      </button>
      {page && words !== '' && (
        <p className="mb-2 text-sm">
          <span className="font-semibold text-soft">On the words </span>“{words}”
        </p>
      )}
      <LeadsTo
        field={field}
        entry={values.to}
        change={(to) => change({ to })}
        accept={(to) => slip.accept({ to })}
        spots={{}}
      />
      <label className="mt-2.5 block">
        <span className="label">
          {page && words !== ''
            ? 'Heard as, where the words alone don’t say it'
            : 'Name, for those who can’t see it'}
        </span>
        <input
          className="field"
          value={values.name}
          onChange={(event) => change({ name: event.target.value })}
        />
      </label>
      {!page && (
        <label className="mt-2.5 block">
          <span className="label">Hover note</span>
          <input
            className="field"
            value={values.hoverNote}
            onChange={(event) => change({ hoverNote: event.target.value })}
          />
        </label>
      )}
      {page ? (
        <MeasureFields box={values.box} page={page} change={setBox} />
      ) : (
        <BoxFields box={values.box} change={setBox} />
      )}
      <FrameFields frame={values.frame} onPage={page !== null} change={(frame) => change({ frame })} />
      {page && words !== '' && (
        <p className="mt-1 text-xs text-soft">
          {values.frame?.line === 'under'
            ? 'The words keep the colour in which they are printed: a page stays as it is. The line below shows that they lead somewhere.'
            : 'The words keep the colour in which they are printed: a page stays as it is. With a line below, readers see that they lead somewhere.'}
        </p>
      )}
      {page && area && !isChanged && <CopyToPages view={view} area={area} page={page.number} />}
      {link && (
        <p className="mt-2.5 text-sm" data-testid="heard-as">
          <span className="font-semibold text-soft">Heard as </span>“{heardAs(link, context)}”
        </p>
      )}
      {made && !isChanged && <VerdictLine link={made} repair={repair} />}
      <Findings findings={findings} repair={repair} />
      <div className="mt-3 flex flex-wrap gap-1.5">
        {(!area || isChanged) && (
          <AcceptButton
            words={area ? 'Change it' : words === '' ? 'Make the link area' : 'Make the link'}
            disabled={faults.length > 0}
          />
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
        <button
          type="button"
          className="button"
          data-look="quiet"
          data-size="small"
          onClick={area ? remove : slip.setBack}
        >
          {area ? (
            <>
              <Trash2 size={15} aria-hidden="true" /> Remove
            </>
          ) : (
            'Not now'
          )}
        </button>
      </div>
    </SlipForm>
  );
}

const tidy = (values: AreaValues): AreaValues => ({
  ...values,
  name: values.name.trim(),
  hoverNote: values.hoverNote.trim(),
});

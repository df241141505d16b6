import { heardAs } from '@vennet/core/reader';
import type { Link } from '@vennet/core/manuscript';
import type { Repair } from '@vennet/core/repair';
import { useId } from 'react';
import { useAuditContext } from '../book/audit-context.js';
import { useLinkFindings } from '../book/link-findings.js';
import { openBook } from '../book/open-book.js';
import { orderAt, wordsAt } from '../book/said.js';
import { useBook } from '../book/store.js';
import { OwnLook } from '../choices/OwnLook.js';
import { changeLink, makeLink, repairLink } from '../editor/changes/change-links.js';
import { withSpot } from '../editor/changes/name-spot.js';
import { putReference, type Reading } from '../editor/changes/change-references.js';
import type { Draft } from '../editor/state/kept-drafts.js';
import { useEditor } from '../editor/state/store.js';
import { Findings } from '../findings/FindingLine.js';
import { VerdictLine } from '../findings/VerdictLine.js';
import { readEntry, spotIn, type DestinationEntry } from '../leads-to/destination-entry.js';
import { canLead } from '../leads-to/can-lead.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { ReadsField } from '../leads-to/ReadsField.js';
import { TitleOffer } from '../leads-to/TitleOffer.js';
import { draftNow, linkNow, useFirstField, usesOfDraft, type SlipHost } from './slip-parts.js';
import { leadFromElsewhere, takeUpFromElsewhere } from './from-elsewhere.js';
import { LinkMore } from './LinkMore.js';
import { LinkButtons } from './LinkButtons.js';
import { fieldsOfRepair, NO_READING, previewOf, valuesFor, wordsOf, type LinkValues } from './link-values.js';
import { AcceptButton, SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';

export interface LinkSlipProps extends SlipHost {
  /** The link at the caret, or `null` for a new one. */
  link: Link | null;
  /** What the link reads, where it is a reference. */
  reading: Reading;
  draft: Draft | null;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
  /** The words that a new link is for. */
  words: string;
}

/** The slip of words that lead somewhere, as a link or as a reference: of those at the caret, or of new ones. */
export function LinkSlip({ link, reading: stored, draft, asked, words, ...host }: LinkSlipProps) {
  const { view } = host;
  const id = useId();
  const context = useAuditContext();
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const { chapter } = useEditor.getState();
  const names = { places, surroundings };
  const order = orderAt(chapter, draft?.from ?? link?.from ?? 0);
  const field = useFirstField<HTMLInputElement>(asked, draft !== null);

  /** The place that a reference would read, and what it would read there. */
  const readingIn = ({ to, reading }: LinkValues) => {
    const { destination } = readEntry(to);
    const place = destination?.kind === 'place' ? places.get(destination.place) : undefined;
    const said =
      place && reading.form ? wordsAt({ form: reading.form, own: reading.own }, place.id, order) : null;
    return { destination, place, said };
  };

  const write = (values: LinkValues) => withSpot(spotIn(values.to), () => writeLink(values));

  const writeLink = (values: LinkValues) => {
    const { destination, place } = readingIn(values);
    const [newOne, old] = [draft && draftNow(view, draft), link && linkNow(view, chapter, link)];
    const at = newOne ?? old;
    if (!destination || !at) return;
    if (place && destination.kind === 'place' && values.reading.form)
      return putReference(view, at, destination, values.reading, values.hoverNote.trim());
    const { look, about } = values;
    const text = values.text.trim() === '' ? '' : values.text;
    const otherwise = () => wordsOf({ text: '', to: values.to }, null, names);
    const made = { destination, hoverNote: values.hoverNote.trim(), look, about };
    if (newOne) makeLink(view, newOne, { ...made, text: text || otherwise() });
    // A reference that is to have the author's own words becomes a link on them.
    else if (old?.carrier === 'reference') makeLink(view, old, { ...made, text: text || otherwise() });
    else if (old) changeLink(view, old, { ...made, text: text || old.text });
  };

  const slip = useSlip<LinkValues>({
    stored: valuesFor(link, stored, words, names),
    isNew: draft !== null,
    kept: draft?.values as LinkValues | null | undefined,
    faultsIn: (values) => {
      if (!canLead(values.to)) return ['to'];
      const { said } = readingIn(values);
      return draft && wordsOf(values, said, names) === '' ? ['text'] : [];
    },
    write,
    ...usesOfDraft(host, draft),
    toFault: ([first]) => (first === 'text' ? document.getElementById(`${id}-text`) : field.current)?.focus(),
  });
  const elsewhere = link
    ? (to: DestinationEntry) => leadFromElsewhere(chapter, link, to)
    : draft && !host.keeper
      ? (to: DestinationEntry) => takeUpFromElsewhere(chapter, draftNow(view, draft), { ...slip.values, to })
      : undefined;
  const { values, change, isChanged, faults } = slip;
  const { destination, place, said } = readingIn(values);
  const reading = place ? values.reading : NO_READING;
  const shown = draft || said !== null ? wordsOf(values, said, names) : values.text.trim() && values.text;
  const preview = previewOf(
    link,
    values,
    shown,
    said !== null ? 'reference' : link?.carrier === 'picture' ? 'picture' : 'text',
  );
  const spot = spotIn(values.to);
  const findings = useLinkFindings(preview, link !== null && !isChanged).filter(
    // A spot becomes a place when the link is made.
    ({ rule }) => !spot || rule !== 'place-gone',
  );

  const repair = (wanted: Repair) => {
    if (wanted.type === 'make-note') {
      if (link) void openBook().bulk.repair({ target: { links: [link.id] }, repair: wanted });
      return;
    }
    const fields = fieldsOfRepair(wanted, values.text, names);
    if (!link) return fields ? change(fields) : slip.setBack();
    if (fields && wanted.type !== 'trim') slip.choose(fields);
    else {
      const now = linkNow(view, chapter, link);
      if (now) repairLink(view, now, wanted);
    }
    view.focus();
  };

  return (
    <SlipForm
      label={draft ? 'Slip of a new link' : 'Slip of the link'}
      slip={slip}
      takes={takesFiles((to) => change({ to }))}
    >
      <LeadsTo
        words={draft ? values.text : undefined}
        field={field}
        entry={values.to}
        change={(to) => change({ to })}
        accept={(to) => slip.accept({ to })}
        spots={{ elsewhere }}
      />
      {place && link?.carrier !== 'picture' && (
        <ReadsField
          place={place}
          order={order}
          reading={values.reading}
          change={(now) => change({ reading: now })}
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
            value={values.text}
            placeholder={shown}
            onChange={(event) => change({ text: event.target.value })}
          />
          <TitleOffer
            destination={destination}
            text={values.text}
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
          value={values.hoverNote}
          onChange={(event) => change({ hoverNote: event.target.value })}
        />
      </div>
      {reading.form === null && (
        <>
          <OwnLook look={values.look} change={(look) => change({ look })} />
          <LinkMore
            key={link?.id ?? 'new'}
            about={values.about}
            isWeb={destination?.kind === 'web'}
            change={(about) => change({ about })}
          />
        </>
      )}
      {preview && (
        <p className="mt-2.5 text-sm" data-testid="heard-as">
          <span className="font-semibold text-soft">Heard as </span>“{heardAs(preview, context)}”
        </p>
      )}
      {link && !isChanged && <VerdictLine link={link} repair={repair} />}
      <Findings findings={findings} repair={repair} />
      <div className="mt-3 flex flex-wrap items-center gap-1.5">
        {(draft || isChanged) && (
          <AcceptButton words={draft ? 'Make the link' : 'Change it'} disabled={faults.length > 0} />
        )}
        {draft && (
          <button type="button" className="button" data-look="quiet" data-size="small" onClick={slip.setBack}>
            Not now
          </button>
        )}
        {link && <LinkButtons link={link} view={view} />}
      </div>
    </SlipForm>
  );
}

import { attrsOf, figureParts } from '@vennet/core/manuscript';
import { Captions, Copyright, type LucideIcon } from 'lucide-react';
import { useId, useRef } from 'react';
import { useBook } from '../book/store.js';
import { changeFigure, toWordsBelow } from '../editor/changes/change-figures.js';
import { mint } from '../editor/state/mint.js';
import { entryOf, readEntry, spotIn, type DestinationEntry } from '../leads-to/destination-entry.js';
import { canLead } from '../leads-to/can-lead.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { PictureParts, WholeLinkButtons } from './PictureParts.js';
import { closing, positionNow, useFirstField, whatDiffers, type NodeSlipProps } from './slip-parts.js';
import { AcceptButton, SlipForm } from './SlipForm.js';
import { useSlip } from './use-slip.js';
import { withSpot } from '../editor/changes/name-spot.js';

interface PictureValues {
  alt: string;
  decorative: boolean;
  width: number | null;
  to: DestinationEntry;
  hoverNote: string;
}

/** The slip of a picture: its words, its size, where the whole of it leads, and the parts that lead elsewhere. */
export function PictureSlip({ view, node, position, asked }: NodeSlipProps) {
  const id = useId();
  const { alt, decorative, width, link } = attrsOf.figure(node);
  const { caption, credit } = figureParts(node);
  // A picture that was just put in asks for its words; the key for the slip comes to them too.
  const words = useFirstField<HTMLTextAreaElement>(asked);
  const field = useRef<HTMLInputElement>(null);
  const names = useBook.getState();

  const set = (attrs: Record<string, unknown>) => {
    const at = positionNow(view, node, position);
    if (at !== null && Object.keys(attrs).length > 0) changeFigure(view, at, attrs);
  };
  const write = (values: PictureValues, before: PictureValues) =>
    withSpot(spotIn(values.to), () => writePicture(values, before));

  const writePicture = (values: PictureValues, before: PictureValues) => {
    const { to, hoverNote, ...shown } = whatDiffers(tidy(values), before);
    const { destination } = readEntry(values.to);
    const leads = (to || hoverNote !== undefined) && destination;
    set({
      ...shown,
      ...(leads && {
        link: {
          about: null,
          ...link,
          id: link?.id ?? mint(),
          destination,
          hoverNote: values.hoverNote.trim(),
        },
      }),
    });
  };
  const slip = useSlip<PictureValues>({
    stored: {
      alt,
      decorative,
      width,
      to: entryOf(link?.destination ?? null, names),
      hoverNote: link?.hoverNote ?? '',
    },
    // A link of the whole picture is taken away by its own button, not by an empty field.
    faultsIn: ({ to }) => (!canLead(to) && (link || to.typed.trim() !== '') ? ['to'] : []),
    write,
    ...closing(view),
    toFault: () => field.current?.focus(),
  });
  const { values, change, choose } = slip;
  /** What is said of the picture is kept before its author goes on below it. */
  const toWords = (which: 'caption' | 'credit') => {
    choose({ alt: values.alt });
    toWordsBelow(view, which);
  };
  const leads = values.to.typed.trim() !== '';
  const lacksWords = !values.decorative && values.alt.trim() === '';
  return (
    <SlipForm label="Slip of the picture" slip={slip} takes={takesFiles((to) => change({ to }))}>
      <label className="label" htmlFor={`${id}-alt`}>
        Alternative text
      </label>
      <textarea
        ref={words}
        id={`${id}-alt`}
        className="field"
        rows={2}
        disabled={values.decorative}
        aria-invalid={lacksWords ? true : undefined}
        aria-describedby={`${id}-advice`}
        placeholder="What this shows, for those who can’t see it"
        value={values.alt}
        onChange={(event) => change({ alt: event.target.value })}
        onBlur={() => choose({ alt: values.alt })}
      />
      <div id={`${id}-advice`} className="text-sm">
        {lacksWords && (
          <p className="mt-1">
            <SeverityMark severity="must-fix" withWord /> Without words nobody can hear what this shows.{' '}
            <span className="whitespace-nowrap text-soft">WCAG 1.1.1</span>
          </p>
        )}
        {leads && !lacksWords && (
          <p className="mt-1">
            The whole picture leads somewhere, so these words are the name of the link: they have to say where
            it leads. <span className="whitespace-nowrap text-soft">WCAG 2.4.4 (F89)</span>
          </p>
        )}
      </div>
      <label className="mt-1.5 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="accent-amber"
          checked={values.decorative}
          disabled={leads}
          onChange={({ target: { checked } }) =>
            choose({ decorative: checked, alt: checked ? '' : values.alt })
          }
        />
        Decorative: nothing is lost without it
      </label>
      <div className="mt-2.5 flex flex-wrap items-end gap-2">
        <label className="block">
          <span className="label">Width, % of the text</span>
          <input
            type="number"
            className="field !w-24"
            min={5}
            max={100}
            placeholder="as it is"
            value={values.width ?? ''}
            onChange={({ target: { valueAsNumber: wanted } }) =>
              choose({ width: Number.isNaN(wanted) ? null : Math.min(100, Math.max(5, wanted)) })
            }
          />
        </label>
        <WordsBelow
          icon={Captions}
          words={caption ? 'To the caption' : 'Add a caption'}
          go={() => toWords('caption')}
        />
        <WordsBelow
          icon={Copyright}
          words={credit ? 'To the credit' : 'Add a credit'}
          go={() => toWords('credit')}
        />
      </div>
      <div className="mt-3 border-t border-line pt-2.5">
        <p className="mb-1 text-sm font-semibold">The whole picture</p>
        <LeadsTo
          field={field}
          entry={values.to}
          change={(to) => change({ to })}
          accept={(to) => slip.accept({ to })}
          spots={{}}
        />
        {leads && (
          <label className="mt-2 block">
            <span className="label">Hover note</span>
            <input
              className="field"
              value={values.hoverNote}
              onChange={(event) => change({ hoverNote: event.target.value })}
            />
          </label>
        )}
        <div className="mt-2 flex flex-wrap gap-1.5">
          <AcceptButton words="Accept" />
          {link && (
            <WholeLinkButtons
              view={view}
              remove={() => {
                set({ link: null });
                view.focus();
              }}
            />
          )}
        </div>
      </div>
      <PictureParts node={node} />
    </SlipForm>
  );
}

/** A button to the words below a picture. Pressed, it leaves the field alone: what is told there would go, and the button would move. */
function WordsBelow({ icon: Icon, words, go }: { icon: LucideIcon; words: string; go(): void }) {
  return (
    <button
      type="button"
      className="button"
      data-size="small"
      onMouseDown={(event) => event.preventDefault()}
      onClick={go}
    >
      <Icon size={15} aria-hidden="true" /> {words}
    </button>
  );
}

/** Words are kept without space at their ends; a picture that has words is not there for its looks alone. */
const tidy = (values: PictureValues): PictureValues => {
  const alt = values.alt.trim();
  return { ...values, alt, decorative: values.decorative && alt === '' };
};

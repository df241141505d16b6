import type { FigureLink } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorView } from 'prosemirror-view';
import { Captions, Copy, ExternalLink, SquareDashedMousePointer, Unlink } from 'lucide-react';
import { useId, useLayoutEffect, useRef, useState, type FormEvent, type KeyboardEvent } from 'react';
import { mint } from '../editor/state/mint.js';
import { useEditor } from '../editor/state/store.js';
import { linkAtSelection } from '../editor/state/links.js';
import { destinationWords } from '../book/destination-words.js';
import { KindMark } from '../parts/KindMark.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { useBook } from '../book/store.js';
import { entryOf, readEntry } from '../leads-to/destination-entry.js';
import { isAskedFor } from './asked-for.js';
import { copyAddress } from '../follow/copy-address.js';
import { LeadsTo, takesFiles } from '../leads-to/LeadsTo.js';
import { startCompanion } from '../leads-to/start-companion.js';
import { areasOf, changeFigure, MIDDLE, toCaption } from '../editor/changes/change-figures.js';
import { draftArea, openArea } from '../editor/state/open-area.js';

interface PictureSlipProps {
  view: EditorView;
  node: Node;
  position: number;
  /** Goes up when the author asks for the slip: then the caret comes into it. */
  asked: number;
}

/** The slip of a picture: its words, its size, where the whole of it leads, and the parts that lead elsewhere. */
export function PictureSlip({ view, node, position, asked }: PictureSlipProps) {
  const link = node.attrs.link as FigureLink | null;
  const stored = node.attrs.alt as string;
  const [alt, setAlt] = useState(stored);
  const [known, setKnown] = useState(stored);
  if (known !== stored) {
    setKnown(stored);
    setAlt(stored);
  }
  const [to, setTo] = useState(() => entryOf(link?.destination ?? null, useBook.getState()));
  const [hoverNote, setHoverNote] = useState(link?.hoverNote ?? '');
  const words = useRef<HTMLTextAreaElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const id = useId();
  const decorative = node.attrs.decorative as boolean;
  const width = node.attrs.width as number | null;

  useLayoutEffect(() => {
    // A picture that was just put in asks for its words; the key for the slip comes to them too.
    if (isAskedFor(asked)) words.current?.focus({ preventScroll: true });
  }, [asked]);

  const { destination } = readEntry(to);
  const leads = to.typed.trim() !== '';
  const change = (attrs: Record<string, unknown>) => changeFigure(view, position, attrs);
  const accept = () => {
    const attrs: Record<string, unknown> = {};
    if (alt.trim() !== stored) attrs.alt = alt.trim();
    if (alt.trim() !== '' && decorative) attrs.decorative = false;
    if (
      destination &&
      (!link ||
        JSON.stringify([destination, hoverNote]) !== JSON.stringify([link.destination, link.hoverNote]))
    )
      attrs.link = { id: link?.id ?? mint(), destination, hoverNote: hoverNote.trim() };
    if (Object.keys(attrs).length > 0) change(attrs);
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    accept();
    view.focus();
  };
  const pressed = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || event.defaultPrevented) return;
    event.preventDefault();
    view.focus();
  };
  const lacksWords = !decorative && alt.trim() === '';
  return (
    // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- Esc and dropping are the form's, from any of its fields
    <form
      aria-label="Slip of the picture"
      className="slip"
      onSubmit={submit}
      onKeyDown={pressed}
      {...takesFiles(setTo)}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) accept();
      }}
    >
      <label className="label" htmlFor={`${id}-alt`}>
        Alternative text
      </label>
      <textarea
        ref={words}
        id={`${id}-alt`}
        className="field"
        rows={2}
        disabled={decorative}
        aria-invalid={lacksWords ? true : undefined}
        aria-describedby={`${id}-advice`}
        placeholder="What this shows, for those who can’t see it"
        value={alt}
        onChange={(event) => setAlt(event.target.value)}
        onBlur={() => {
          if (alt.trim() !== stored) change({ alt: alt.trim() });
        }}
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
          checked={decorative}
          disabled={leads}
          onChange={(event) =>
            change({ decorative: event.target.checked, alt: event.target.checked ? '' : alt })
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
            value={width ?? ''}
            onChange={(event) => {
              const wanted = event.target.valueAsNumber;
              change({ width: Number.isNaN(wanted) ? null : Math.min(100, Math.max(5, wanted)) });
            }}
          />
        </label>
        <button type="button" className="button" data-size="small" onClick={() => toCaption(view)}>
          <Captions size={15} aria-hidden="true" /> {node.childCount > 0 ? 'To the caption' : 'Add a caption'}
        </button>
      </div>
      <div className="mt-3 border-t border-line pt-2.5">
        <p className="mb-1 text-sm font-semibold">The whole picture</p>
        <LeadsTo
          field={field}
          entry={to}
          change={setTo}
          companion={(title, goThere) =>
            void startCompanion(title, goThere, (made) =>
              change({ link: { id: link?.id ?? mint(), destination: made, hoverNote } }),
            )
          }
        />
        {leads && (
          <label className="mt-2 block">
            <span className="label">Hover note</span>
            <input
              className="field"
              value={hoverNote}
              onChange={(event) => setHoverNote(event.target.value)}
            />
          </label>
        )}
        <div className="mt-2 flex flex-wrap gap-1.5">
          <button type="submit" className="button" data-look="main" data-size="small">
            Accept <kbd className="font-ui font-normal opacity-80">Enter</kbd>
          </button>
          {link && <WholeLinkButtons view={view} remove={() => change({ link: null })} />}
        </div>
      </div>
      <Areas node={node} />
    </form>
  );
}

function WholeLinkButtons({ view, remove }: { view: EditorView; remove(): void }) {
  const link = linkAtSelection(view.state, useEditor.getState().chapter);
  const quiet = { type: 'button', className: 'button', 'data-look': 'quiet', 'data-size': 'small' } as const;
  return (
    <>
      <button {...quiet} onClick={() => useEditor.setState({ following: link })}>
        <ExternalLink size={15} aria-hidden="true" /> Follow
      </button>
      {link && (link.kind === 'web' || link.kind === 'mail') && (
        <button {...quiet} onClick={() => void copyAddress(link)}>
          <Copy size={15} aria-hidden="true" /> Copy
        </button>
      )}
      <button {...quiet} onClick={remove}>
        <Unlink size={15} aria-hidden="true" /> Remove
      </button>
    </>
  );
}

function Areas({ node }: { node: Node }) {
  const places = useBook((store) => store.places);
  const surroundings = useBook((store) => store.surroundings);
  const areas = areasOf(node);
  return (
    <div className="mt-3 border-t border-line pt-2.5">
      <p className="mb-1 text-sm font-semibold">Parts of the picture</p>
      <ul aria-label="Link areas">
        {areas.map((area) => (
          <li key={area.id}>
            <button
              type="button"
              className="flex w-full cursor-pointer items-center gap-2 rounded px-1.5 py-1 text-left text-sm hover:bg-ground"
              onClick={() => openArea(area.id)}
            >
              <KindMark kind={area.destination.kind} />
              <span className="truncate font-semibold">{area.name || 'Without a name'}</span>
              <span className="truncate text-soft">
                {destinationWords(area.destination, { places, surroundings })}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft">Drag over the picture to draw a link area.</p>
      <button type="button" className="button mt-1.5" data-size="small" onClick={() => draftArea(MIDDLE)}>
        <SquareDashedMousePointer size={15} aria-hidden="true" /> Add one in the middle
      </button>
    </div>
  );
}

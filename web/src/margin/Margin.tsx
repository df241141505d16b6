import { flatText, OBJECT, spotsOf, type Box, type Link, type LinkArea } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorView } from 'prosemirror-view';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { bookmarkAt, figureAt, insideNodeAt, linkAtSelection, linksIn } from '../editor/state/links.js';
import { askedIn, draftIn, offerIn, type Draft } from '../editor/state/slip.js';
import { useEditor } from '../editor/state/store.js';
import { arrange, topOfOpen } from './arrange.js';
import { BookmarkSlip } from '../slips/BookmarkSlip.js';
import { ClosedNote } from './ClosedNote.js';
import { InsideSlip } from '../slips/InsideSlip.js';
import { withWords } from '../book/said.js';
import { useBook } from '../book/store.js';
import { AreaSlip } from '../slips/AreaSlip.js';
import { areasOf } from '../editor/changes/change-figures.js';
import { useOpenArea } from '../editor/state/open-area.js';
import { PictureSlip } from '../slips/PictureSlip.js';
import { ClosedSlip } from './ClosedSlip.js';
import { OfferLine } from './OfferLine.js';
import { keyOfLink, OpenSlip } from '../slips/LinkSlip.js';

/** A link or a note whose line can be seen. */
interface Seen {
  key: string;
  at: number;
  line: number;
  link: Link | null;
}

interface Shown {
  seen: Seen[];
  /** The line of the slip that is open, from the top of the margin. */
  openLine: number;
  /** The lower end of what can be seen of the margin. */
  bottom: number;
}

/** The margin: a slip for every link of the text that can be seen, beside its own line; the one at the caret is open. */
export function Margin({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const { view, state, chapter } = useEditor();
  const column = useRef<HTMLElement>(null);
  const [shown, setShown] = useState<Shown>({ seen: [], openLine: 0, bottom: 0 });
  const [openHeight, setOpenHeight] = useState(320);
  const found = state ? linkAtSelection(state, chapter) : null;
  // What references read follows from the whole book.
  useBook((store) => (found?.carrier === 'reference' ? store.places : null));
  const open = found && state ? withWords(found, state.doc.nodeAt(found.from)) : null;
  const inside = state ? insideNodeAt(state) : null;
  const bookmark = state && !found ? bookmarkAt(state) : null;
  const draft = state ? draftIn(state) : null;
  const offer = state ? offerIn(state) : null;
  const figure = state ? figureAt(state) : null;
  const area = useOpenArea();
  const openAt =
    draft?.from ??
    figure?.position ??
    inside?.position ??
    open?.from ??
    bookmark?.from ??
    offer?.from ??
    null;

  const measure = useCallback(() => {
    if (!view || !scroller.current || !column.current || view.isDestroyed) return;
    const box = scroller.current.getBoundingClientRect();
    const top = column.current.getBoundingClientRect().top;
    const [first, last] = visibleRange(view, box);
    const lineOf = (position: number) => topOf(view, Math.min(position, view.state.doc.content.size)) - top;
    const seen = slipsIn(view.state.doc, chapter).filter(({ at }) => at >= first && at <= last);
    setShown({
      seen: seen.map((slip) => ({ ...slip, line: lineOf(slip.at) })),
      openLine: openAt === null ? 0 : lineOf(openAt),
      bottom: box.bottom - top,
    });
  }, [view, scroller, chapter, openAt]);

  useLayoutEffect(measure, [measure, state]);
  useEffect(() => {
    const element = scroller.current;
    if (!element) return;
    let frame = 0;
    const soon = () => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(measure);
    };
    const resized = new ResizeObserver(soon);
    resized.observe(element);
    if (view) resized.observe(view.dom);
    element.addEventListener('scroll', soon, { passive: true });
    void document.fonts.ready.then(soon);
    return () => {
      cancelAnimationFrame(frame);
      resized.disconnect();
      element.removeEventListener('scroll', soon);
    };
  }, [measure, scroller, view]);

  if (!view || !state) return <aside ref={column} aria-label="Margin" />;
  const isOpen = openAt !== null;
  const selected = figure ?? inside;
  const closed = shown.seen.filter(
    ({ at, link }) => draft !== null || (selected ? at !== selected.position : !link || link.id !== open?.id),
  );
  const openTop = topOfOpen({ line: shown.openLine, bottom: shown.bottom, height: openHeight });
  const lines = arrange(
    closed.map(({ line }) => line),
    isOpen ? { line: shown.openLine, top: openTop, height: openHeight } : null,
  );
  return (
    <aside ref={column} aria-label="Margin" className="relative max-lg:static">
      <ul aria-label="Links of the visible text" className="max-lg:hidden">
        {closed.map(({ key, link, at }, index) => (
          <li key={key} className="absolute inset-x-0" style={{ top: lines[index] }}>
            {link ? <ClosedSlip link={link} /> : <ClosedNote id={key} at={at} />}
          </li>
        ))}
      </ul>
      {isOpen && (
        <SlipBox top={openTop} resized={setOpenHeight}>
          {figure && !draft ? (
            <FigureSlip view={view} figure={figure} open={area} asked={askedIn(state)} />
          ) : inside && !draft ? (
            <InsideSlip key={inside.node.attrs.id as string} view={view} {...inside} asked={askedIn(state)} />
          ) : draft?.what === 'bookmark' || (bookmark && !draft) ? (
            <BookmarkSlip
              key={draft ? 'draft' : `${bookmark?.id} ${bookmark?.name}`}
              view={view}
              bookmark={draft ? null : bookmark}
              draft={draft}
              asked={askedIn(state)}
            />
          ) : open || draft ? (
            <OpenSlip
              key={draft ? 'draft' : `${keyOfLink(open)} ${attrsAt(view, open)}`}
              view={view}
              link={draft ? null : open}
              draft={draft}
              asked={askedIn(state)}
              words={wordsOf(view, draft)}
            />
          ) : (
            offer && <OfferLine view={view} offer={offer} />
          )}
        </SlipBox>
      )}
    </aside>
  );
}

/** The slip of the picture that is selected, of one of its areas, or of an area that is being made. */
function FigureSlip({
  view,
  figure: { node, position },
  open,
  asked,
}: {
  view: EditorView;
  figure: { node: Node; position: number };
  open: { area: string | null; draft: Box | null };
  asked: number;
}) {
  const area = areasOf(node).find(({ id }) => id === open.area) ?? null;
  const box = area ?? open.draft;
  if (box)
    return <AreaSlip key={area ? said(area) : 'new'} view={view} area={area} box={box} asked={asked} />;
  const { enclosure, link } = node.attrs;
  return (
    <PictureSlip
      key={JSON.stringify([position, enclosure, link])}
      view={view}
      node={node}
      position={position}
      asked={asked}
    />
  );
}

/** What a slip shows of an area apart from its box, which is moved while the slip is open. */
const said = ({ id, name, hoverNote, destination, frame }: LinkArea) =>
  JSON.stringify([id, name, hoverNote, destination, frame]);

/** The upper edge of the line at a position, or of the picture there, in the window. */
function topOf(view: EditorView, position: number): number {
  const element = view.state.doc.nodeAt(position)?.type.name === 'figure' ? view.nodeDOM(position) : null;
  if (element instanceof HTMLElement) return element.getBoundingClientRect().top;
  return view.coordsAtPos(position, 1).top;
}

/** A reference changes without its words changing: its slip then begins anew too. */
const attrsAt = (view: EditorView, link: Link | null): string =>
  link?.carrier === 'reference' ? JSON.stringify(view.state.doc.nodeAt(link.from)?.attrs) : '';

const known = new WeakMap<Node, Omit<Seen, 'line'>[]>();

/** Everything of a text that has a slip: its links and its notes, in their order. Read once for each state. */
function slipsIn(doc: Node, chapter: string): Omit<Seen, 'line'>[] {
  const before = known.get(doc);
  if (before) return before;
  const spots = spotsOf(doc, chapter);
  const notes = [...spots.notes, ...spots.marks].map(({ node, at }) => ({
    key: node.attrs.id as string,
    at,
    link: null,
  }));
  const links = linksIn(doc, chapter).map((link) => ({ key: link.id, at: link.from, link }));
  const slips = [...links, ...notes].sort((one, other) => one.at - other.at);
  known.set(doc, slips);
  return slips;
}

function wordsOf(view: EditorView, draft: Draft | null): string {
  return draft ? flatText(view.state.doc, draft.from, draft.to).replaceAll(OBJECT, '') : '';
}

function SlipBox({
  top,
  resized,
  children,
}: {
  top: number;
  resized(height: number): void;
  children: React.ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    if (!box.current) return;
    const shown = box.current;
    const observer = new ResizeObserver(() => resized(shown.getBoundingClientRect().height));
    observer.observe(shown);
    return () => observer.disconnect();
  }, [resized]);
  return (
    <div
      ref={box}
      className="absolute -inset-x-2 z-10 max-lg:fixed max-lg:inset-x-0 max-lg:bottom-0 max-lg:!top-auto max-lg:max-h-[60vh] max-lg:overflow-auto max-lg:border-t max-lg:border-strong-line"
      style={{ top }}
    >
      {children}
    </div>
  );
}

/** The first and last position of the text that can be seen, and as much again on both sides. */
function visibleRange(view: EditorView, box: DOMRect): [number, number] {
  const text = view.dom.getBoundingClientRect();
  const at = (y: number, otherwise: number) => {
    if (y <= text.top + 1 || y >= text.bottom - 1) return otherwise;
    return view.posAtCoords({ left: text.left + text.width / 2, top: y })?.pos ?? otherwise;
  };
  const end = view.state.doc.content.size;
  const reach = box.height / 2;
  return [at(box.top - reach, 0), at(box.bottom + reach, end)];
}

import { attrsOf, hasAreas, spotsOf, type Link } from '@vennet/core/manuscript';
import type { Node } from 'prosemirror-model';
import type { EditorState } from 'prosemirror-state';
import type { EditorView } from 'prosemirror-view';
import { useCallback, useEffect, useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { useBook } from '../book/store.js';
import { keptIn, type Draft } from '../editor/state/kept-drafts.js';
import { linksIn } from '../editor/state/links.js';
import { useOpenArea } from '../editor/state/open-area.js';
import { useEditor } from '../editor/state/store.js';
import { holdsPress } from '../parts/press.js';
import { arrange, topOfOpen } from './arrange.js';
import { ClosedDraft } from './ClosedDraft.js';
import { ClosedNote } from './ClosedNote.js';
import { ClosedSlip } from './ClosedSlip.js';
import { OpenSlip } from './OpenSlip.js';
import { subjectIn, type Subject } from './subject.js';

/** A link, a note or something half-made whose line can be seen. */
interface Seen {
  key: string;
  at: number;
  line: number;
  link: Link | null;
  draft: Draft | null;
}

interface Shown {
  /** The lines of what can be seen, by its key. */
  lines: ReadonlyMap<string, number>;
  /** The line of the slip that is open, from the top of the margin. */
  openLine: number;
  /** The lower end of what can be seen of the margin. */
  bottom: number;
}

/** The margin: a slip for every link of the text that can be seen, beside its own line; the one at the caret is open. */
export function Margin({ scroller }: { scroller: RefObject<HTMLDivElement | null> }) {
  const { view, state, chapter } = useEditor();
  const column = useRef<HTMLElement>(null);
  const [shown, setShown] = useState<Shown>({ lines: new Map(), openLine: 0, bottom: 0 });
  const [openHeight, setOpenHeight] = useState(320);
  const subject = state && subjectIn(state, chapter);
  // What references read follows from the whole book.
  useBook((store) =>
    subject && 'link' in subject && subject.link.carrier === 'reference' ? store.places : null,
  );
  // Another area of the picture is another link at the caret.
  const { area: open } = useOpenArea();
  const openAt = subject?.from ?? null;

  const measure = useCallback(() => {
    if (!view || !scroller.current || !column.current || view.isDestroyed) return;
    const box = scroller.current.getBoundingClientRect();
    const top = column.current.getBoundingClientRect().top;
    const [first, last] = visibleRange(view, box);
    const lineOf = (position: number, area: string | null) =>
      topOf(view, Math.min(position, view.state.doc.content.size), area) - top;
    const seen = slipsIn(view.state, chapter).filter(({ at }) => at >= first && at <= last);
    const now = {
      lines: new Map(seen.map((slip) => [slip.key, lineOf(slip.at, slip.key)])),
      openLine: openAt === null ? 0 : lineOf(openAt, open),
      bottom: box.bottom - top,
    };
    // Typing within a line moves nothing: then nothing is drawn.
    setShown((before) => (isSame(before, now) ? before : now));
  }, [view, scroller, chapter, openAt, open]);

  useLayoutEffect(measure, [measure]);
  // What is typed is painted first; the slips follow their lines right after.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const frame = requestAnimationFrame(() => (timer = setTimeout(measure)));
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [measure, state]);
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

  // Where there is no room beside the text the slip lies over its foot: the words that it is about stay in sight above it.
  useLayoutEffect(() => {
    const scrolled = scroller.current;
    if (!view || !scrolled || openAt === null || openHeight === 0 || !isNarrow()) return;
    const line = topOf(view, openAt);
    const { top } = scrolled.getBoundingClientRect();
    const lowest = window.innerHeight - openHeight - LINE;
    if (line > lowest) scrolled.scrollBy(0, line - lowest);
    else if (line < top) scrolled.scrollBy(0, line - top);
  }, [view, scroller, openAt, openHeight]);

  if (!view || !state) return <aside ref={column} aria-label="Margin" />;
  const closed = slipsIn(view.state, chapter).flatMap((slip): Seen[] => {
    const line = shown.lines.get(slip.key);
    return line === undefined || isOpen(slip, subject) ? [] : [{ ...slip, line }];
  });
  const openTop = topOfOpen({ line: shown.openLine, bottom: shown.bottom, height: openHeight });
  const lines = arrange(
    closed.map(({ line }) => line),
    subject ? { line: shown.openLine, top: openTop, height: openHeight } : null,
  );
  return (
    <aside ref={column} aria-label="Margin" className="relative max-lg:static">
      <ul aria-label="Links of the visible text" className="max-lg:hidden" {...holdsPress}>
        {closed.map((slip, index) => (
          <li key={slip.key} className="absolute inset-x-0" style={{ top: lines[index] }}>
            {slip.draft ? (
              <ClosedDraft draft={slip.draft} />
            ) : slip.link ? (
              <ClosedSlip link={slip.link} />
            ) : (
              <ClosedNote id={slip.key} at={slip.at} />
            )}
          </li>
        ))}
      </ul>
      {subject && (
        <SlipBox top={openTop} resized={setOpenHeight}>
          <OpenSlip view={view} state={state} subject={subject} />
        </SlipBox>
      )}
    </aside>
  );
}

const isSame = (one: Shown, other: Shown): boolean =>
  one.openLine === other.openLine &&
  one.bottom === other.bottom &&
  one.lines.size === other.lines.size &&
  [...one.lines].every(([key, line]) => other.lines.get(key) === line);

/** How much room a line of the text takes, with some around, in CSS px. */
const LINE = 44;

/** Whether the margin has no room beside the text. */
const isNarrow = (): boolean => window.matchMedia('(max-width: 1023px)').matches;

/** The upper edge of the line at a position, of the picture there, or of a link of the page there, in the window. */
function topOf(view: EditorView, position: number, area: string | null = null): number {
  const node = view.state.doc.nodeAt(position);
  const element = node && hasAreas(node) ? view.nodeDOM(position) : null;
  if (element instanceof HTMLElement) {
    const { top, height } = element.getBoundingClientRect();
    return node?.type.name === 'page' ? top + height * shareOf(node, area) : top;
  }
  return view.coordsAtPos(position, 1).top;
}

/** How far down its page a link stands, or the one that is being made, as a share. */
function shareOf(page: Node, area: string | null): number {
  const { draft } = useOpenArea.getState();
  const link = attrsOf.page(page).areas.find(({ id }) => id === area);
  return (link ?? draft)?.y ?? 0;
}

type Slip = Omit<Seen, 'line'>;

const known = new WeakMap<Node, Slip[]>();

/** Everything of a text that has a slip: its links, its notes and what was left half-made, in their order. */
function slipsIn(state: EditorState, chapter: string): Slip[] {
  const drafts = keptIn(state).map((draft) => ({ key: draft.id, at: draft.from, link: null, draft }));
  const slips = known.get(state.doc) ?? readSlips(state.doc, chapter);
  known.set(state.doc, slips);
  return drafts.length === 0 ? slips : [...slips, ...drafts].sort((one, other) => one.at - other.at);
}

function readSlips(doc: Node, chapter: string): Slip[] {
  const spots = spotsOf(doc, chapter);
  const notes = [...spots.notes, ...spots.marks].map(({ node, at }) => ({
    key: attrsOf.inside(node).id,
    at,
    link: null,
    draft: null,
  }));
  const links = linksIn(doc, chapter).map((link) => ({ key: link.id, at: link.from, link, draft: null }));
  return [...links, ...notes].sort((one, other) => one.at - other.at);
}

/** Whether a slip is the one that is open. */
function isOpen({ at, link, draft }: Slip, subject: Subject | null): boolean {
  if (!subject || draft) return false;
  if ('figure' in subject && subject.figure.node.type.name === 'page')
    return link?.id === useOpenArea.getState().area;
  if ('figure' in subject || 'inside' in subject) return at === subject.from;
  return 'link' in subject && link?.id === subject.link.id;
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

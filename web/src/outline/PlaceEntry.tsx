import { sectionsOf, type PlaceKind } from '@vennet/core/manuscript';
import { Bookmark, Image, ListTree, StickyNote, Table2, type LucideIcon } from 'lucide-react';
import { memo, type KeyboardEvent } from 'react';
import { useEditor } from '../editor/state/store.js';
import { goToPlace } from '../editor/going/visited.js';
import { useNotices } from '../parts/notices.js';
import { SeverityMark } from '../parts/SeverityMark.js';
import { useBook } from '../book/store.js';
import { beginDrag, dragOver, endDrag, useDrag } from './drag.js';
import { EntryMenu } from './EntryMenu.js';
import { split } from './chapter-asks.js';
import { moveHere, stepSection } from './move.js';

const ICONS: Partial<Record<PlaceKind, [LucideIcon, string]>> = {
  bookmark: [Bookmark, 'Bookmark'],
  figure: [Image, 'Figure'],
  table: [Table2, 'Table'],
  note: [StickyNote, 'Note'],
  contents: [ListTree, 'List of contents'],
};

interface PlaceEntryProps {
  id: string;
  kind: PlaceKind;
  words: string;
  /** What it is counted as. */
  label: string;
  depth: number;
}

/** One place of the open chapter: pressed, it is gone to; dragged into the text, it becomes a link. Sections can be moved. */
export const PlaceEntry = memo(function PlaceEntry({ id, kind, words, label, depth }: PlaceEntryProps) {
  const { dragged, over, after } = useDrag();
  const finding = useBook((store) => store.inside.find(({ subject }) => subject.id === id));
  const section = kind === 'heading';
  const takes = section && dragged?.kind === 'section' && dragged.id !== id;
  const [Icon, name] = ICONS[kind] ?? [null, ''];
  const pressed = (event: KeyboardEvent) => {
    if (!section || !event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    const target = event.currentTarget as HTMLElement;
    void stepSection(id, event.key === 'ArrowUp' ? -1 : 1).then(() => target.isConnected && target.focus());
  };
  return (
    <div
      className="outline-row"
      role="presentation"
      data-drop={takes && over === id ? (after ? 'after' : 'before') : undefined}
      onDragOver={(event) => takes && dragOver(event, id)}
      onDrop={(event) => {
        if (!takes || !dragged) return;
        event.preventDefault();
        moveHere(dragged.id, after ? afterSection(id) : id);
        endDrag();
      }}
    >
      <button
        type="button"
        draggable
        onDragStart={(event) => beginDrag(event, { kind: section ? 'section' : 'place', id }, words)}
        onDragEnd={endDrag}
        onClick={() => goToPlace(id)}
        onKeyDown={pressed}
        className="flex min-w-0 grow cursor-pointer items-start gap-1.5 rounded px-2 py-0.5 text-left text-soft hover:bg-raised hover:text-ink"
        style={{ paddingLeft: `${0.5 + depth * 0.7}rem` }}
      >
        {Icon && (
          <span className="mt-0.5 shrink-0">
            <Icon size={13} aria-hidden="true" />
            <span className="sr-only">{name}</span>
          </span>
        )}
        <span className={section ? undefined : 'truncate'}>
          {label && <span className="mr-1.5 tabular-nums">{label}</span>} {words || name}
        </span>
        {finding && <SeverityMark severity={finding.severity} />}
      </button>
      <EntryMenu
        words={words || name}
        place={id}
        {...(section
          ? {
              up: () => void stepSection(id, -1),
              down: () => void stepSection(id, 1),
              more: [{ words: 'Begin a chapter here', act: () => beginChapter(id) }],
            }
          : {})}
      />
    </div>
  );
});

/** The chapter is split before the block that the heading stands in. */
function beginChapter(id: string): void {
  const { view, chapter } = useEditor.getState();
  const section = view && sectionsOf(view.state.doc).find((one) => one.id === id);
  if (!section) return;
  const before = view.state.doc.resolve(section.from + 1).before(1);
  if (before > 0) void split(chapter, before);
  else useNotices.getState().tell('The chapter begins here already.');
}

/** The section that comes after one with all that is under it; `null` at the end. */
function afterSection(id: string): string | null {
  const { view } = useEditor.getState();
  const sections = view ? sectionsOf(view.state.doc) : [];
  const own = sections.find((section) => section.id === id);
  return sections.find((section) => section.from === own?.to)?.id ?? null;
}

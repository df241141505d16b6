import { MATTERS } from '@vennet/core/manuscript';
import type { VersionedChapter } from '@vennet/core/wire';
import { memo, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { useBook } from '../book/store.js';
import { beginDrag, dragOver, endDrag, useDrag } from './drag.js';
import { EntryMenu } from './EntryMenu.js';
import { askAbout, joined } from './chapter-asks.js';
import { moveAway, moveToMatter, placeChapter, stepChapter } from './move.js';
import { Tally, type Verdicts } from './Tally.js';

const TO_MATTER = {
  front: 'Put before the text',
  main: 'Put into the text',
  back: 'Put after the text',
} as const;

/** One chapter of the outline: pressed, it opens; dragged or moved by key, it changes its place. */
export const ChapterEntry = memo(function ChapterEntry({
  chapter,
  book,
  open,
  verdicts,
  findings,
}: {
  chapter: VersionedChapter;
  book: string;
  open: boolean;
  verdicts: Verdicts;
  findings: number;
}) {
  const { id, title, leftOutOf } = chapter;
  const label = useBook((store) => store.places.get(id)?.label ?? '');
  const next = useBook((store) => {
    const chapters = store.book?.chapters ?? [];
    return chapters[chapters.findIndex((one) => one.id === id) + 1];
  });
  const isFirst = useBook((store) => store.book?.chapters[0]?.id === id);
  const { dragged, over, after } = useDrag();
  const takes =
    dragged !== null &&
    dragged.kind !== 'place' &&
    dragged.id !== id &&
    !(open && dragged.kind === 'section');
  const pressed = (event: KeyboardEvent) => {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    void stepChapter(id, event.key === 'ArrowUp' ? -1 : 1);
  };
  const dropped = () => {
    if (dragged?.kind === 'chapter') void placeChapter(dragged.id, id, after);
    else if (dragged?.kind === 'section') void moveAway(dragged.id, id, null);
    endDrag();
  };
  const line = takes && over === id ? (dragged.kind === 'section' || after ? 'after' : 'before') : undefined;
  return (
    <div
      className="outline-row"
      data-drop={line}
      role="presentation"
      onDragOver={(event) => takes && dragOver(event, id)}
      onDrop={(event) => {
        if (!takes) return;
        event.preventDefault();
        dropped();
      }}
    >
      <Link
        to={`/books/${book}/write/${id}`}
        aria-current={open ? 'page' : undefined}
        draggable
        onDragStart={(event) => beginDrag(event, { kind: 'chapter', id }, title)}
        onDragEnd={endDrag}
        onKeyDown={pressed}
        className="flex min-w-0 grow items-start justify-between gap-2 rounded px-2 py-1 leading-snug no-underline hover:bg-raised aria-[current=page]:bg-wash aria-[current=page]:font-semibold"
      >
        <span className={leftOutOf.length > 0 ? 'text-soft italic' : undefined}>
          {label && <span className="mr-1.5 font-normal text-soft tabular-nums">{label}</span>}
          {title || 'Without a title'}
        </span>
        <Tally verdicts={verdicts} findings={findings} />
      </Link>
      <EntryMenu
        words={title || 'this chapter'}
        place={id}
        up={() => void stepChapter(id, -1)}
        down={() => void stepChapter(id, 1)}
        more={[
          { words: 'Rename', act: () => askAbout({ rename: chapter }) },
          ...(isFirst ? [] : [{ words: 'Join to the chapter before', act: () => void joined(chapter) }]),
          ...(next ? [{ words: 'Join with the next chapter', act: () => void joined(next) }] : []),
          ...MATTERS.filter((matter) => matter !== chapter.matter).map((matter) => ({
            words: TO_MATTER[matter],
            act: () => void moveToMatter(id, matter),
          })),
          { words: 'Remove', act: () => askAbout({ remove: chapter }) },
        ]}
      />
    </div>
  );
});

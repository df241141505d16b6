import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef } from 'react';
import { useBook } from '../book/store.js';

/** One line of the list: a mention without a link, or a link of the same words. */
export interface MentionLine {
  key: string;
  chapter: string;
  before: string;
  text: string;
  after: string;
}

/** Only the lines that can be seen are drawn: a book may hold ten thousand mentions. */
export function MentionList({
  lines,
  left,
  tick,
}: {
  lines: MentionLine[];
  left: ReadonlySet<string>;
  tick(key: string): void;
}) {
  const scroller = useRef<HTMLDivElement>(null);
  const chapters = useBook((store) => store.book?.chapters);
  const titles = useMemo(() => new Map(chapters?.map(({ id, title }) => [id, title])), [chapters]);
  // eslint-disable-next-line react-hooks/incompatible-library -- its values stay in this component
  const rows = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 58,
    overscan: 8,
  });
  return (
    <div
      ref={scroller}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- a scrolled list has to be reached by key (WCAG 2.1.1)
      tabIndex={0}
      className="mt-2 max-h-[42vh] overflow-y-auto border-y border-line"
    >
      <ul aria-label="Mentions" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const { key, chapter, before, text, after } = lines[index]!;
          return (
            <li
              key={key}
              ref={rows.measureElement}
              data-index={index}
              aria-setsize={lines.length}
              aria-posinset={index + 1}
              className="absolute inset-x-0 flex gap-2.5 border-b border-line px-1.5 py-1.5"
              style={{ transform: `translateY(${start}px)` }}
            >
              <input
                id={`mention-${key}`}
                type="checkbox"
                className="mt-1.5 self-start accent-amber"
                checked={!left.has(key)}
                onChange={() => tick(key)}
              />
              <label
                htmlFor={`mention-${key}`}
                className="min-w-0 grow cursor-pointer font-text leading-snug"
              >
                {/^\s/.test(before) && '…'}
                {before}
                <mark className="rounded-sm bg-wash px-0.5 text-ink">{text}</mark>
                {after}
                {/\s$/.test(after) && '…'}
                <span className="block font-ui text-xs text-soft">{titles.get(chapter)}</span>
              </label>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

import { pageName, pagesOf } from '@vennet/core/manuscript';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef } from 'react';
import { groundOpen } from '../book/ground-file.js';
import { drawPage } from '../parts/pdfjs.js';
import { useEditor } from '../editor/state/store.js';
import { toPage, usePageSeen } from './page-seen.js';

/** How wide a small page is, in CSS px. */
const WIDTH = 96;

/** How many of them stand in a row. */
const ACROSS = 2;
/** What a row has beside its pictures, in CSS px: its edges, its words and the space below. */
const BESIDE = 46;

/** Small pictures of all pages, with how many links each has; pressed, the page is gone to. Only those that can be seen are there. */
export function Thumbnails() {
  const doc = useEditor((store) => store.state?.doc ?? null);
  const { page } = usePageSeen();
  const list = useRef<HTMLUListElement>(null);
  const pages = useMemo(() => (doc ? pagesOf(doc).map(({ attrs }) => attrs) : []), [doc]);
  const rowOf = (row: number) => pages.slice(row * ACROSS, (row + 1) * ACROSS);
  // eslint-disable-next-line react-hooks/incompatible-library -- its values stay in this component
  const rows = useVirtualizer({
    count: Math.ceil(pages.length / ACROSS),
    getScrollElement: () => list.current?.closest('aside') ?? null,
    estimateSize: (row) =>
      Math.max(...rowOf(row).map(({ width, height }) => (WIDTH * height) / width)) + BESIDE,
    overscan: 2,
    // The tabs above.
    scrollMargin: list.current?.offsetTop ?? 0,
  });
  const { scrollToIndex } = rows;
  useEffect(() => {
    if (pages.length > 0) scrollToIndex(Math.floor((page - 1) / ACROSS), { align: 'auto' });
  }, [page, pages.length, scrollToIndex]);
  return (
    <nav aria-label="Pages">
      <ul ref={list} className="relative mx-4 mb-6" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().flatMap(({ index: row, start }) =>
          rowOf(row).map(({ number, label, width, height, areas }, column) => (
            <li
              key={number}
              aria-setsize={pages.length}
              aria-posinset={number}
              className="absolute w-[calc(50%-0.25rem)]"
              style={{
                top: start - rows.options.scrollMargin,
                left: column === 0 ? 0 : 'calc(50% + 0.25rem)',
              }}
            >
              <Thumbnail
                number={number}
                name={pageName({ number, label })}
                ratio={width / height}
                links={areas.length}
                isSeen={number === page}
              />
            </li>
          )),
        )}
      </ul>
    </nav>
  );
}

const Thumbnail = memo(function Thumbnail({
  number,
  name,
  ratio,
  links,
  isSeen,
}: {
  number: number;
  name: string;
  ratio: number;
  links: number;
  isSeen: boolean;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    return canvas.current ? drawSmall(canvas.current, number) : undefined;
  }, [number]);
  return (
    <button
      type="button"
      aria-current={isSeen ? 'page' : undefined}
      className="block w-full cursor-pointer rounded-sm p-1 text-center text-xs text-soft hover:bg-wash aria-[current]:bg-wash aria-[current]:font-semibold aria-[current]:text-ink"
      onClick={() => toPage(number)}
    >
      <canvas
        ref={canvas}
        aria-hidden="true"
        className="mx-auto mb-1 block w-24 border border-line bg-white"
        style={{ aspectRatio: ratio }}
      />
      <span className="sr-only">Page </span>
      {name}
      {links > 0 && (
        <span className="font-normal text-soft">{links === 1 ? ' · 1 link' : ` · ${links} links`}</span>
      )}
    </button>
  );
});

/** Who scrolls by sees no pictures: so long a page has to be there before it is drawn small, in ms. */
const STAYS = 150;

/** Draws a page small; gives how to stop. */
function drawSmall(canvas: HTMLCanvasElement, number: number): () => void {
  let stop = () => {};
  let isStopped = false;
  const draw = async () => {
    const page = await (await groundOpen()).getPage(number);
    if (isStopped) return;
    const drawing = drawPage(page, canvas, WIDTH * window.devicePixelRatio, 0);
    stop = () => drawing.cancel();
    await drawing.promise;
  };
  const timer = setTimeout(() => void draw().catch(() => {}), STAYS);
  return () => {
    clearTimeout(timer);
    isStopped = true;
    stop();
  };
}

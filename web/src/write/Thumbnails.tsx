import { pageName, pagesOf } from '@vennet/core/manuscript';
import { memo, useEffect, useMemo, useRef } from 'react';
import { groundOpen } from '../book/ground-file.js';
import { drawPage } from '../parts/pdfjs.js';
import { useEditor } from '../editor/state/store.js';
import { toPage, usePageSeen } from './page-seen.js';

/** How wide a small page is, in CSS px. */
const WIDTH = 96;

/** Small pictures of all pages, with how many links each has; pressed, the page is gone to. */
export function Thumbnails() {
  const doc = useEditor((store) => store.state?.doc ?? null);
  const { page } = usePageSeen();
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.querySelector(`[data-number="${page}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [page]);
  const pages = useMemo(() => (doc ? pagesOf(doc).map(({ attrs }) => attrs) : []), [doc]);
  return (
    <nav aria-label="Pages">
      <ul ref={list} className="grid grid-cols-2 gap-x-2 gap-y-3 px-4 pb-6">
        {pages.map(({ number, label, width, height, areas }) => (
          <li key={number} data-number={number}>
            <Thumbnail
              number={number}
              name={pageName({ number, label })}
              ratio={width / height}
              links={areas.length}
              isSeen={number === page}
            />
          </li>
        ))}
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
    const drawn = canvas.current;
    if (!drawn) return;
    let stop = () => {};
    const seen = new IntersectionObserver(([entry]) => {
      if (!entry?.isIntersecting) return;
      seen.disconnect();
      stop = drawSmall(drawn, number);
    });
    seen.observe(drawn);
    return () => {
      seen.disconnect();
      stop();
    };
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

/** Draws a page small; gives how to stop. */
function drawSmall(canvas: HTMLCanvasElement, number: number): () => void {
  let stop = () => {};
  let isStopped = false;
  void (async () => {
    const page = await (await groundOpen()).getPage(number);
    if (isStopped) return;
    const drawing = drawPage(page, canvas, WIDTH * window.devicePixelRatio, 0);
    stop = () => drawing.cancel();
    await drawing.promise;
  })().catch(() => {});
  return () => {
    isStopped = true;
    stop();
  };
}

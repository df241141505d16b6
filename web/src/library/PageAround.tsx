import { groundFile } from '@vennet/client';
import type { Passage } from '@vennet/core/carry-over';
import type { PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client.js';
import { openPdf } from '../parts/pdfjs.js';

/** How wide and high the part of a page is shown, in CSS pixels, and how much more of it than the thing itself. */
const [WIDTH, HEIGHT] = [300, 120];
const AROUND = 1.6;
/** At least this share of the width of the page is seen. */
const LEAST = 0.5;

type Reading = Promise<{ file: PDFDocumentProxy; close(): void }>;

/** The finished files of some books, by the ids of these; each is opened when a page of it is drawn first, and closed with what shows them. */
export function useGroundFiles(): (book: string) => Promise<PDFDocumentProxy> {
  const readings = useRef(new Map<string, Reading>());
  useEffect(() => {
    const open = readings.current;
    return () => {
      for (const reading of open.values())
        void reading.then(
          ({ close }) => close(),
          () => {},
        );
      open.clear();
    };
  }, []);
  return (book) => {
    let reading = readings.current.get(book);
    if (!reading) readings.current.set(book, (reading = read(book)));
    return reading.then(({ file }) => file);
  };
}

async function read(book: string): Reading {
  const { ground } = await api.manuscript(book);
  const reading = await openPdf(groundFile(book), ground?.password);
  return { file: await reading.promise, close: () => void reading.destroy() };
}

/** The part of a page around a thing, which is outlined; it is drawn when it comes into view. */
export function PageAround({
  on: { page, box },
  file,
}: {
  on: NonNullable<Passage['on']>;
  file(): Promise<PDFDocumentProxy>;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const given = useRef(file);
  const [outline, setOutline] = useState<React.CSSProperties | null>(null);
  const { x, y, width, height } = box;
  useEffect(() => {
    const drawn = canvas.current;
    if (!drawn) return;
    let isGone = false;
    const draw = async () => {
      const sheet = await (await given.current()).getPage(page);
      if (isGone) return;
      const part = partOf(sheet, { x, y, width, height });
      setOutline(part.outline);
      await part.draw(drawn);
    };
    const seen = new IntersectionObserver(([entry]) => {
      if (!entry?.isIntersecting) return;
      seen.disconnect();
      // What can't be drawn is told by its words beside.
      draw().catch(() => {});
    });
    seen.observe(drawn);
    return () => {
      isGone = true;
      seen.disconnect();
    };
  }, [page, x, y, width, height]);
  return (
    <div
      className="relative mt-1.5 max-w-full overflow-hidden rounded-sm border border-line bg-white"
      style={{ width: WIDTH, height: HEIGHT }}
      aria-hidden="true"
    >
      <canvas ref={canvas} className="block" style={{ width: WIDTH, height: HEIGHT }} />
      {outline && <span className="absolute rounded-sm border-2 border-amber" style={outline} />}
    </div>
  );
}

function partOf(sheet: PDFPageProxy, box: { x: number; y: number; width: number; height: number }) {
  const whole = sheet.getViewport({ scale: 1 });
  const share = Math.min(
    1,
    Math.max(
      LEAST,
      box.width * AROUND,
      (box.height * AROUND * whole.height * WIDTH) / (HEIGHT * whole.width),
    ),
  );
  const scale = WIDTH / (share * whole.width);
  const [wide, high] = [whole.width * scale, whole.height * scale];
  const within = (middle: number, shown: number, all: number) =>
    Math.min(Math.max(0, all - shown), Math.max(0, middle - shown / 2));
  const left = within((box.x + box.width / 2) * wide, WIDTH, wide);
  const top = within((box.y + box.height / 2) * high, HEIGHT, high);
  return {
    outline: {
      left: box.x * wide - left - 3,
      top: box.y * high - top - 3,
      width: box.width * wide + 6,
      height: box.height * high + 6,
    },
    draw: (canvas: HTMLCanvasElement) => {
      const pixels = window.devicePixelRatio;
      canvas.width = WIDTH * pixels;
      canvas.height = HEIGHT * pixels;
      const viewport = sheet.getViewport({
        scale: scale * pixels,
        offsetX: -left * pixels,
        offsetY: -top * pixels,
      });
      return sheet.render({ canvas, viewport, annotationMode: 0 }).promise;
    },
  };
}

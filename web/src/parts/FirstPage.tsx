import { enclosureFile } from '@vennet/client';
import type { ShelfFile } from '@vennet/core/shelf';
import { File } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { drawPage, openPdf } from './pdfjs.js';

/** How wide a first page is drawn, in CSS pixels. */
const WIDTH = 72;

/** How a file begins, small: the first page of a PDF, a picture as it is, a sign for any other. */
export function FirstPage({ file }: { file: Pick<ShelfFile, 'id' | 'type' | 'name'> }) {
  const frame = 'block w-[72px] shrink-0 rounded-sm border border-line bg-white';
  if (file.type.startsWith('image/'))
    return <img className={`${frame} max-h-24 object-contain`} src={enclosureFile(file.id)} alt="" />;
  if (file.type === 'application/pdf') return <PdfPage key={file.id} id={file.id} className={frame} />;
  return <NoPage className={frame} />;
}

const NoPage = ({ className }: { className: string }) => (
  <span className={`${className} grid h-24 place-items-center text-slate-500`}>
    <File size={22} aria-hidden="true" />
  </span>
);

/** The first page of a PDF, drawn when it comes into view. */
function PdfPage({ id, className }: { id: string; className: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [isNone, setNone] = useState(false);
  useEffect(() => {
    const drawn = canvas.current;
    if (!drawn) return;
    const ended = new AbortController();
    const seen = new IntersectionObserver(([entry]) => {
      if (!entry?.isIntersecting) return;
      seen.disconnect();
      draw(drawn, id, ended.signal).catch(() => ended.signal.aborted || setNone(true));
    });
    seen.observe(drawn);
    return () => {
      seen.disconnect();
      ended.abort();
    };
  }, [id]);
  return isNone ? (
    <NoPage className={className} />
  ) : (
    <canvas ref={canvas} className={`${className} min-h-24`} aria-hidden="true" />
  );
}

async function draw(canvas: HTMLCanvasElement, id: string, signal: AbortSignal): Promise<void> {
  const reading = await openPdf(enclosureFile(id));
  try {
    signal.throwIfAborted();
    signal.addEventListener('abort', () => void reading.destroy());
    const page = await (await reading.promise).getPage(1);
    await drawPage(page, canvas, WIDTH * window.devicePixelRatio).promise;
  } finally {
    await reading.destroy();
  }
}

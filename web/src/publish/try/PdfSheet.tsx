import type { PageViewport, PDFDocumentProxy, PDFPageProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { drawPage, layWords } from '../../parts/pdfjs.js';

/** A page of a PDF as it is looked at: its numbers are in CSS px. */
export interface SeenSheet {
  page: PDFPageProxy;
  viewport: PageViewport;
}

/** A rectangle of a page as it is shown: left, top, width and height. */
export function shownRect({ viewport }: SeenSheet, rect: readonly number[]): React.CSSProperties {
  const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = viewport.convertToViewportRectangle([...rect]) as number[];
  return {
    left: Math.min(x1, x2),
    top: Math.min(y1, y2),
    width: Math.abs(x2 - x1),
    height: Math.abs(y2 - y1),
  };
}

interface SheetProps {
  file: PDFDocumentProxy;
  /** From 1. */
  number: number;
  /** How wide it is shown, in CSS px. */
  width: number;
  label: string;
  /** What lies over it. */
  children?(sheet: SeenSheet): ReactNode;
}

/** A page of a PDF, drawn, with its words to be selected, and what lies over it. */
export function PdfSheet({ file, number, width, label, children }: SheetProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const words = useRef<HTMLDivElement>(null);
  const [sheet, setSheet] = useState<SeenSheet | null>(null);
  const [fault, setFault] = useState('');
  useEffect(() => {
    let gone = false;
    let stop = () => {};
    const draw = async () => {
      const page = await file.getPage(number);
      if (gone || !canvas.current || !words.current) return;
      const viewport = page.getViewport({ scale: width / page.getViewport({ scale: 1 }).width });
      setSheet({ page, viewport });
      const drawing = drawPage(page, canvas.current, Math.round(width * window.devicePixelRatio), 0);
      stop = () => drawing.cancel();
      await Promise.all([layWords(page, words.current, viewport, () => gone), drawing.promise]);
    };
    setFault('');
    draw().catch((error: Error) => {
      if (!gone && !/cancel/i.test(error.name + error.message)) setFault('This page can’t be drawn.');
    });
    return () => {
      gone = true;
      stop();
    };
  }, [file, number, width]);
  const isHere = sheet?.page.pageNumber === number;
  return (
    <div
      className="relative shrink-0 bg-white text-black shadow"
      style={{ width, height: sheet?.viewport.height ?? width * 1.4 }}
      data-page={isHere ? number : undefined}
    >
      <canvas ref={canvas} role="img" aria-label={label} className="absolute inset-0 h-full w-full" />
      <div ref={words} className="pdf-words" />
      {fault && <p className="absolute inset-x-0 top-8 text-center">{fault}</p>}
      {isHere && sheet && children?.(sheet)}
    </div>
  );
}

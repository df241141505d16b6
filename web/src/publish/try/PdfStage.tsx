import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useImperativeHandle, useRef, useState } from 'react';
import { linksOf, type PdfLink } from './pdf-links.js';
import { PdfSheet, shownRect } from './PdfSheet.js';
import { SCREENS, type StageProps } from './reading-state.js';

/** How long something is outlined, in ms. */
const OUTLINED = 1600;

/** A page of a PDF on a screen: its text can be selected, its links are pressed. On paper nothing can be. */
export function PdfStage({ file, ...props }: StageProps & { file: PDFDocumentProxy }) {
  const { here, screen, stage, linked, pressed, title } = props;
  const number = Number(here.path);
  const [links, setLinks] = useState<{ page: number; all: PdfLink[] }>({ page: 0, all: [] });
  const [lit, setLit] = useState<{ link: number } | { spot: string } | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const told = useRef(linked);
  useEffect(() => void (told.current = linked));

  useEffect(() => {
    let gone = false;
    const read = async () => {
      const all = await linksOf(file, await file.getPage(number));
      if (gone) return;
      setLinks({ page: number, all });
      told.current(all);
    };
    void read().catch(() => gone || told.current([]));
    return () => void (gone = true);
  }, [file, number]);
  useEffect(() => setLit(here.spot === '' ? null : { spot: here.spot }), [here]);
  useEffect(() => {
    if (!lit) return;
    const timer = setTimeout(() => setLit(null), OUTLINED);
    return () => clearTimeout(timer);
  }, [lit]);
  useEffect(() => {
    if (lit) box.current?.querySelector('[data-lit]')?.scrollIntoView({ block: 'center' });
  }, [lit, links]);
  useImperativeHandle(
    stage,
    () => ({
      toSpot: (spot) => setLit({ spot }),
      toLink(link) {
        setLit({ link });
        box.current?.querySelector<HTMLElement>(`[data-link="${link}"]`)?.focus();
      },
      turn: (by) => props.past(by),
    }),
    [props],
  );

  const { width, height } = SCREENS[screen];
  const isPaper = screen === 'paper';
  const inside = width - (isPaper ? 0 : 24);
  const own = links.page === number ? links.all : [];
  return (
    <section
      ref={box}
      aria-label={title}
      // It may be scrolled by its keys, on paper too, where nothing in it can be pressed.
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={0}
      className={`grid justify-items-center overflow-auto ${isPaper ? 'bg-white shadow-lg' : 'rounded-lg border-4 border-strong-line bg-[var(--ground)]'} ${screen === 'ink' ? 'ink-screen' : ''}`}
      style={{ width, height: isPaper ? 'auto' : height, maxWidth: '100%', maxHeight: '100%' }}
      key={screen === 'ink' ? `ink ${number}` : screen}
    >
      <PdfSheet file={file} number={number} width={inside} label={title}>
        {(sheet) => (
          <>
            {!isPaper &&
              own.map((link, at) =>
                link.rects.map((rect, part) => (
                  <button
                    key={`${at} ${part}`}
                    type="button"
                    data-link={part === 0 ? at : undefined}
                    data-lit={lit && 'link' in lit && lit.link === at ? '' : undefined}
                    tabIndex={part === 0 ? 0 : -1}
                    aria-label={link.words || link.href}
                    title={screen === 'ink' ? undefined : link.note || undefined}
                    className="pdf-link"
                    style={shownRect(sheet, rect)}
                    onClick={() => pressed(at)}
                  />
                )),
              )}
            {lit && 'spot' in lit && lit.spot !== '' && <Spot sheet={sheet} spot={lit.spot} />}
          </>
        )}
      </PdfSheet>
    </section>
  );
}

/** Outlines the line that begins at a spot, given as `left,top` in points. */
function Spot({ sheet, spot }: { sheet: Parameters<typeof shownRect>[0]; spot: string }) {
  const [left = 0, top = 0] = spot.split(',').map(Number);
  const [, , right = 0] = sheet.page.view;
  const rect = [Math.max(0, left - 3), top - 20, right - 20, top + 2];
  return <span data-lit="" data-testid="landed" className="pdf-lit" style={shownRect(sheet, rect)} />;
}

import type { ExportJob, Reading } from '@vennet/core/wire';
import { useQuery } from '@tanstack/react-query';
import { Play, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import { api } from '../../api/client.js';
import { FullDialog } from '../FullDialog.js';
import { FrameStage } from './FrameStage.js';
import { linkCountOf } from './pdf-links.js';
import { PdfStage } from './PdfStage.js';
import { Reader } from './Reader.js';
import { useMadePdf } from './use-made-pdf.js';
import { SCREENS, type ReadPage, type Screen } from './reading-state.js';

/** The made file itself, as its reader will have it: its links are pressed, and a tally is kept of those that were tried. */
export function TryReader({ job }: { job: ExportJob }) {
  return (
    <FullDialog icon={Play} words="Try it as a reader">
      <Tried job={job} />
    </FullDialog>
  );
}

function Tried({ job: { id, format, fileName } }: { job: ExportJob }) {
  const isPdf = format === 'pdf';
  const [screen, setScreen] = useState<Screen>(isPdf ? 'wide' : 'tablet');
  const [paged, setPaged] = useState(false);
  const { data } = useQuery({
    queryKey: ['reading', id],
    queryFn: () => api.reading(id),
    // A made file stays as it is, and its tally is kept here, too.
    staleTime: Infinity,
  });
  return (
    <>
      <header className="flex flex-wrap items-center justify-between gap-3 border-b border-line px-5 py-3">
        <Dialog.Title className="font-text text-xl">{fileName}, as a reader has it</Dialog.Title>
        <div className="flex items-center gap-4">
          {!isPdf && screen !== 'paper' && (
            <label className="flex items-center gap-2 text-sm">
              Read
              <select
                className="field !w-auto"
                value={paged ? 'pages' : 'scrolled'}
                onChange={({ target }) => setPaged(target.value === 'pages')}
              >
                <option value="scrolled">by scrolling</option>
                <option value="pages">page by page</option>
              </select>
            </label>
          )}
          <label className="flex items-center gap-2 text-sm">
            Screen
            <select
              className="field !w-auto"
              value={screen}
              onChange={({ target }) => setScreen(target.value as Screen)}
            >
              {Object.entries(SCREENS).map(([one, { words }]) => (
                <option key={one} value={one}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <Dialog.Close className="button" data-look="quiet" data-size="small" aria-label="Close">
            <X size={16} aria-hidden="true" />
          </Dialog.Close>
        </div>
      </header>
      {!data ? (
        <p className="p-5">Opening the file …</p>
      ) : isPdf ? (
        <TriedPdf job={id} reading={data} screen={screen} />
      ) : (
        <TriedPages job={id} reading={data} screen={screen} paged={paged} />
      )}
    </>
  );
}

interface TriedProps {
  job: string;
  reading: Reading;
  screen: Screen;
}

function TriedPages({ job, reading, screen, paged }: TriedProps & { paged: boolean }) {
  const paths = useMemo(() => reading.pages.map(({ path }) => path), [reading]);
  return (
    <Reader job={job} pages={reading.pages} tried={reading.tried} screen={screen} paged={paged}>
      {(props) => <FrameStage {...props} job={job} paths={paths} />}
    </Reader>
  );
}

function TriedPdf({ job, reading, screen }: TriedProps) {
  const { file, fault } = useMadePdf(job);
  const [pages, setPages] = useState<readonly ReadPage[]>([]);
  useEffect(() => {
    if (!file) return;
    let gone = false;
    const look = async () => {
      const labels = await file.getPageLabels();
      const sheets = Array.from({ length: file.numPages }, (_, index): ReadPage => {
        const label = labels?.[index];
        return {
          path: String(index + 1),
          title: label && label !== String(index + 1) ? `Page ${label} (${index + 1})` : `Page ${index + 1}`,
          links: 0,
        };
      });
      if (gone) return;
      setPages(sheets);
      // How many links there are is counted while the first page is looked at.
      const counted: ReadPage[] = [];
      for (const sheet of sheets) {
        const links = await linkCountOf(await file.getPage(counted.length + 1));
        if (gone) return;
        counted.push({ ...sheet, links });
      }
      setPages(counted);
    };
    // A file that is closed meanwhile is not counted to its end.
    look().catch(() => {});
    return () => void (gone = true);
  }, [file]);
  if (fault) return <p className="p-5">The file can’t be opened: {fault}</p>;
  if (!file || pages.length === 0) return <p className="p-5">Opening the file …</p>;
  return (
    <Reader job={job} pages={pages} tried={reading.tried} screen={screen} paged>
      {(props) => <PdfStage {...props} file={file} />}
    </Reader>
  );
}

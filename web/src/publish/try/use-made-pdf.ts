import { exportFile } from '@vennet/client';
import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useState } from 'react';
import { useBook } from '../../book/store.js';
import { readPdf } from '../../parts/pdfjs.js';

/**
 * A PDF that was made, opened; `file` is `null` until it is. It is fetched whole: what pdf.js fetches piece by piece can't be let go
 * without a fault of its own.
 */
export function useMadePdf(job: string): { file: PDFDocumentProxy | null; fault: string } {
  const password = useBook((store) => store.book?.ground?.password);
  const [file, setFile] = useState<PDFDocumentProxy | null>(null);
  const [fault, setFault] = useState('');
  useEffect(() => {
    const gone = new AbortController();
    let opened: PDFDocumentProxy | null = null;
    const open = async () => {
      const answer = await fetch(exportFile(job), { signal: gone.signal });
      if (!answer.ok) throw new Error('It is not there any more. Make it anew.');
      opened = await readPdf(await answer.arrayBuffer(), password);
      if (gone.signal.aborted) void opened.loadingTask.destroy();
      else setFile(opened);
    };
    open().catch((error: Error) => gone.signal.aborted || setFault(error.message));
    return () => {
      gone.abort();
      void opened?.loadingTask.destroy();
    };
  }, [job, password]);
  return { file, fault };
}

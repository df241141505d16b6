import { isUnderWay, type ExportJob } from '@vennet/core/wire';
import { BookOpen, FileCode, FilePen, FileText, Globe } from 'lucide-react';

/** The forms of publishing, as they are called. */
export const FORMS = {
  epub: {
    words: 'E-book',
    make: 'Make the e-book',
    about: 'EPUB 3.3, for reading programs on every size of screen.',
    icon: BookOpen,
  },
  pdf: {
    words: 'PDF',
    make: 'Make the PDF',
    about: 'Tagged PDF with pages, for print and for reading as it was set.',
    icon: FileText,
  },
  web: {
    words: 'Web page',
    make: 'Make the web page',
    about: 'One page of HTML with its pictures in it, for any browser.',
    icon: Globe,
  },
  docx: {
    words: 'DOCX',
    make: 'Make the DOCX',
    about: 'Office Open XML, for word processors, with live links, bookmarks, references and notes.',
    icon: FilePen,
  },
  odt: {
    words: 'ODT',
    make: 'Make the ODT',
    about: 'OpenDocument text, for word processors, with live links, bookmarks, references and notes.',
    icon: FilePen,
  },
  markdown: {
    words: 'Markdown',
    make: 'Make the Markdown',
    about: 'Plain text with signs, for any editor; an archive when the book has pictures or files.',
    icon: FileCode,
  },
} as const;

/** How a form stands, in a few words. @param jobs those of the form, the newest first */
export function stateOf(jobs: readonly ExportJob[]): { words: string; isGood: boolean } {
  const [newest] = jobs;
  if (newest && isUnderWay(newest)) return { words: 'Being made', isGood: true };
  const good = jobs.find(({ state }) => state === 'done');
  if (!good) return { words: 'Never made', isGood: true };
  const lost = good.proof?.lost.length ?? 0;
  if (lost > 0) return { words: lost === 1 ? '1 link lost' : `${lost} links lost`, isGood: false };
  return good.isOutdated
    ? { words: 'The book has changed since', isGood: false }
    : { words: 'Up to date', isGood: true };
}

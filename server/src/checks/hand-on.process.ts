import { writeFileSync } from 'node:fs';
import { editionOf, makeWebPage } from '@vennet/core/publish';
import { reportBook, type SurveyReport } from '@vennet/core/reports';
import { work } from '../jobs/work.js';
import { finishPdf } from '../typesetting/finish.js';
import { setPages } from '../typesetting/typeset.js';

export interface HandOnInput {
  report: SurveyReport;
  as: 'html' | 'pdf';
  /** Where it is written. */
  output: string;
}

/** Makes a report for reading as books are made: a web page, or a tagged PDF. */
work<HandOnInput, never, number>(
  () => null,
  async ({ report, as, output }) => {
    const edition = editionOf(reportBook(report), [], as === 'pdf' ? 'pdf' : 'web');
    const bytes = as === 'pdf' ? await pdf(edition) : makeWebPage(edition);
    writeFileSync(output, bytes);
    return bytes.length;
  },
);

async function pdf(edition: ReturnType<typeof editionOf>): Promise<Uint8Array> {
  const { bytes, places } = setPages(edition).write();
  return finishPdf(bytes, edition, places);
}

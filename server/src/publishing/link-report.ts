import { escapeXml } from '@vennet/core/publish';
import type { ProofRow } from '@vennet/core/readback';
import { stringify } from 'csv-stringify/sync';

/** A made file with what was found of each link in it. */
export interface ReportedFile {
  name: string;
  rows: readonly ProofRow[];
}

const STATES: Record<ProofRow['state'], string> = {
  lost: 'lost',
  changed: 'changed',
  found: 'as in the book',
};

/** Each link of a book with where it stands in each of its made files: the heads, and a line for each. */
function linesOf(files: readonly ReportedFile[], titles: ReadonlyMap<string, string>): string[][] {
  const links = new Map<string, { row: ProofRow; cells: Map<string, string> }>();
  for (const { name, rows } of files)
    for (const row of rows) {
      const link = links.get(row.id) ?? { row, cells: new Map<string, string>() };
      link.cells.set(name, [STATES[row.state], row.where].filter(Boolean).join(', '));
      links.set(row.id, link);
    }
  return [
    ['Chapter', 'Words', 'Leads to', ...files.map(({ name }) => name)],
    ...[...links.values()].map(({ row: { chapter, text, href }, cells }) => [
      titles.get(chapter) ?? '',
      text,
      href,
      ...files.map(({ name }) => cells.get(name) ?? 'not in this form'),
    ]),
  ];
}

/** The report of the links as CSV (RFC 4180); what begins like a formula is kept from being one. */
export const linksAsCsv = (...given: Parameters<typeof linesOf>): string =>
  stringify(linesOf(...given), { escape_formulas: true, bom: true, record_delimiter: '\r\n' });

/** The same as a web page. */
export function linksAsHtml(title: string, ...given: Parameters<typeof linesOf>): string {
  const [heads = [], ...lines] = linesOf(...given);
  const row = (cells: readonly string[], open: string, close: string) =>
    `<tr>${cells.map((words) => `${open}${escapeXml(words)}${close}`).join('')}</tr>`;
  return `<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>Links of ${escapeXml(title)}</title>
<meta name="viewport" content="width=device-width">
<style>
body { margin: 2em; font: 1em/1.4 sans-serif; }
table { border-collapse: collapse; }
th, td { padding: 0.3em 0.8em; border-bottom: 1px solid; text-align: start; vertical-align: top; overflow-wrap: anywhere; }
</style>
</head>
<body>
<h1>Links of ${escapeXml(title)}</h1>
<table>
<thead>${row(heads, '<th scope="col">', '</th>')}</thead>
<tbody>
${lines.map((cells) => row(cells, '<td>', '</td>')).join('\n')}
</tbody>
</table>
</body>
</html>
`;
}

import type { AnyProof, ProvedLink } from '@vennet/core/wire';

export const STATE_WORDS: Record<ProvedLink['state'], string> = {
  lost: 'Lost',
  changed: 'Changed',
  found: 'There',
  looks: 'Only looks like a link',
};

const COLUMNS = ['State', 'Words', 'Leads to', 'Where', 'What is otherwise', 'Findings'];

const rowsOf = ({ links }: AnyProof): string[][] =>
  links.map(({ state, text, href, where, about, findings }) => [
    STATE_WORDS[state],
    text,
    href,
    where,
    about,
    findings.map(({ message }) => message).join(' '),
  ]);

/** The table for a spreadsheet; what begins as a formula there is escaped. */
export async function asCsv(proof: AnyProof): Promise<string> {
  const { stringify } = await import('csv-stringify/browser/esm/sync');
  return stringify([COLUMNS, ...rowsOf(proof)], { bom: true, escape_formulas: true });
}

/** The table as a web page. */
export function asHtml(proof: AnyProof): string {
  const page = document.implementation.createHTMLDocument(`Links of ${proof.name}`);
  page.documentElement.lang = 'en';
  const heading = page.createElement('h1');
  heading.textContent = `Links of ${proof.name}`;
  const table = page.createElement('table');
  const row = (cells: readonly string[], name: 'th' | 'td') => {
    const line = table.insertRow();
    for (const words of cells) {
      const cell = page.createElement(name);
      if (name === 'th') cell.setAttribute('scope', 'col');
      cell.textContent = words;
      line.append(cell);
    }
  };
  row(COLUMNS, 'th');
  for (const cells of rowsOf(proof)) row(cells, 'td');
  page.body.append(heading, table);
  return `<!doctype html>${page.documentElement.outerHTML}`;
}

/** Lets the browser save words as a file. */
export function save(name: string, type: string, words: string): void {
  const url = URL.createObjectURL(new Blob([words], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** A table that can be saved: its title, the heads of its columns, and its rows. */
export interface SavedTable {
  title: string;
  heads: readonly string[];
  rows: readonly (readonly string[])[];
}

/** The table for a spreadsheet; what begins as a formula there is escaped. */
export async function asCsv({ heads, rows }: SavedTable): Promise<string> {
  const { stringify } = await import('csv-stringify/browser/esm/sync');
  return stringify([heads, ...rows], { bom: true, escape_formulas: true });
}

/** The table as a web page. */
export function asHtml({ title, heads, rows }: SavedTable): string {
  const page = document.implementation.createHTMLDocument(title);
  page.documentElement.lang = 'en';
  const heading = page.createElement('h1');
  heading.textContent = title;
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
  row(heads, 'th');
  for (const cells of rows) row(cells, 'td');
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

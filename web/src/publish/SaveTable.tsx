import { asCsv, asHtml, save, type SavedTable } from './save-table.js';

/** Saves a table for a spreadsheet or as a web page. @param name of the file, without its ending */
export function SaveTable({ name, table }: { name: string; table(): SavedTable }) {
  return (
    <div className="flex gap-2">
      <button
        type="button"
        className="button"
        data-size="small"
        onClick={() => void asCsv(table()).then((csv) => save(`${name}.csv`, 'text/csv', csv))}
      >
        Save as CSV
      </button>
      <button
        type="button"
        className="button"
        data-size="small"
        onClick={() => save(`${name}.html`, 'text/html', asHtml(table()))}
      >
        Save as HTML
      </button>
    </div>
  );
}

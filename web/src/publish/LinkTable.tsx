import { useState, type ReactNode } from 'react';

/** A table of links under its heads. Of a long one the first rows are shown until all are wanted. */
export function LinkTable<Item>({
  caption,
  heads,
  items,
  most = Infinity,
  sticks = false,
  row,
}: {
  caption: string;
  heads: readonly string[];
  items: readonly Item[];
  /** How many rows are shown at first. */
  most?: number;
  /** Its heads stay in sight. */
  sticks?: boolean;
  row(item: Item, index: number): ReactNode;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? items : items.slice(0, most);
  return (
    <>
      <table className="w-full border-collapse text-sm">
        <caption className="sr-only">{caption}</caption>
        <thead className={sticks ? 'sticky top-0 bg-[var(--sheet)]' : ''}>
          <tr className="border-b border-strong-line text-left">
            {heads.map((head) => (
              <th
                key={head}
                scope="col"
                className={`pr-4 pb-1.5 font-semibold ${sticks ? 'pt-3' : 'pt-1.5'}`}
              >
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>{shown.map(row)}</tbody>
      </table>
      {shown.length < items.length && (
        <button type="button" className="button mt-3" onClick={() => setAll(true)}>
          Show all {items.length}
        </button>
      )}
    </>
  );
}

/** The heads of a room's table; where there is no room for columns, its rows say what they need. */
export function ColumnHeads({ heads, columns }: { heads: string[]; columns: string }) {
  return (
    <div role="rowgroup">
      <div
        role="row"
        className={`grid gap-3 border-b border-line px-2 py-1.5 text-sm font-semibold text-soft max-md:hidden ${columns}`}
      >
        {heads.map((words) => (
          <span key={words} role="columnheader">
            {words}
          </span>
        ))}
      </div>
    </div>
  );
}

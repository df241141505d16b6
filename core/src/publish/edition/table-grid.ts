interface Spanning {
  colspan: number;
  rowspan: number;
}

/**
 * The column and row of each cell, as HTML's table model gives them (HTML Living Standard, 4.9.12), with spans cut
 * where they would overlap or leave the table. `rows` hold the cells as they are written.
 */
export function placeCells<Cell extends Spanning>(
  rows: Cell[][],
): { columns: number; cells: (Cell & { x: number; y: number })[] } {
  const taken = rows.map(() => new Set<number>());
  const isTaken = (x: number, y: number) => taken[y]?.has(x) ?? false;
  const cells: (Cell & { x: number; y: number })[] = [];
  let columns = 1;
  rows.forEach((row, y) => {
    let x = 0;
    for (const cell of row) {
      while (isTaken(x, y)) x++;
      const rowspan = Math.min(cell.rowspan, rows.length - y);
      let colspan = 1;
      while (colspan < cell.colspan && !isTaken(x + colspan, y)) colspan++;
      for (let down = 0; down < rowspan; down++)
        for (let across = 0; across < colspan; across++) taken[y + down]?.add(x + across);
      cells.push({ ...cell, colspan, rowspan, x, y });
      x += colspan;
      columns = Math.max(columns, x);
    }
  });
  return { columns, cells };
}

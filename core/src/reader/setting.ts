import type { Node } from 'prosemirror-model';
import { attrsOf, linkHeldBy, linksOnFigure, rowsOf, tableCaption, wordsOf } from '../manuscript/index.js';

/**
 * What a link stands in, as a program can tell it to a reader beside the words of the link (WCAG 2.4.4,
 * "programmatically determined link context"): its line, the list items and the table cell around, the heading before.
 */
export interface Setting {
  /** The paragraph, heading, caption or other line that holds the link; the caption of a figure, `null` without one. */
  line: Node | null;
  /** The list items around it, the innermost first. */
  items: readonly Node[];
  /** Its list, the innermost. */
  list: Node | null;
  cell: CellSetting | null;
  /** The headings above it, the nearest last. */
  headings: readonly Node[];
  /** It stands in a remark. */
  inNote: boolean;
}

/** A table cell, and where it stands among the others. */
export interface CellSetting {
  node: Node;
  table: Node;
  row: number;
  column: number;
}

const LISTS: ReadonlySet<string> = new Set(['bullet_list', 'ordered_list', 'term_list']);

const known = new WeakMap<Node, Map<string, Setting>>();

/** What each link of a chapter stands in, by the id of the link. Read once for each doc. */
export function settingsOf(doc: Node): ReadonlyMap<string, Setting> {
  const before = known.get(doc);
  if (before) return before;
  const settings = new Map<string, Setting>();
  let headings: readonly Node[] = [];
  const hold = (ids: Iterable<string>, setting: Setting) => {
    for (const id of ids) if (!settings.has(id)) settings.set(id, setting);
  };
  const walk = (node: Node, around: Omit<Setting, 'line' | 'headings'>) => {
    const { name } = node.type;
    if (name === 'table') return walkTable(node, around);
    let within = around;
    if (name === 'list_item' || name === 'meaning') within = { ...around, items: [node, ...around.items] };
    else if (LISTS.has(name)) within = { ...around, list: node };
    if (node.isTextblock) {
      const ids = linksIn(node);
      if (ids.length > 0) hold(ids, { ...within, line: node, headings });
      for (const child of node.children)
        if (child.type.name === 'note')
          for (const remark of child.children) walk(remark, { ...within, inNote: true });
      if (name === 'heading') {
        const { level } = attrsOf.heading(node);
        headings = [...headings.filter((one) => attrsOf.heading(one).level < level), node];
      }
      return;
    }
    if (name === 'figure') {
      const ids = linksOnFigure(node).map(({ id }) => id);
      hold(ids, { ...within, line: node.firstChild, headings });
    }
    node.forEach((child) => walk(child, within));
  };
  const walkTable = (table: Node, around: Omit<Setting, 'line' | 'headings'>) => {
    let row = 0;
    // Columns that cells of rows above still stand in, by the number of rows that they go on.
    let taken: number[] = [];
    const caption = tableCaption(table);
    if (caption) walk(caption, around);
    rowsOf(table).forEach((part) => {
      const next: number[] = [];
      taken.forEach((rows, column) => {
        if (rows > 1) next[column] = rows - 1;
      });
      let column = 0;
      part.forEach((node) => {
        while ((taken[column] ?? 0) > 0) column++;
        const { colspan, rowspan } = node.attrs as { colspan: number; rowspan: number };
        walk(node, { ...around, items: [], list: null, cell: { node, table, row, column } });
        for (let span = 0; span < colspan; span++) if (rowspan > 1) next[column + span] = rowspan - 1;
        column += colspan;
      });
      taken = next;
      row++;
    });
  };
  doc.forEach((block) => walk(block, { items: [], list: null, cell: null, inNote: false }));
  known.set(doc, settings);
  return settings;
}

function linksIn(line: Node): string[] {
  const ids: string[] = [];
  for (const child of line.children) {
    const link = linkHeldBy(child);
    if (link) ids.push(link.id);
  }
  return ids;
}

/** The words of the header cells of a cell: those above it, and those before it in its row (HTML, 4.9.12). */
export function headersOf({ node, table, row, column }: CellSetting): string {
  const words: string[] = [];
  let index = 0;
  rowsOf(table).forEach((part) => {
    let at = 0;
    part.forEach((cell) => {
      const { colspan } = cell.attrs as { colspan: number };
      const isAbove = index < row && at <= column && column < at + colspan;
      if (cell !== node && cell.type.name === 'table_header' && (isAbove || index === row))
        words.push(wordsOf(cell));
      at += colspan;
    });
    index++;
  });
  return words.join(' ');
}

/** The words of a line that stand outside of its links. */
export function wordsBesideLinks(line: Node): string {
  let words = '';
  line.forEach((child) => {
    if (child.isText && !linkHeldBy(child)) words += child.text ?? '';
    else words += ' ';
  });
  return words.replace(/\s+/g, ' ').trim();
}

/** Whether a list, or a line, consists of links and signs between them. */
export function isOnlyLinks(node: Node): boolean {
  if (node.isTextblock) return !/[\p{L}\p{N}]/u.test(wordsBesideLinks(node));
  return node.children.every((child) => isOnlyLinks(child));
}

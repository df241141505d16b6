import { Fragment, type Attrs, type Node } from 'prosemirror-model';
import { schema } from './schema.js';

/** The caption of a table, which stands beside its rows; `null` without. */
export const tableCaption = (table: Node): Node | null =>
  table.firstChild?.type.name === 'table_caption' ? table.firstChild : null;

export const rowsOf = (table: Node): readonly Node[] => table.lastChild?.children ?? [];

/** A table of these rows. @throws RangeError where there is none. */
export const tableOf = (
  rows: readonly Node[],
  attrs: Attrs | null = null,
  caption: Node | null = null,
): Node =>
  schema.nodes.table.createChecked(attrs, [
    ...(caption ? [caption] : []),
    schema.nodes.table_body.createChecked(null, Fragment.from(rows)),
  ]);

interface Json {
  type?: unknown;
  content?: unknown;
}

const isNode = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && 'type' in value;

const isRow = (value: unknown): boolean => isNode(value) && value.type === 'table_row';

/**
 * The JSON of a chapter as the schema has it now. In version 1 the rows of a table stood beside its caption, without a body around them.
 * What is of today comes back as it is.
 */
export function upgradedChapter<Given>(json: Given): Given {
  if (!isNode(json) || !Array.isArray(json.content)) return json;
  const before: unknown[] = json.content;
  // Most chapters are of today: nothing is copied until something is otherwise.
  let content = before;
  for (const [index, child] of before.entries()) {
    const now = upgradedChapter(child);
    if (now === child) continue;
    if (content === before) content = [...before];
    content[index] = now;
  }
  if (json.type === 'table' && content.some(isRow)) {
    const body = { type: 'table_body', content: content.filter(isRow) };
    content = [...content.filter((child) => !isRow(child)), body];
  }
  return content === before ? json : { ...json, content };
}

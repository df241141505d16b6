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

/**
 * The JSON of a chapter as the schema has it now. In version 1 the rows of a table stood beside its caption, without a body around them.
 * What is of today comes back as it is.
 */
export function upgradedChapter<Given>(json: Given): Given {
  if (!isNode(json) || !Array.isArray(json.content)) return json;
  const content: unknown[] = json.content.map((child: unknown) => upgradedChapter(child));
  const rows =
    json.type === 'table' ? content.filter((child) => isNode(child) && child.type === 'table_row') : [];
  if (rows.length > 0)
    return {
      ...json,
      content: [...content.filter((child) => !rows.includes(child)), { type: 'table_body', content: rows }],
    };
  return content.every((child, index) => child === (json.content as unknown[])[index])
    ? json
    : { ...json, content };
}

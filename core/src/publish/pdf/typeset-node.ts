import type { Edition } from '../edition/edition.js';

/** A node as the typesetter's template reads it: `t` is its type, `c` its content, `id` or `ids` places. */
export interface TypesetNode {
  t: string;
  id?: string;
  ids?: string[];
  c?: Content;
  [attribute: string]: unknown;
}

/** What stands within a line: words, and nodes among them. */
export type Content = (TypesetNode | string)[];

export interface TypesetContext {
  edition: Edition;
  once(id: unknown): string | null;
  /** The path of a picture in the typesetter's files. */
  pictures: Map<string, string>;
  level(level: number): number;
  /** A name within the typesetter's data that no other thing has. */
  key(): string;
}

export const anchors = (ids: readonly string[]): TypesetNode[] => ids.map((id) => ({ t: 'anchor', id }));

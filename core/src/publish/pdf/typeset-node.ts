import type { Direction } from '../../language/index.js';
import type { Link } from '../../manuscript/index.js';
import { breakable } from './breakable.js';
import type { Edition } from '../edition/edition.js';
import type { PrintedAddresses } from './printed.js';
import type { Sheet } from './table-fit.js';

/** A node as the typesetter's template reads it: `t` is its type, `c` its content, `id` or `ids` places. */
export interface TypesetNode {
  t: string;
  id?: string;
  ids?: string[];
  c?: Content;
  /** The direction of a block that does not run as its book does. */
  dir?: Direction;
  [attribute: string]: unknown;
}

/** What stands within a line: words, and nodes among them. */
export type Content = (TypesetNode | string)[];

/** Where words are set: the width that they have, and that of a sign on average, in points. */
export interface Room {
  width: number;
  sign: number;
}

export interface TypesetContext {
  edition: Edition;
  once(id: unknown): string | null;
  /** The path of a picture in the typesetter's files. */
  pictures: Map<string, string>;
  level(level: number): number;
  room: Room;
  sheet: Sheet;
  /** The addresses that are printed, and the chapter in which links stand, by its id. */
  printed: PrintedAddresses;
  chapter: string;
  /** Every link, by its id. */
  links: ReadonlyMap<string, Link>;
  /** It stands in a note, which can have no note of its own. */
  inNote?: boolean;
  /** It is set on the page itself, within no other block. */
  outer: boolean;
  /** Formulas may stand on lines of their own here. */
  displays?: boolean;
  /** A name within the typesetter's data that no other thing has. */
  key(): string;
}

/** Words with room to break where they would run over the edge; none is made in a width without end. */
export const fitting = (text: string, { width, sign }: Room): string =>
  width === Infinity ? text : breakable(text, Math.max(2, Math.min(LONGEST_RUN, Math.floor(width / sign))));

/** Longer runs of signs are broken wherever they stand. */
const LONGEST_RUN = 30;

export const anchors = (ids: readonly string[]): TypesetNode[] => ids.map((id) => ({ t: 'anchor', id }));

/** How words look, as far as it says something; `undefined` where nothing is said. */
export interface WordLook {
  bold?: boolean;
  italic?: boolean;
  raised?: 'sup' | 'sub' | null;
  isHidden?: boolean;
  isCode?: boolean;
  struck?: boolean;
  inSmallCapitals?: boolean;
  /** The kind of line below, or `none`. */
  underline?: string;
  /** `rrggbb`, or `auto`. */
  colour?: string;
  languages?: { plain: string; eastern: string; bidirectional: string };
}

/** Families of letters that are all of one width, as code is written (common practice). */
export const OF_ONE_WIDTH =
  /^(?:courier|consolas|menlo|monaco|lucida console|.*\bmono\b.*|source code pro|inconsolata|fira code)/i;

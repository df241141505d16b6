import type { Edition } from '../edition/edition.js';
import { chosenStyles, contentStyles } from '../markup/styles.js';

/** The look of the pages; the links look as the book says, on light and on dark pages. */
export function stylesheet(edition: Edition): string {
  return `@charset "utf-8";
body { line-height: 1.5; margin: 0 5%; }
${contentStyles(edition)}
${chosenStyles(edition.flow)}
.title { margin-top: 25%; }
.title, .subtitle, .author, .imprint { text-align: center; text-indent: 0; }
.imprint { font-size: 0.85em; margin: 0.5em 0; }
.author + .imprint, .subtitle + .imprint, .title + .imprint { margin-top: 6em; }
`;
}

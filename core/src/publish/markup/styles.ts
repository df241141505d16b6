import type { Edition } from '../edition/edition.js';
import type { FlowChoices } from '../flow-choices.js';
import { CREDIT, NEW_PAGE, RULED, SMALL_CAPITALS } from '../../manuscript/index.js';
import { linkStyles, looksOf } from './looks.js';

const FACES = {
  reader: '',
  serif: 'body { font-family: Georgia, "Times New Roman", serif; }',
  sans: 'body { font-family: system-ui, "Helvetica Neue", Arial, sans-serif; }',
};

/** What was chosen of the look of a text. */
export function chosenStyles({ face, edge, paragraphs, hyphens }: FlowChoices): string {
  return [
    FACES[face],
    paragraphs === 'indented' ? 'p { margin: 0; }\np + p { text-indent: 1.3em; }' : '',
    edge === 'justified' ? 'p, li, dd { text-align: justify; }' : '',
    hyphens ? 'p, li, dd { -webkit-hyphens: auto; hyphens: auto; }' : '',
  ]
    .filter(Boolean)
    .join('\n');
}

/** What the text of a book looks like, in an e-book and on a web page. */
export function contentStyles(edition: Edition): string {
  return `h1, h2, h3, h4, h5, h6 { line-height: 1.25; hyphens: none; page-break-after: avoid; }
img { max-width: 100%; height: auto; }
figure { margin: 1.5em 0; text-align: center; page-break-inside: avoid; }
figcaption, caption { font-size: 0.9em; margin: 0.5em 0; text-align: start; }
.${CREDIT} { font-size: 0.9em; }
.${NEW_PAGE} { page-break-before: always; break-before: page; }
.room { margin: 1em 0; page-break-inside: avoid; }
.room > div { box-sizing: border-box; height: ${RULED}mm; border-bottom: 0.5pt solid currentColor; }
blockquote { margin: 1em 1.5em; }
dt { font-weight: bold; margin-top: 0.8em; }
dd { margin-inline-start: 1.5em; }
dd > p { margin: 0.3em 0; }
pre { white-space: pre-wrap; font-size: 0.9em; }
table { border-collapse: collapse; margin: 1em 0; }
th, td { border-bottom: 1px solid currentColor; padding: 0.25em 0.6em; text-align: start; vertical-align: top; }
.notes { margin-top: 2.5em; border-top: 1px solid currentColor; font-size: 0.92em; }
.notes p { margin: 0.3em 0; }
sup { line-height: 1; }
.${SMALL_CAPITALS} { font-variant: small-caps; }
.contents ul { list-style: none; padding-inline-start: 1.2em; }
.contents > ul { padding-inline-start: 0; }
${linkStyles(edition.book.look, looksOf(edition))}`;
}

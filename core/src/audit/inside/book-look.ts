import { faultOfLook } from '../rules/look-contrast.js';
import type { InsideRule } from './inside-finding.js';

/** The look of all links of the book, where it can't be read or told from the words. WCAG 1.4.3; 1.4.1 (G183, F73). */
export const bookLook: InsideRule = {
  id: 'book-look',
  title: 'The look of the book’s links, where it can’t be read or told from the words',
  severity: 'must-fix',
  criterion: 'WCAG 1.4.3 and 1.4.1 (G183, F73)',
  find({ book, links }) {
    const first = links.find(({ carrier, look }) => carrier === 'text' && look === null);
    const fault = first && faultOfLook(book.look);
    if (!first || !fault) return [];
    return [
      {
        subject: {
          id: first.id,
          kind: 'look',
          chapter: first.chapter,
          at: first.from,
          words: 'The look of all links',
        },
        message: `${fault} Change the look of the book’s links; it is on the line over the text.`,
        repairs: [],
      },
    ];
  },
};

import { pageNamedIn } from '../../language/index.js';
import { factsOf } from '../facts.js';
import type { Rule } from '../finding.js';

/** "page 12" as words, in a book that is also made in forms without pages, and with other pages in each edition. Common practice (no source). */
export const pageNumber: Rule = {
  id: 'page-number',
  title: 'Pages named by their number, in forms without pages',
  severity: 'should-fix',
  criterion: 'Common practice',
  looksAt: ({ kind, carrier }) => kind === 'place' && carrier === 'text',
  find(link, { language, formats, inside }) {
    if (formats && !formats.some((format) => format !== 'pdf')) return null;
    const page = pageNamedIn(factsOf(link).words, language);
    if (page === null || link.destination.kind !== 'place') return null;
    const words = inside?.places.get(link.destination.place)?.words;
    return {
      judged: 'alone',
      message: `“${page}” is wrong after the next change, and means nothing in an e-book or on a web page. A reference counts by itself.`,
      repairs: [
        { label: 'Make it a reference', repair: { type: 'reference', form: 'words' } },
        ...(words ? [{ label: `Put “${words}”`, repair: { type: 'text' as const, text: words } }] : []),
      ],
    };
  },
};

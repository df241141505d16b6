import { decoded, readFragment } from '../../page/index.js';
import type { Seen, Sign, Told } from './sign.js';

/** What readers see on a page that its scripts make: too few words, or the element of an application. */
const isMadeByScripts = ({ page }: Seen): boolean =>
  page.marks.includes('script') &&
  (page.allWords < 40 || page.marks.includes('application') || page.marks.includes('bare-headings'));

/** Common practice (no source): what scripts read and no element bears as its id. */
const FOR_SCRIPTS = /^(?:[/!?]|L\d+(?:-L?\d+)?$|.*[=&])/;

export const fragment: Sign = {
  id: 'fragment',
  find(seen) {
    const { answer, page, asked, arrived } = seen;
    const written = arrived.hash.slice(1);
    const { id } = readFragment(written);
    const spot = decoded(id);
    const lost = readFragment(asked.hash.slice(1)).id;
    if (lost !== '' && lost !== id)
      return told(
        'doubtful',
        'The way there loses the spot that the link is for: the site puts another one.',
        arrived.hash,
      );
    switch (answer.fragment) {
      case undefined:
      case 'there':
        return null;
      case 'unread':
        return told(
          'doubtful',
          'The page is there, and is too long or too slow to be searched for the spot.',
          spot,
        );
      case 'text-missing':
        return told(
          'doubtful',
          'The page is there, and the words that the link leads to are not found in its text.',
          decoded(written),
        );
      case 'missing':
        if (
          page.kind === 'html' &&
          (isMadeByScripts(seen) || (page.marks.includes('script') && FOR_SCRIPTS.test(id)))
        )
          return told(
            'doubtful',
            'A script makes this page, so nobody can tell whether it has the spot.',
            spot,
          );
        if (page.kind === 'text')
          return told('doubtful', 'This is plain text, which has no spots to lead to.', spot);
        return told(
          'broken',
          page.kind === 'pdf' && page.pages !== null && /^page=/i.test(id)
            ? `The document is there, and has only ${page.pages} ${page.pages === 1 ? 'page' : 'pages'}.`
            : 'The page is there, and has no such spot.',
          spot,
        );
    }
  },
};

const told = (verdict: Told['verdict'], says: string, quote: string): Told => ({ verdict, says, quote });

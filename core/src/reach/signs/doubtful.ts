import { isNotFound, notFoundIn, notFoundSentence, stateIn, type PageState } from '../../language/index.js';
import { fileNamed, isErrorPage, isFrontPage, isShortened } from '../addresses.js';
import { becameAnother, isOnePage } from '../likeness.js';
import { isPersistent } from '../persistent.js';
import { MORE_IN_NAME, namedAs, namesOf, phraseOf, SHORT, type Sign, type Told } from './sign.js';

const doubtful = (says: string, quote?: string): Told => ({
  verdict: 'doubtful',
  says,
  ...(quote ? { quote } : {}),
});

export const nothing: Sign = {
  id: 'nothing',
  find({ answer, page }) {
    if (answer.status === 204 || answer.status === 205)
      return doubtful('The site answers without a page, so readers see nothing.', String(answer.status));
    if (page.kind === 'empty') return doubtful('The page is empty.');
    const blank = page.kind === 'html' && page.whole && page.allWords === 0 && page.heading === '';
    const drawn = page.marks.includes('media') || page.marks.includes('script') || page.refresh !== null;
    return blank && !drawn ? doubtful('The page is empty: nothing stands in it for a reader.') : null;
  },
};

/** Words up to which a text may stand on a page whose names both say that it is not there, and words that are few. */
const INSTEAD = 4 * SHORT;
const FEW = 25;

/** A page that says with a status of success that it is not there. */
export const softNotFound: Sign = {
  id: 'soft-404',
  find({ page, asked, arrived, sentOn }) {
    const says = 'The site answers as if the page were there, and the page says that it is not.';
    if (page.kind === 'html' || page.kind === 'text') {
      const named = namesOf(page)
        .map(notFoundIn)
        .find((one) => one !== null);
      // An article about errors has a text; a page that is not there has none, but perhaps something to read instead.
      const isAllItSays = isNotFound(page.heading) && notFoundIn(page.title) !== null;
      if (named && page.words < (isAllItSays ? INSTEAD : SHORT)) return doubtful(says, named);
      const sentence = page.words < SHORT ? notFoundSentence(page.text) : null;
      if (sentence !== null) return doubtful(says, sentence);
      const parts = page.words < FEW ? page.text.split(/[.!?。！？]/u) : [];
      const said = parts.map(notFoundIn).find((one) => one !== null);
      if (said) return doubtful(says, said);
    }
    return sentOn && isErrorPage(arrived) && !isErrorPage(asked)
      ? doubtful('The site sends its readers to a page of errors.', arrived.href)
      : null;
  },
};

/** A state that a page tells of in its names or in a short text; a longer page bears it as its name, and as little else. */
const state = (name: PageState, says: string): Sign => ({
  id: name,
  find({ page }) {
    const named = page.words > INSTEAD ? null : namedAs(name, page, MORE_IN_NAME);
    const phrase = phraseOf(name, page) ?? named;
    return phrase === null ? null : doubtful(says, phrase);
  },
});

export const parked = state(
  'parked',
  'The name of the site is for sale or parked: the page that was meant is no longer there.',
);
export const suspended = state('suspended', 'The site has been suspended by who keeps its server.');

const NOBODY_YET = 'A server answers that nobody has put a site on.';
const toldUnfurnished = state('unfurnished', NOBODY_YET);
/** Some servers say no more than that they work; “How it works” is a page. */
export const unfurnished: Sign = {
  ...toldUnfurnished,
  find(seen) {
    const works = namesOf(seen.page).find((name) => stateIn('works', name, 0) !== null);
    return works && seen.page.words < SHORT ? doubtful(NOBODY_YET, works) : toldUnfurnished.find(seen);
  },
};

/** A fault counts where it names the page: many a text tells how something went wrong. */
export const fault: Sign = {
  id: 'fault',
  find({ page }) {
    const named = page.words < SHORT ? namedAs('fault', page) : null;
    return named
      ? doubtful('The site answers as if all were well, and the page tells of a fault.', named)
      : null;
  },
};

export const dataError: Sign = {
  id: 'data-error',
  find: ({ page }) =>
    page.error === '' ? null : doubtful('The answer is data that tell of an error.', page.error),
};

export const otherType: Sign = {
  id: 'other-type',
  find({ page, asked, arrived }) {
    const named = fileNamed(arrived) ?? fileNamed(asked);
    if (page.found !== '')
      return doubtful(
        `The site says that this is ${page.type || 'a file'}, and what comes is not.`,
        page.found,
      );
    if (
      !named ||
      page.type === '' ||
      named.type.test(page.type) ||
      /octet-stream|download|binary/.test(page.type)
    )
      return null;
    const comes = page.kind === 'html' ? 'a web page' : page.type;
    return doubtful(
      `The address names a file (.${named.extension}), and what comes is ${comes}.`,
      page.title || page.type,
    );
  },
};

/** An address of something in a site that ends on the front page of one. */
export const frontPage: Sign = {
  id: 'front-page',
  find({ asked, arrived, sentOn }) {
    if (!sentOn || isFrontPage(asked) || !isFrontPage(arrived)) return null;
    if (isPersistent(asked) || isShortened(asked)) return null;
    return doubtful('The address ends on a front page and not on the page that was meant.', arrived.href);
  },
};

/** The same answer as for an address that can't exist. */
export const sameForAll: Sign = {
  id: 'same-for-all',
  find({ answer, page, asked, arrived, sentOn }) {
    const { nonsense } = answer;
    if (!nonsense || nonsense.status >= 300 || isFrontPage(asked)) return null;
    const sameEnd = sentOn && nonsense.href === arrived.origin + arrived.pathname + arrived.search;
    if (!sameEnd && (page.kind !== 'html' || !isOnePage(page, nonsense))) return null;
    return doubtful(
      'The site answers in the same way to an address that can’t exist, so nobody can tell whether the page is there.',
      page.title || nonsense.href,
    );
  },
};

export const anotherPage: Sign = {
  id: 'another-page',
  find({ answer, page, asked }) {
    const { before } = answer;
    if (!before || page.kind !== 'html') return null;
    const changed = becameAnother(page, before);
    // A front page is made to change.
    if (changed === null || (changed === 'text' && isFrontPage(asked) && page.title === before.title))
      return null;
    return changed === 'title'
      ? doubtful(
          'Another page stands there now than when it was last found sound.',
          `“${before.title}” became “${page.title}”`,
        )
      : doubtful('Another text stands there now than when it was last found sound.', page.text.slice(0, 120));
  },
};

export const scriptSendsOn: Sign = {
  id: 'script-sends-on',
  find: ({ page }) =>
    page.sendsOn !== '' && page.words < 40
      ? doubtful('Only a script on the page sends readers on, and where to is not certain.', page.sendsOn)
      : null,
};

export const choices: Sign = {
  id: 'choices',
  at: (status) => status === 300,
  find: () => doubtful('The site offers several addresses to choose from.'),
};

/** The file that the Shelf keeps is another one than the one at its public address. */
export const otherFile: Sign = {
  id: 'other-file',
  find: ({ answer }) =>
    answer.file?.found === 'other'
      ? doubtful('The file at this address is not the one on the Shelf: its size or checksum is another.')
      : null,
};

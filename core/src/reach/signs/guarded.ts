import { isAboutAccounts, isConsent, isForPay, isSignIn } from '../addresses.js';
import { MORE_IN_NAME, namedAs, phraseOf, SHORT, type Sign, type Told } from './sign.js';

const guarded = (says: string, quote?: string): Told => ({
  verdict: 'guarded',
  says,
  ...(quote ? { quote } : {}),
});

const DOOR =
  'The site has a door that keeps programs out. A reader with a browser may pass: open it yourself and say what you saw.';

/** Statuses by which sites turn programs away. Common practice (no source). */
const TURNED_AWAY = new Set([400, 403, 405, 406, 418, 429, 503]);

/** A riddle or a waiting room before the page, by what the headers or the page say. */
export const door: Sign = {
  id: 'door',
  at: (status) => status < 300 || TURNED_AWAY.has(status),
  find({ answer, page }) {
    if (answer.door) return guarded(DOOR, answer.door);
    const phrase = phraseOf('door', page);
    if (phrase === null) return page.marks.includes('riddle') && page.words < 25 ? guarded(DOOR) : null;
    if (answer.status >= 300) return guarded(DOOR, phrase);
    // With a status of success the page has to be a door and nothing else.
    const isShut = page.marks.includes('riddle') || page.words < 40;
    return isShut && (page.words < 40 || namedAs('door', page) !== null) ? guarded(DOOR, phrase) : null;
  },
};

export const signIn: Sign = {
  id: 'sign-in',
  find({ page, asked, arrived, sentOn }) {
    if (isAboutAccounts(asked)) return null;
    if (page.marks.includes('handed-over') && page.words < SHORT)
      return guarded('The page hands its readers over to a sign-in elsewhere.', page.title);
    if (sentOn && isSignIn(arrived)) return guarded('The page asks readers to sign in first.', arrived.href);
    if (page.marks.includes('password-in-main') && page.words < SHORT)
      return guarded('The page asks readers to sign in first.', page.heading || page.title);
    const phrase = phraseOf('signIn', page, 60) ?? namedAs('members', page, MORE_IN_NAME);
    return phrase === null ? null : guarded('The page is for readers who sign in.', phrase);
  },
};

export const consent: Sign = {
  id: 'consent',
  find({ page, asked, arrived, sentOn }) {
    const says = 'The site asks readers for their consent before it shows the page.';
    if (sentOn && isConsent(arrived) && !isConsent(asked)) return guarded(says, arrived.href);
    if (isConsent(asked)) return null;
    const named = namedAs('consent', page);
    return named && page.words < 3 * SHORT ? guarded(says, named) : null;
  },
};

export const paid: Sign = {
  id: 'paid',
  find({ page, asked, arrived, sentOn }) {
    const says = 'Only readers who pay see the whole page.';
    if (isForPay(asked)) return null;
    if (page.marks.includes('paid')) return guarded(says, 'isAccessibleForFree: false');
    if (sentOn && isForPay(arrived)) return guarded(says, arrived.href);
    const phrase = phraseOf('paid', page, 250);
    return phrase === null ? null : guarded(says, phrase);
  },
};

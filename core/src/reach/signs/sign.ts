import { stateIn, type PageState } from '../../language/index.js';
import type { PageFacts } from '../../page/index.js';
import type { WebAnswer } from '../answer.js';
import type { VerdictName } from '../verdict-name.js';

/** A page that came with a status of success or of refusal, as the signs look at it. */
export interface Seen {
  answer: WebAnswer;
  page: PageFacts;
  /** The address of the link, and the one that gave the page. */
  asked: URL;
  arrived: URL;
  /** There was a redirect to another page. */
  sentOn: boolean;
}

/** What a sign says: the verdict that follows, a sentence for the author, and what was found, quoted. */
export interface Told {
  verdict: VerdictName;
  says: string;
  quote?: string;
}

/** One sign by which a page shows that it is not what a reader is to find there. */
export interface Sign {
  id: string;
  /** Statuses that it is looked for at; only 200 to 299 without. */
  at?: (status: number) => boolean;
  find(seen: Seen): Told | null;
}

/** Words of the main text up to which a page is short: what it says in them is what it is. */
export const SHORT = 120;

/** Words more than the phrase itself that a name may have which is one of a state. */
export const MORE_IN_NAME = 3;

/** The names of a page: its title and its first heading. */
export const namesOf = ({ title, heading }: PageFacts): string[] =>
  [title, heading].filter((name) => name !== '');

/** A phrase of a state in the names of a page; `most` words may stand beside it. */
export function namedAs(state: PageState, page: PageFacts, most?: number): string | null {
  const named = namesOf(page).map((name) => stateIn(state, name, most));
  return named.find((one) => one !== null) ?? null;
}

/** A phrase of a state in the names of a page or, where it is short, in its text. */
export function phraseOf(state: PageState, page: PageFacts, longest = SHORT): string | null {
  if (page.words > longest) return null;
  return stateIn(state, [...namesOf(page), page.text].join(' . '));
}

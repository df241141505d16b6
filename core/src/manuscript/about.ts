import { LONGEST_ADDRESS } from '../destination/index.js';
import { languageTag } from '../language/index.js';

/** What an author says of a link beside its words. */
export interface LinkAbout {
  /** What assistive technology says instead of the words (ARIA 1.2, `aria-label`); empty: the words. */
  name: string;
  /** The language of what it leads to (BCP 47; HTML `hreflang`); empty where nothing is said. */
  language: string;
  /** On a web page it opens a new window (HTML `target`). */
  newWindow: boolean;
  /** The address that it came with, where that can't be published: it leads nowhere until another one is chosen. */
  was?: string;
}

export const NOTHING_ABOUT: LinkAbout = { name: '', language: '', newWindow: false };

/** The same, or `null` where nothing is said. */
export const aboutOrNothing = (about: LinkAbout): LinkAbout | null =>
  about.name !== '' || about.language !== '' || about.newWindow || about.was ? about : null;

/** Says what is wrong with a value that should be what is said of a link, or `null` when it is that. */
export function faultInAbout(value: unknown): string | null {
  if (typeof value !== 'object' || value === null) return 'what is said of a link must be an object';
  const { name, language, newWindow, was, ...more } = value as Record<string, unknown>;
  if (typeof name !== 'string') return 'name must be words';
  if (typeof language !== 'string' || (language !== '' && languageTag(language) !== language))
    return 'language is a tag of BCP 47, or empty';
  if (typeof newWindow !== 'boolean') return 'newWindow is true or false';
  if (was !== undefined && (typeof was !== 'string' || was.length > LONGEST_ADDRESS))
    return 'was is an address';
  return Object.keys(more).length === 0 ? null : `unknown part: ${Object.keys(more)[0]}`;
}

import { cleanTitle, wordsFromAddress } from '../destination/index.js';
import { fileWords, isVague, tellingWords } from '../language/index.js';
import { wordsOf, type Link } from '../manuscript/index.js';
import { wordsSeen } from '../reader/index.js';
import { languageOf, putWords, type AuditContext, type RepairOffer } from './finding.js';

/** The most words that are offered for one link. */
const MOST = 3;

/**
 * Words that a link could have instead of its own: the title of the page, the name of the place, the file or the book, the
 * heading above, and at last words made of the address. The likeliest first.
 */
export function suggestedWords(link: Link, context: AuditContext): string[] {
  const { destination } = link;
  const own = wordsSeen(link);
  const words: (string | null | undefined)[] = [link.about?.name];
  if (!isVague(link.hoverNote, languageOf(link, context))) words.push(link.hoverNote.trim());
  if (destination.kind === 'web') {
    const title = context.answers?.get(destination.href)?.title;
    words.push(title && cleanTitle(title, destination.href), wordsFromAddress(destination.href));
  } else if (destination.kind === 'place') words.push(context.inside?.places.get(destination.place)?.words);
  else if (destination.kind === 'mail') words.push(destination.to[0]);
  else if (destination.kind === 'book') words.push(context.books.get(destination.book)?.title);
  else {
    const file = context.files.get(destination.enclosure);
    const called = file?.description || file?.name.replace(/\.[a-z0-9]{1,5}$/i, '').replace(/[-_]+/g, ' ');
    if (file && called) words.push(`${called} (${fileWords(file, context.language)})`);
  }
  const heading = context.settingOf?.(link)?.headings.at(-1);
  // What stands under a heading is often what the heading names; of a link on a place it is where it stands already.
  if (heading && destination.kind === 'web' && tellingWords(wordsOf(heading), context.language).length > 0)
    words.push(wordsOf(heading));
  const fit = words.filter(
    (one): one is string => Boolean(one) && one !== own && !isVague(one!, context.language),
  );
  return [...new Set(fit)].slice(0, MOST);
}

export const betterWords = (link: Link, context: AuditContext): RepairOffer[] =>
  suggestedWords(link, context).map((words) => putWords(words));

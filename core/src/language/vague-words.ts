import { primaryOf } from './phrases.js';

/**
 * Link texts that say nothing by themselves, folded to lower case without punctuation. "click here" and "more" are
 * the examples of F84, "read more" and "details" of F63 and its techniques; the rest is common practice.
 */
const ENGLISH = [
  [
    'click',
    'click here',
    'click this',
    'click this link',
    'click on this link',
    'press here',
    'tap here',
    'go',
    'go here',
  ],
  [
    'here',
    'over here',
    'right here',
    'see here',
    'look here',
    'find it here',
    'this',
    'that',
    'it',
    'this one',
  ],
  [
    'more',
    'read more',
    'see more',
    'learn more',
    'find out more',
    'show more',
    'view more',
    'more here',
    'more info',
  ],
  [
    'more information',
    'further information',
    'information',
    'info',
    'details',
    'more details',
    'full details',
  ],
  ['link', 'this link', 'the link', 'follow this link', 'web link', 'url', 'address', 'web address'],
  [
    'page',
    'this page',
    'the page',
    'web page',
    'this web page',
    'site',
    'website',
    'this site',
    'this website',
  ],
  [
    'the site',
    'the website',
    'article',
    'this article',
    'document',
    'this document',
    'file',
    'this file',
    'pdf',
  ],
  [
    'continue',
    'continue reading',
    'read on',
    'read this',
    'next',
    'previous',
    'start',
    'open',
    'view',
    'visit',
    'see',
  ],
  ['download', 'download here', 'source', 'ref', 'reference'],
].flat();

const BY_LANGUAGE = new Map<string, ReadonlySet<string>>([['en', new Set(ENGLISH)]]);
const NONE: ReadonlySet<string> = new Set();

/** The list for a BCP 47 tag, by its primary language; empty where there is none yet. */
export function vagueWords(language: string): ReadonlySet<string> {
  return BY_LANGUAGE.get(primaryOf(language)) ?? NONE;
}

/** True for a link name that says nothing of where it leads: one of the list, or signs without a letter. */
export function isVague(name: string, language: string): boolean {
  return name !== '' && (!/[\p{L}\p{N}]/u.test(name) || vagueWords(language).has(fold(name)));
}

function fold(name: string): string {
  return name
    .toLocaleLowerCase()
    .replace(/[’`]/g, "'")
    .replace(/[^\p{L}\p{N}' ]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}

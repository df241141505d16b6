import { primaryOf } from './phrases.js';
import { VAGUE_WORDS } from './tongues/en-vague.js';

const BY_LANGUAGE = new Map<string, ReadonlySet<string>>([['en', new Set(VAGUE_WORDS)]]);
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

import { primaryOf } from '../tag.js';
import { cs } from './cs.js';
import { da } from './da.js';
import { de } from './de.js';
import { en } from './en.js';
import { es } from './es.js';
import { fi } from './fi.js';
import { fr } from './fr.js';
import { it } from './it.js';
import { ja } from './ja.js';
import type { LinkWords } from './link-words.js';
import { nb } from './nb.js';
import { nl } from './nl.js';
import { pl } from './pl.js';
import { pt } from './pt.js';
import { ru } from './ru.js';
import { sv } from './sv.js';
import { uk } from './uk.js';
import { zh } from './zh.js';

const LANGUAGES: Readonly<Record<string, LinkWords>> = {
  ...{ cs, da, de, en, es, fi, fr, it, ja, nb, nl, pl, pt, ru, sv, uk, zh },
  // Norwegian as a whole, and its other written form.
  no: nb,
  nn: nb,
};

/** The primary languages whose link words are known. */
export const LINK_WORD_LANGUAGES: readonly string[] = Object.keys(LANGUAGES);

/** The words of a language (a BCP 47 tag); `null` where they are not known. */
export function linkWords(language: string): LinkWords | null {
  let words = byTag.get(language);
  if (words === undefined) byTag.set(language, (words = LANGUAGES[primaryOf(language)] ?? null));
  return words;
}

const byTag = new Map<string, LinkWords | null>();

import { de } from './tongues/de.js';
import { en } from './tongues/en.js';
import { es } from './tongues/es.js';
import { fr } from './tongues/fr.js';
import { it } from './tongues/it.js';
import { nl } from './tongues/nl.js';
import { primaryOf } from './tag.js';
import { pt } from './tongues/pt.js';
import type { Phrases } from './tongues/tongue.js';

const TONGUES: Readonly<Record<string, Phrases>> = { de, en, es, fr, it, nl, pt };

/** The words of a language (a BCP 47 tag); English where it is not known. */
export function phrases(language: string): Phrases {
  return TONGUES[primaryOf(language)] ?? en;
}

import type { Link } from '../manuscript/index.js';
import { fileWords, tellFile } from '../language/index.js';
import type { Surroundings } from '../shelf/index.js';

/** The name that assistive technology computes for a link: its words, white space made one (accname 1.2, step 2). */
export function accessibleName(link: Pick<Link, 'text'>): string {
  return link.text.replace(/[\s\u200b\ufeff]+/g, ' ').trim();
}

/** What is told of files depends on the Shelf, and on the language of the book. */
export interface Told extends Surroundings {
  language: string;
}

/** What a screen reader says at a link. Screen readers differ in order and wording; the parts are the same. */
export function heardAs(
  link: Pick<Link, 'text' | 'carrier' | 'kind' | 'destination'>,
  surroundings: Told,
): string {
  const name = accessibleName(link);
  const role = link.carrier === 'picture' ? 'link, picture' : 'link';
  if (name === '') return `${role}, without a name`;
  const told = fileTold(link, surroundings);
  return told ? `${role}, ${name}, ${told}` : `${role}, ${name}`;
}

/** The name of a link in a made file: its words, and for a file its type and size (WCAG 2.4.4, G201's manner). */
export function nameInFile(link: Pick<Link, 'text' | 'destination'>, surroundings: Told): string {
  const told = fileTold(link, surroundings);
  return told && accessibleName(link) !== '' ? `${link.text}, ${told}` : link.text;
}

/** Type and size of the file that a link leads to, in the language of the book, unless its words tell both. */
export function fileTold(
  { text, destination }: Pick<Link, 'text' | 'destination'>,
  { files, language }: Told,
): string | null {
  const file = destination.kind === 'file' ? files.get(destination.enclosure) : undefined;
  return file && !tellFile(text, file, language) ? fileWords(file, language) : null;
}

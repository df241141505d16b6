import type { Link } from '../manuscript/index.js';
import { fileWords, phrases, saysNewWindow, tellFile } from '../language/index.js';
import type { Surroundings } from '../shelf/index.js';

/** What a name is computed from: the words of a link, its hover note, and what is said instead of the words. */
type Named = Pick<Link, 'text'> & Partial<Pick<Link, 'about' | 'hoverNote'>>;

/**
 * The name that assistive technology computes for a link (accname 1.2, 4.3.2): what is said instead of its words (step 2D),
 * else its words (2F), else its hover note (2I); white space made one.
 */
export function accessibleName({ text, about, hoverNote = '' }: Named): string {
  return plain(about?.name ?? '') || plain(text) || plain(hoverNote);
}

/** The words of a link as they are seen, white space made one. */
export const wordsSeen = ({ text }: Pick<Link, 'text'>): string => plain(text);

const plain = (words: string): string => words.replace(/[\s\u200b\ufeff]+/g, ' ').trim();

/** What is told of files depends on the Shelf, and on the language of the book. */
export interface Told extends Surroundings {
  language: string;
}

/** What a screen reader says at a link. Screen readers differ in order and wording; the parts are the same. */
export function heardAs(
  link: Named & Pick<Link, 'carrier' | 'kind' | 'destination'>,
  surroundings: Told,
): string {
  const name = accessibleName(link);
  const role = link.carrier === 'picture' ? 'link, picture' : 'link';
  if (name === '') return `${role}, without a name`;
  return [role, name, fileTold(link, surroundings), windowTold(link, surroundings.language)]
    .filter(Boolean)
    .join(', ');
}

/** The name of a link in a made file: its words, and for a file its type and size (WCAG 2.4.4, G201's manner). */
export function nameInFile(link: Pick<Link, 'text' | 'destination'>, surroundings: Told): string {
  const told = fileTold(link, surroundings);
  return told && accessibleName(link) !== '' ? `${link.text}, ${told}` : link.text;
}

/** That a web page opens a new window, in the language of the book, unless its name says so (WCAG 2.2, G201). */
export function windowTold(link: Named, language: string): string | null {
  if (!link.about?.newWindow || saysNewWindow(accessibleName(link), language)) return null;
  return phrases(language).newWindow;
}

/** Type and size of the file that a link leads to, in the language of the book, unless its words tell both. */
export function fileTold(
  { text, destination }: Pick<Link, 'text' | 'destination'>,
  { files, language }: Told,
): string | null {
  const file = destination.kind === 'file' ? files.get(destination.enclosure) : undefined;
  return file && !tellFile(text, file, language) ? fileWords(file, language) : null;
}

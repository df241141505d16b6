import type { Link } from '../manuscript/index.js';
import { fileWords, sizeWords, typeWords, type ShelfFile, type Surroundings } from '../shelf/index.js';

/** The name that assistive technology computes for a link: its words, white space made one (accname 1.2, step 2). */
export function accessibleName(link: Pick<Link, 'text'>): string {
  return link.text.replace(/[\s\u200b\ufeff]+/g, ' ').trim();
}

/** What a screen reader says at a link. Screen readers differ in order and wording; the parts are the same. */
export function heardAs(
  link: Pick<Link, 'text' | 'carrier' | 'kind' | 'destination'>,
  surroundings: Surroundings,
): string {
  const name = accessibleName(link);
  const role = link.carrier === 'picture' ? 'link, picture' : 'link';
  if (name === '') return `${role}, without a name`;
  const told = fileTold(link, surroundings);
  return told ? `${role}, ${name}, ${told}` : `${role}, ${name}`;
}

/** The name of a link in a made file: its words, and for a file its type and size (WCAG 2.4.4, G201's manner). */
export function nameInFile(link: Pick<Link, 'text' | 'destination'>, surroundings: Surroundings): string {
  const told = fileTold(link, surroundings);
  return told && accessibleName(link) !== '' ? `${link.text}, ${told}` : link.text;
}

/** Type and size of the file that a link leads to, unless its words tell both. */
export function fileTold(
  { text, destination }: Pick<Link, 'text' | 'destination'>,
  { files }: Surroundings,
): string | null {
  const file = destination.kind === 'file' ? files.get(destination.enclosure) : undefined;
  return file && !tells(text, file) ? fileWords(file) : null;
}

function tells(text: string, { type, name, size }: ShelfFile): boolean {
  const words = text.toLowerCase().replace(/\u00a0/g, ' ');
  return (
    words.includes(typeWords(type, name).split(' ')[0].toLowerCase()) &&
    words.includes(sizeWords(size).toLowerCase())
  );
}

import type { Link } from '../manuscript/index.js';

/** The name that assistive technology computes for a link: its words, white space made one (accname 1.2, step 2). */
export function accessibleName(link: Pick<Link, 'text'>): string {
  return link.text.replace(/[\s\u200b\ufeff]+/g, ' ').trim();
}

/** What a screen reader says at a link. Screen readers differ in order and wording; the parts are the same. */
export function heardAs(link: Pick<Link, 'text' | 'carrier' | 'kind'>): string {
  const name = accessibleName(link);
  const role = link.carrier === 'picture' ? 'link, picture' : 'link';
  return name === '' ? `${role}, without a name` : `${role}, ${name}`;
}

import type { Document } from 'domhandler';
import { getElementsByTagName, textContent } from 'domutils';

/** The title of a parsed page, white space made one. */
export function titleOfPage(document: Document): string {
  const title = getElementsByTagName('title', document.children, true)[0];
  return title ? textContent(title).replace(/\s+/g, ' ').trim() : '';
}

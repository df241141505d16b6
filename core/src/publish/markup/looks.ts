import { attrsOf, spotsOf, underlineOf, type LinkLook } from '../../manuscript/index.js';
import type { Edition } from '../edition/edition.js';

/** The looks of links that depart from the book's, by the class that they get in its style sheet. */
export function looksOf({ links, book }: Edition): Map<string, LinkLook> {
  const classes = new Map<string, LinkLook>();
  for (const { look } of links) if (look) classes.set(lookClass(look), look);
  for (const { id, doc } of book.chapters)
    for (const { node } of spotsOf(doc, id).contents) {
      const { look } = attrsOf.contents(node);
      if (look) classes.set(lookClass(look), look);
    }
  return classes;
}

/** The same look has the same class in every export. */
export function lookClass({ light, dark, underline, weight }: LinkLook): string {
  return `look-${light.slice(1)}-${dark.slice(1)}-${underline}-${weight}`.toLowerCase();
}

/** What a look is called where it is chosen; without one of its own, a link has that of the book. */
export const lookName = (look: LinkLook | null): string => (look ? lookClass(look) : 'look-of-book');

/** The rules of links: the book's look, those that depart from it, and areas of pictures. For light and dark pages. */
export function linkStyles(book: LinkLook, own: Map<string, LinkLook>): string {
  const all: [string, LinkLook][] = [
    ['a', book],
    ...[...own].map(([name, look]) => [`a.${name}`, look] as [string, LinkLook]),
  ];
  const light = all.map(([selector, look]) => `${selector} { ${declarations(look)} }`);
  const dark = all.map(([selector, look]) => `${selector} { color: ${look.dark}; }`);
  // A look of its own stands after it, and holds for links that were followed too.
  const { visited } = book;
  if (visited) {
    light.splice(1, 0, `a:visited { color: ${visited.light}; }`);
    dark.splice(1, 0, `a:visited { color: ${visited.dark}; }`);
  }
  return `${light.join('\n')}
.picture { position: relative; display: inline-block; max-width: 100%; }
.picture img { display: block; width: 100%; }
a.area { position: absolute; box-sizing: border-box; overflow: hidden; text-decoration: none; }
a.area:focus { outline: 2px solid ${book.light}; }
a.area span, a .told { position: absolute; width: 1px; height: 1px; overflow: hidden; clip: rect(0 0 0 0); white-space: nowrap; }
@media (prefers-color-scheme: dark) {
${dark.join('\n')}
}`;
}

function declarations(look: LinkLook): string {
  return `color: ${look.light}; text-decoration: ${underlineOf(look)}; text-underline-offset: 0.15em; font-weight: ${look.weight === 'strong' ? 'bold' : 'inherit'};`;
}

import { getElementsByTagName } from 'domutils';
import type { Document, Element } from 'domhandler';
import type { FoundLink, Landing } from './found-link.js';
import { wordsOfElement } from './words.js';

/** An address against which those within an archive are read. */
export const INSIDE = 'http://inside.invalid/';

/** Pages that lie in one archive with what they lead to. */
export interface Container {
  files: Record<string, Uint8Array>;
  base: string;
  /** By the path of each content document: its text from an id on. */
  landings: Map<string, (id: string) => Landing | undefined>;
}

/** A link of a page of an archive; `null` for one without an address. */
export function linkInContainer(
  anchor: Element,
  path: string,
  nth: number,
  { files, base, landings }: Container,
): FoundLink | null {
  const { href, title = '' } = anchor.attribs;
  if (href === undefined) return null;
  const found = { text: wordsOfElement(anchor), note: title, where: path, nth };
  if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return { ...found, href, lands: true };
  const url = new URL(href, INSIDE + path);
  const target = decodeURIComponent(url.pathname.slice(1));
  const landingIn = landings.get(target);
  if (!landingIn) {
    const file = target.startsWith(base) ? target.slice(base.length) : target;
    return { ...found, href: file + url.hash, lands: target in files };
  }
  const id = decodeURIComponent(url.hash.slice(1));
  const landing = landingIn(id);
  return { ...found, href: `#${id}`, lands: landing !== undefined, landing };
}

/** The links of a document with their numbers in it. */
export const numbered = (document: Document): [anchor: Element, nth: number][] =>
  getElementsByTagName('a', document.children)
    .filter(({ attribs }) => attribs.href !== undefined)
    .map((anchor, nth) => [anchor, nth]);

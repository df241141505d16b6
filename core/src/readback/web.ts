import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { getElementsByTagName } from 'domutils';
import type { Document } from 'domhandler';
import { withoutFragment } from '../destination/index.js';
import type { FoundLink } from './found-link.js';
import { landingsIn } from './landings.js';
import { wordsOfElement } from './words.js';

/** Every link of a web page, in reading order, but those of its contents. `files` are the paths of what lies next to it. */
export function linksInWebPage(bytes: Uint8Array, files: ReadonlySet<string> = new Set()): FoundLink[] {
  const document: Document = parse(new TextDecoder().decode(bytes), { treeAdapter: adapter });
  const landingAt = landingsIn(document);
  const contents = new Set(
    getElementsByTagName('nav', document.children).flatMap((nav) => getElementsByTagName('a', nav.children)),
  );
  return getElementsByTagName('a', document.children)
    .filter((anchor) => !contents.has(anchor))
    .flatMap((anchor): FoundLink[] => {
      const { href, title } = anchor.attribs;
      if (href === undefined) return [];
      const found = { href, text: wordsOfElement(anchor), note: title, where: 'the page' };
      if (href.startsWith('#')) {
        const landing = landingAt(decodeURIComponent(href.slice(1)));
        return [{ ...found, lands: landing !== undefined, landing }];
      }
      if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return [{ ...found, lands: true }];
      return [{ ...found, lands: files.has(withoutFragment(href)) }];
    });
}

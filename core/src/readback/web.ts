import { parse } from 'parse5';
import { adapter } from 'parse5-htmlparser2-tree-adapter';
import { getElementsByTagName } from 'domutils';
import type { Document, Element } from 'domhandler';
import { unzipSync } from 'fflate';
import { withoutFragment } from '../destination/index.js';
import { linkInContainer, numbered } from './container.js';
import type { FoundLink } from './found-link.js';
import { landingsIn } from './landings.js';
import { wordsOfElement } from './words.js';

const read = (bytes: Uint8Array): Document =>
  parse(new TextDecoder().decode(bytes), { treeAdapter: adapter });

/** The links of the text of a page: neither those of its navigation nor the one past it. */
function anchorsOf(document: Document): [anchor: Element, nth: number][] {
  const ways = new Set(
    getElementsByTagName('nav', document.children).flatMap((nav) => getElementsByTagName('a', nav.children)),
  );
  return numbered(document).filter(([anchor]) => !ways.has(anchor) && anchor.attribs.class !== 'skip');
}

/** Every link of the pages of a site, in their order, but those of its navigation. @param bytes an archive of all of it */
export function linksInWebSite(bytes: Uint8Array): FoundLink[] {
  const files = unzipSync(bytes);
  const pages = Object.keys(files)
    .filter((path) => path.endsWith('.html') && !path.includes('/'))
    .sort()
    .map((path) => ({ path, document: read(files[path]!) }));
  const landings = new Map(pages.map(({ path, document }) => [path, landingsIn(document)]));
  return pages.flatMap(({ path, document }) =>
    anchorsOf(document).flatMap(
      ([anchor, nth]) => linkInContainer(anchor, path, nth, { files, base: '', landings }) ?? [],
    ),
  );
}

/** Every link of a web page, in reading order, but those of its contents. `files` are the paths of what lies next to it. */
export function linksInWebPage(bytes: Uint8Array, files: ReadonlySet<string> = new Set()): FoundLink[] {
  const document = read(bytes);
  const landingAt = landingsIn(document);
  return anchorsOf(document).flatMap(([anchor, nth]): FoundLink[] => {
    const { href, title = '' } = anchor.attribs;
    if (href === undefined) return [];
    const found = { href, text: wordsOfElement(anchor), note: title, where: 'the page', nth };
    if (href.startsWith('#')) {
      const landing = landingAt(decodeURIComponent(href.slice(1)));
      return [{ ...found, lands: landing !== undefined, landing }];
    }
    if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return [{ ...found, lands: true }];
    return [{ ...found, lands: files.has(withoutFragment(href)) }];
  });
}

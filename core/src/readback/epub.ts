import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { getElementsByTagName } from 'domutils';
import type { Element } from 'domhandler';
import type { FoundLink, Landing } from './found-link.js';
import { landingsIn } from './landings.js';
import { wordsOfElement } from './words.js';

const INSIDE = 'http://inside.invalid/';

/** Every link in the spine of an EPUB, in reading order, but those of its navigation document. */
export function linksInEpub(bytes: Uint8Array): FoundLink[] {
  const files = unzipSync(bytes);
  const read = (path: string) =>
    parseDocument(new TextDecoder().decode(files[path] ?? new Uint8Array()), { xmlMode: true });
  const root =
    getElementsByTagName('rootfile', read('META-INF/container.xml').children)[0]?.attribs['full-path'] ?? '';
  const opf = read(root);
  const items = getElementsByTagName('item', opf.children).filter(
    ({ attribs }) => attribs['media-type'] === 'application/xhtml+xml',
  );
  const pages = new Map(
    items.map(({ attribs: { id = '', href = '', properties = '' } }) => {
      const path = new URL(href, INSIDE + root).pathname.slice(1);
      const document = read(path);
      const isNavigation = properties.split(' ').includes('nav');
      return [id, { path, document, isNavigation, landing: landingsIn(document) }];
    }),
  );
  const spine = getElementsByTagName('itemref', opf.children).flatMap(
    (reference) => pages.get(reference.attribs.idref ?? '') ?? [],
  );
  const container: Container = {
    files,
    base: root.replace(/[^/]*$/, ''),
    landings: new Map([...pages.values()].map(({ path, landing }) => [path, landing])),
  };
  return spine
    .filter(({ isNavigation }) => !isNavigation)
    .flatMap(({ path, document }) =>
      getElementsByTagName('a', document.children).flatMap(
        (anchor) => foundLink(anchor, path, container) ?? [],
      ),
    );
}

interface Container {
  files: Record<string, Uint8Array>;
  base: string;
  /** By the path of each content document: its text from an id on. */
  landings: Map<string, (id: string) => Landing | undefined>;
}

function foundLink(anchor: Element, path: string, { files, base, landings }: Container): FoundLink | null {
  const { href, title } = anchor.attribs;
  if (href === undefined) return null;
  const found = { text: wordsOfElement(anchor), note: title, where: path };
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

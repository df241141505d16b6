import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { findAll, getElementsByTagName } from 'domutils';
import type { Element } from 'domhandler';
import type { FoundLink } from './found-link.js';
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
  const paths = new Map(
    getElementsByTagName('item', opf.children)
      .filter(
        ({ attribs }) =>
          attribs['media-type'] === 'application/xhtml+xml' &&
          !attribs.properties?.split(' ').includes('nav'),
      )
      .map((item) => [item.attribs.id, new URL(item.attribs.href, INSIDE + root).pathname.slice(1)]),
  );
  const spine = getElementsByTagName('itemref', opf.children).flatMap(
    (reference) => paths.get(reference.attribs.idref) ?? [],
  );
  const pages = spine.map((path) => ({ path, document: read(path) }));
  const ids = new Map(
    pages.map(({ path, document }) => [
      path,
      new Set(
        findAll((element) => element.attribs.id !== undefined, document.children).map(
          (element) => element.attribs.id,
        ),
      ),
    ]),
  );
  return pages.flatMap(({ path, document }) =>
    getElementsByTagName('a', document.children)
      .filter((anchor) => anchor.attribs.href !== undefined)
      .map((anchor) => foundLink(anchor, path, ids, { files, base: root.replace(/[^/]*$/, '') })),
  );
}

function foundLink(
  anchor: Element,
  path: string,
  ids: Map<string, Set<string>>,
  container: { files: Record<string, Uint8Array>; base: string },
): FoundLink {
  const { href, title } = anchor.attribs;
  const found = { text: wordsOfElement(anchor), note: title, where: path };
  if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return { ...found, href, lands: true };
  const url = new URL(href, INSIDE + path);
  const target = decodeURIComponent(url.pathname.slice(1));
  if (!ids.has(target)) {
    const file = target.startsWith(container.base) ? target.slice(container.base.length) : target;
    return { ...found, href: file + url.hash, lands: target in container.files };
  }
  const id = decodeURIComponent(url.hash.slice(1));
  return { ...found, href: `#${id}`, lands: ids.get(target)?.has(id) ?? false };
}

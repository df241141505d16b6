import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { findAll, getElementsByTagName } from 'domutils';
import { isTag, isText, type ChildNode, type Element } from 'domhandler';
import type { FoundLink } from './found-link.js';

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
      .filter((item) => !item.attribs.properties?.split(' ').includes('nav'))
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
      .map((anchor) => foundLink(anchor, path, ids)),
  );
}

function foundLink(anchor: Element, path: string, ids: Map<string, Set<string>>): FoundLink {
  const { href } = anchor.attribs;
  const text = wordsOfElement(anchor);
  if (/^[a-z][a-z0-9+.-]*:/i.test(href)) return { href, text, where: path, lands: true };
  const url = new URL(href, INSIDE + path);
  const id = decodeURIComponent(url.hash.slice(1));
  return { href: `#${id}`, text, where: path, lands: ids.get(url.pathname.slice(1))?.has(id) ?? false };
}

/** Text, and the alternative text of pictures in it. */
function wordsOfElement(node: ChildNode): string {
  if (isText(node)) return node.data;
  if (!isTag(node)) return '';
  if (node.name === 'img') return node.attribs.alt ?? '';
  return node.name === 'br' ? ' ' : node.children.map(wordsOfElement).join('');
}

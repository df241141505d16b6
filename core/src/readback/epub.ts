import { unzipSync } from 'fflate';
import { parseDocument } from 'htmlparser2';
import { getElementsByTagName } from 'domutils';
import { linkInContainer, INSIDE, numbered, type Container } from './container.js';
import type { FoundLink } from './found-link.js';
import { landingsIn } from './landings.js';

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
      numbered(document).flatMap(([anchor, nth]) => linkInContainer(anchor, path, nth, container) ?? []),
    );
}

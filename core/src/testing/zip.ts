import { strToU8, zipSync, type Zippable } from 'fflate';

/** An archive of these files, in their order. */
export function zip(files: Record<string, string | Uint8Array>): Uint8Array {
  const entries: Zippable = {};
  for (const [name, content] of Object.entries(files))
    entries[name] = typeof content === 'string' ? strToU8(content) : content;
  return zipSync(entries);
}

const XHTML = 'xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops"';

/** The files of a small EPUB with these chapters: the content of `body`, by path from the package document. `nav.xhtml` is its navigation. */
export function epubFiles(chapters: Record<string, string>, more: Record<string, string | Uint8Array> = {}) {
  const paths = Object.keys(chapters);
  const items = paths.map(
    (path, index) =>
      `<item id="c${index}" href="${path}" media-type="application/xhtml+xml"${path === 'nav.xhtml' ? ' properties="nav"' : ''}/>`,
  );
  const pages = paths.map((path) => [
    `OEBPS/${path}`,
    `<?xml version="1.0" encoding="utf-8"?><html ${XHTML}><head><title>Page</title></head>${chapters[path]}</html>`,
  ]);
  return {
    mimetype: 'application/epub+zip',
    'META-INF/container.xml':
      '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="OEBPS/package.opf"/></rootfiles></container>',
    'OEBPS/package.opf': `<package xmlns="http://www.idpf.org/2007/opf" version="3.0"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
      <dc:title>Lamps &amp; tides</dc:title><dc:creator>A. Uthor</dc:creator><dc:language>en-GB</dc:language></metadata>
      <manifest>${items.join('')}</manifest><spine>${paths.map((_path, index) => `<itemref idref="c${index}"/>`).join('')}</spine></package>`,
    ...Object.fromEntries(pages),
    ...more,
  } as Record<string, string | Uint8Array>;
}

/** The smallest PNG: one pixel. */
export const PIXEL = Uint8Array.from(
  atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='),
  (sign) => sign.charCodeAt(0),
);

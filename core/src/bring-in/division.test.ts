import { describe, expect, test } from '@jest/globals';
import { linksOf, readBook } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { PIXEL, zip } from '../testing/zip.js';
import { bringIn, type BroughtIn } from './index.js';

const CONTAINER =
  '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="package.opf"/></rootfiles></container>';

interface Made {
  pages: Record<string, string>;
  /** Navigation of EPUB 3, or the points of an NCX of EPUB 2. */
  nav?: string;
  ncx?: string;
  guide?: string;
  titles?: Record<string, string>;
}

/** An e-book of pages in their order. */
function epub({ pages, nav, ncx, guide = '', titles = {} }: Made): BroughtIn {
  const names = Object.keys(pages);
  const items = names.map(
    (name, index) => `<item id="p${index}" href="${name}" media-type="application/xhtml+xml"/>`,
  );
  if (nav)
    items.push('<item id="nav" href="nav.xhtml" properties="nav" media-type="application/xhtml+xml"/>');
  if (ncx) items.push('<item id="ncx" href="toc.ncx" media-type="application/x-dtbncx+xml"/>');
  items.push('<item id="lamp" href="lamp.png" media-type="image/png"/>');
  const spine = names.map((_name, index) => `<itemref idref="p${index}"/>`).join('');
  const files: Record<string, string | Uint8Array> = {
    mimetype: 'application/epub+zip',
    'META-INF/container.xml': CONTAINER,
    'package.opf': `<package xmlns="http://www.idpf.org/2007/opf"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>Small lamps</dc:title><dc:language>en</dc:language></metadata><manifest>${items.join('')}</manifest><spine toc="ncx">${spine}</spine><guide>${guide}</guide></package>`,
    'lamp.png': PIXEL,
  };
  if (nav) files['nav.xhtml'] = `<html><body><nav epub:type="toc"><ol>${nav}</ol></nav></body></html>`;
  if (ncx)
    files['toc.ncx'] = `<ncx xmlns="http://www.daisy.org/z3986/2005/ncx/"><navMap>${ncx}</navMap></ncx>`;
  for (const name of names)
    files[name] =
      `<html><head><title>${titles[name] ?? 'Small lamps'}</title></head><body>${pages[name]}</body></html>`;
  return bringIn({ name: 'book.epub', bytes: zip(files) }, counter());
}

const titlesOf = ({ book }: BroughtIn) => book.chapters.map(({ title }) => title);
const point = (title: string, src: string, within = '') =>
  `<navPoint><navLabel><text>${title}</text></navLabel><content src="${src}"/>${within}</navPoint>`;
const words = (count: number) => `<p>${'oil '.repeat(count)}</p>`;

describe('the chapters of an e-book', () => {
  test('are called as its contents call them, where they have no heading; never by what stands over every page', () => {
    const brought = epub({
      pages: {
        'a.xhtml': '<p>Some words.</p>',
        'b.xhtml': '<p>More words.</p>',
        'c.xhtml': '<p>The last.</p>',
      },
      nav: '<li><a href="a.xhtml">Of <i>oil</i></a></li>',
      titles: { 'c.xhtml': 'Of wicks' },
    });
    expect(titlesOf(brought)).toEqual(['Of oil', 'Chapter 2', 'Of wicks']);
  });

  test('have the first of their highest headings for a title', () => {
    const brought = epub({ pages: { 'a.xhtml': '<h3>I</h3><h1>Of oil</h1><h2>Lamp oil</h2>' + words(3) } });
    expect(titlesOf(brought)).toEqual(['Of oil']);
  });

  test('are cut where its contents lead into one file, and their sections are not', () => {
    const brought = epub({
      pages: {
        'all.xhtml': `<p>By the keeper.</p><div id="one"><h2>Oil</h2>${words(3)}<h3 id="s">Lamp oil</h3>${words(3)}</div><a id="two"></a><h2>Wicks</h2><p><a href="#one">back</a> <a href="#s">to a section</a></p>`,
      },
      ncx:
        point('Of oil', 'all.xhtml#one', point('Of lamp oil', 'all.xhtml#s')) +
        point('Of wicks', 'all.xhtml#two'),
    });
    expect(titlesOf(brought)).toEqual(['Chapter 1', 'Oil', 'Wicks']);
    const places = linksOf(readBook(brought.book)).map(({ href }) => href);
    expect(places).toEqual(['#one', '#s']);
  });

  test('that are large are cut at the next lines of the contents, else at their highest headings', () => {
    const section = (id: string) => `<h2 id="${id}">Section ${id}</h2>${words(9_000)}`;
    const page = `<h1 id="top">Oil</h1>${words(20)}${section('a')}${section('b')}${section('c')}`;
    const lines = ['a', 'b'].map((id) => point(`Of ${id}`, `all.xhtml#${id}`)).join('');
    const told = epub({ pages: { 'all.xhtml': page }, ncx: point('Of oil', 'all.xhtml', lines) });
    expect(titlesOf(told)).toEqual(['Oil', 'Section a', 'Section b']);
    const untold = epub({ pages: { 'all.xhtml': page } });
    expect(titlesOf(untold)).toEqual(['Oil', 'Section a', 'Section b', 'Section c']);
  });

  test('are not its pages of contents, nor its cover', () => {
    const brought = epub({
      pages: {
        'cover.xhtml': '<div><img src="lamp.png" alt="Cover"/></div>',
        'toc.xhtml': '<h1>Contents</h1><p><a href="a.xhtml">Oil</a></p><p><a href="b.xhtml">Wicks</a></p>',
        'a.xhtml': '<h1>Oil</h1><p><a href="toc.xhtml">to the contents</a></p>',
        'b.xhtml': '<h1>Wicks</h1><p><a href="cover.xhtml">to the front</a></p>',
      },
      guide: '<reference type="toc" href="toc.xhtml"/><reference type="cover" href="cover.xhtml"/>',
    });
    expect(titlesOf(brought)).toEqual(['Oil', 'Wicks']);
    expect(linksOf(readBook(brought.book)).map(({ href }) => href)).toEqual(['#book-contents', '#book-top']);
    expect(brought.report.changed.map(({ what, count }) => [what, count])).toEqual([
      ['pages of contents', 1],
      ['covers', 1],
    ]);
  });

  test('keep a level for each section within a section, though each begins with the highest (HTML, 4.3.11)', () => {
    const brought = epub({
      pages: {
        'a.xhtml':
          '<section><h1>Oil</h1><section><header><h1>Lamp oil</h1></header><section><h1>Its price</h1></section></section><section><h2>Told</h2></section></section>',
      },
    });
    const levels = readBook(brought.book).chapters[0]!.doc.children.map(({ attrs, textContent }) => [
      textContent,
      attrs.level as number,
    ]);
    expect(levels).toEqual([
      ['Oil', 1],
      ['Lamp oil', 2],
      ['Its price', 3],
      ['Told', 2],
    ]);
  });
});

test('a long page is cut at its highest headings; a heading alone is no chapter', () => {
  const page = `<html lang="en"><h1>Small lamps</h1>${['Oil', 'Wicks'].map((title) => `<h2>${title}</h2>${words(2_000)}`).join('')}`;
  const brought = bringIn({ name: 'a.html', bytes: new TextEncoder().encode(page) }, counter());
  expect(titlesOf(brought)).toEqual(['Small lamps', 'Wicks']);
});

test('contents list headings as deep as the e-book’s own contents go, parts of several files aside', () => {
  const pages = {
    'part.xhtml': '<h1>Part</h1><p>Words.</p>',
    'a.xhtml': '<h1>A</h1><h2 id="s">Section</h2><p>Words.</p><h3>Deeper</h3><p>Words.</p>',
  };
  const chapter = (within: string) =>
    `<li><a href="part.xhtml">Part</a><ol><li><a href="a.xhtml">A</a>${within}</li></ol></li>`;
  const listed = (nav: string) => epub({ pages, nav }).book.structure.listed;
  expect(listed(chapter(''))).toBe(1);
  expect(listed(chapter('<ol><li><a href="a.xhtml#s">Section</a></li></ol>'))).toBe(2);
  expect(epub({ pages }).book.structure.listed).toBeUndefined();
});

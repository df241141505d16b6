import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { auditBook } from '../audit/index.js';
import { NO_SURROUNDINGS } from '../shelf/index.js';
import { linksOf, readBook, schema } from '../manuscript/index.js';
import { editionOf, makeEpub } from '../publish/index.js';
import { counter } from '../testing/books.js';
import { epubFiles, PIXEL, zip } from '../testing/zip.js';
import { bringIn, type BroughtIn } from './index.js';

const page = (body: string, head = '') =>
  bringIn(
    {
      name: 'a.html',
      bytes: new TextEncoder().encode(`<!doctype html><html lang="en"><head>${head}</head><body>${body}`),
    },
    counter(),
  );
const text = ({ book }: BroughtIn) => Node.fromJSON(schema, book.chapters[0]!.doc).toString();
const links = ({ book }: BroughtIn) => linksOf(readBook(book)).map(({ text: words, href }) => [words, href]);
const told = ({ report }: BroughtIn) =>
  [...report.changed, ...report.leftOut].map(({ what, why }) => `${what}: ${why}`);
const UUID = '6ba7b810-9dad-11d1-80b4-00c04fd430c8';
const PIXEL_URL = `data:image/png;base64,${Buffer.from(PIXEL).toString('base64')}`;

describe('of what another maker’s file holds, each thing is kept or named:', () => {
  test('words and links in place of films, sounds and objects', () => {
    const brought = page(
      '<p>See <video src="a.mp4"><track src="a.vtt">the <a href="https://film.example/">film</a></video>.</p><object data="x.swf"><p>A map: <a href="https://map.example/">map</a></p></object>',
    );
    expect(text(brought)).toBe(
      'doc(paragraph("See the ", link("film"), "."), paragraph("A map: ", link("map")))',
    );
    expect(told(brought)).toEqual([
      'videos: a book can’t carry them',
      'embedded objects: a book can’t carry them',
    ]);
  });

  test('items without a list, menus and directories', () => {
    expect(text(page('<p>A</p><li>one</li> <li>two</li><p>B</p>'))).toBe(
      'doc(paragraph("A"), bullet_list(list_item(paragraph("one")), list_item(paragraph("two"))), paragraph("B"))',
    );
    expect(text(page('<menu><li>one</li></menu><dir><li>two</li></dir>'))).toBe(
      'doc(bullet_list(list_item(paragraph("one"))), bullet_list(list_item(paragraph("two"))))',
    );
  });

  test('lists of terms, with links and places on the terms (HTML, 4.4.9)', () => {
    const brought = page(
      '<p><a href="#wick">to the wick</a></p><dl><div><dt id="lamp">Lamp</dt><dt><a href="https://lamp.example/">Light</a></dt><dd>It <b>burns</b>.</dd></div><dt id="wick">Wick</dt><dd><p>Cotton.</p><p>Two.</p></dd><dd></dd><dt>Oil</dt></dl><dl><dd>Said alone.</dd><p>More.</p></dl><dl><dt> </dt></dl>',
    );
    expect(text(brought)).toBe(
      'doc(paragraph(link("to the wick")), term_list(term("Lamp"), term(link("Light")), meaning(paragraph("It ", strong("burns"), ".")), term("Wick"), meaning(paragraph("Cotton."), paragraph("Two.")), term("Oil"), meaning(paragraph)), term_list(term, meaning(paragraph("Said alone.")), meaning(paragraph("More."))))',
    );
    expect(told(brought)).toEqual([]);
    expect(brought.report.kept).toContainEqual({ what: 'lists of terms', count: 2 });
  });

  test('numbers of lists', () => {
    const brought = page(
      '<ol type="a" reversed><li value="7">x</li></ol><ol type="1" start="3"><li>y</li></ol>',
    );
    expect(told(brought)).toEqual([
      'lists: their letters or Roman numbers became plain numbers',
      'lists: their numbers ran backwards, and run forwards',
      'lists: some of their items had numbers of their own, and are counted on',
    ]);
    expect(readBook(brought.book).chapters[0]!.doc.lastChild!.attrs.start).toBe(3);
  });

  test('readings of words (HTML, 4.5.10, its examples)', () => {
    const brought = page('<p><ruby>漢<rp>(</rp><rt>かん</rt><rp>)</rp>字<rt>じ</rt></ruby>です</p>');
    expect(brought.book.chapters[0]!.doc).toMatchObject({
      content: [{ content: [{ text: '漢(かん)字(じ)です' }] }],
    });
    expect(told(brought)).toEqual(['readings: they stand in brackets after their words']);
  });

  test('figures of two pictures', () => {
    const img = `<img src="${PIXEL_URL}" alt="lamp">`;
    const brought = page(`<figure>${img}${img}<figcaption>Two</figcaption></figure>`);
    expect(text(brought)).toBe('doc(paragraph(picture, picture), paragraph("Two"))');
    expect(told(brought)).toEqual([
      'figures: they held more than one picture, and their caption became a paragraph',
    ]);
  });

  test('widths of pictures, and those that stand aside', () => {
    const img = (attributes: string) => `<img src="${PIXEL_URL}" alt="lamp" ${attributes}>`;
    const brought = page(
      `<p>${img('width="40%"')}</p><div style="width: 60%; float: left">${img('')}</div><figure>${img('width="300" height="2"')}</figure>`,
    );
    const widths = readBook(brought.book).chapters[0]!.doc.children.map(
      ({ attrs }) => attrs.width as number | null,
    );
    expect(widths).toEqual([40, 60, null]);
    expect(told(brought)).toEqual([
      'places of pictures: they stood at one side of the text',
      'sizes of pictures: only shares of the line are kept as widths',
    ]);
  });

  test('addresses that ask this very page', () => {
    expect(told(page('<p><a href="?page=2">next</a></p>'))).toEqual([
      'links: “?page=2” asks a page of the web, and where that stands is not said',
    ]);
    const known = page(
      '<p><a href="?page=2">next</a></p>',
      '<link rel="canonical" href="https://lamp.example/tides">',
    );
    expect(links(known)).toEqual([['next', 'https://lamp.example/tides?page=2']]);
  });

  test('telephones, spots, DOIs; other schemes with their address', () => {
    const brought = page(
      '<p><a href="tel:+49 30 901820">call</a> <a href="geo:54.18,7.89">go</a> <a href="doi:10.1000/182">read</a> <a href="sms:+4930901820">text</a> <a href="ftp://files.example/a">get</a> <a href="urn:isbn:978-0-00-000000-2">buy</a> <a href="javascript:x()">run</a></p>',
    );
    expect(links(brought)).toEqual([
      ['call', 'tel:+4930901820'],
      ['go', 'geo:54.18,7.89'],
      ['read', 'https://doi.org/10.1000/182'],
      // Words for its readers; its author is offered the same by HTTPS.
      ['get', '#no-destination'],
      ['buy', '#no-destination'],
    ]);
    const { findings } = auditBook(readBook(brought.book), NO_SURROUNDINGS);
    const offered = [...findings.values()].flat().flatMap(({ repairs }) => repairs.map(({ label }) => label));
    expect(offered).toEqual(
      expect.arrayContaining([
        'Lead to https://files.example/a',
        'Lead to https://n2t.net/isbn:9780000000002',
      ]),
    );
    expect(told(brought)).toEqual([
      'links: they named a DOI, and lead to doi.org',
      'links: “sms:+4930901820” can’t be published, so the words stay without it',
      'links: “ftp://files.example/a” can’t be published, so the words stay without it',
      'links: “urn:isbn:978-0-00-000000-2” can’t be published, so the words stay without it',
      'links: “javascript:x()” can’t be published, so the words stay without it',
    ]);
  });

  test('what an e-book says of itself, in and out again', () => {
    const files = epubFiles({ 'a.xhtml': '<body><h1>A</h1></body>' }, { 'OEBPS/c.png': PIXEL });
    const opf = (files['OEBPS/package.opf'] as string)
      .replace(
        '</metadata>',
        '<dc:title id="s">On lamps</dc:title><meta refines="#s" property="title-type">subtitle</meta><dc:publisher>Lamp Press</dc:publisher><dc:date>2026-11</dc:date><dc:rights>All kept</dc:rights><dc:subject>Lamps</dc:subject><dc:subject>Oil</dc:subject><dc:identifier>urn:isbn:9780000000002</dc:identifier><dc:identifier>urn:uuid:6ba7b810-9dad-11d1-80b4-00c04fd430c8</dc:identifier><dc:contributor id="i">I. Llustrator</dc:contributor><meta refines="#i" property="role">ill</meta><dc:contributor>unknown</dc:contributor><meta name="cover" content="c"/></metadata>',
      )
      .replace('</manifest>', '<item id="c" href="c.png" media-type="image/png"/></manifest>');
    const bytes = zip({ ...files, 'OEBPS/package.opf': opf });
    const brought = bringIn({ name: 'a.epub', bytes }, counter());
    expect(brought.book).toMatchObject({
      title: 'Lamps & tides',
      subtitle: 'On lamps',
      publication: {
        publisher: 'Lamp Press',
        published: '2026-11',
        rights: 'All kept',
        identifiers: ['urn:isbn:9780000000002'],
        subjects: ['Lamps', 'Oil'],
        contributors: [{ name: 'I. Llustrator', role: 'ill' }],
        cover: brought.enclosures[0]!.id,
      },
    });
    expect(told(brought)).toEqual([]);
    const again = bringIn(
      {
        name: 'b.epub',
        bytes: makeEpub(editionOf({ ...readBook(brought.book), id: UUID }, brought.enclosures, 'epub'), {
          modified: new Date(0),
        }),
      },
      counter('again'),
    );
    expect(again.book.publication).toEqual({
      ...brought.book.publication,
      cover: again.enclosures[0]!.id,
    });
  });
});

test('an e-book that was packed with a folder around it comes in', () => {
  const files = epubFiles({ 'a.xhtml': '<body><h1>A</h1></body>' });
  const around = Object.fromEntries(
    Object.entries(files).map(([path, content]) => [`My book/${path}`, content]),
  );
  expect(text(bringIn({ name: 'a.epub', bytes: zip(around) }, counter()))).toBe('doc(heading("A"))');
});

import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { faultInChapter, linksOf, placesOf, readBook, schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { epubFiles, PIXEL, zip } from '../testing/zip.js';
import { bringIn, BringInError, type BroughtIn } from './index.js';
import { Ids } from './book/ids.js';
import { resolveHref } from './book/link-resolver.js';
import { Tally } from './book/report.js';

const PIXEL_URL = `data:image/png;base64,${Buffer.from(PIXEL).toString('base64')}`;
const encode = (text: string) => new TextEncoder().encode(text);
const html = (body: string, head = '') =>
  bringIn(
    { name: 'book.html', bytes: encode(`<!doctype html><html lang="en"><head>${head}</head><body>${body}`) },
    counter(),
  );
const epub = (...parts: Parameters<typeof epubFiles>) =>
  bringIn({ name: 'book.epub', bytes: zip(epubFiles(...parts)) }, counter());
const text = (brought: BroughtIn, chapter = 0) =>
  Node.fromJSON(schema, brought.book.chapters[chapter]!.doc).toString();
const links = (brought: BroughtIn) =>
  linksOf(readBook(brought.book)).map(({ text: words, href }) => [words, href]);
const count = (brought: BroughtIn, column: 'kept' | 'changed' | 'leftOut', what: string) =>
  brought.report[column].filter((line) => line.what === what).reduce((sum, line) => sum + line.count, 0);

function faultOf(bytes: Uint8Array): string {
  try {
    bringIn({ name: 'x', bytes }, counter());
    return 'none';
  } catch (error) {
    return error instanceof BringInError ? error.fault : String(error);
  }
}

describe('the language of a book', () => {
  const page = (lang: string, guess: string | null = null) => {
    const bytes = encode(`<!doctype html><html${lang && ` lang="${lang}"`}><body><p>Die Lampe brennt.</p>`);
    const { book, report } = bringIn({ name: 'b.html', bytes }, counter(), { guessLanguage: () => guess });
    return [
      book.language,
      report.changed.filter(({ what }) => what === 'languages of the book').map(({ why }) => why),
    ];
  };
  test.each([
    ['de-AT', 'fr', 'de-AT', []],
    ['zh_cn', null, 'zh-CN', ['“zh_cn” is written zh-CN']],
    ['English', null, 'en', ['“English” is written en']],
    ['', 'de', 'de', ['the file doesn’t say it; by its words it is German']],
    ['', null, 'en', ['the file doesn’t say it; it is taken for English']],
    ['Klingonish', 'de', 'de', ['“Klingonish” names none; by its words it is German']],
  ])('said as %j, guessed as %j, is %j', (lang, guess, language, told) => {
    expect(page(lang, guess)).toEqual([language, told]);
  });
});

describe('an id without words', () => {
  test.each([
    ['an old name before a heading', '<p>A.</p><a name="b"></a><h2>B</h2>', 'paragraph("A."), heading("B")'],
    [
      'of a section and of an empty span',
      '<section id="a"><span id="b"></span><h2>B</h2></section>',
      'heading(anchor, "B")',
    ],
    [
      'of an empty paragraph',
      '<p>A.</p><p id="b"></p><ul><li>B</li></ul>',
      'paragraph("A."), bullet_list(list_item(paragraph("B")))',
    ],
    ['before a picture', `<a id="b"></a><p><img src="${PIXEL_URL}" alt="B"></p>`, 'figure'],
    [
      'before a quotation',
      '<p>A.</p><div id="b"></div><blockquote><p>B</p></blockquote>',
      'paragraph("A."), quotation(paragraph("B"))',
    ],
    ['before code', '<p>A.</p><a id="b"></a><pre>B</pre>', 'paragraph("A."), code_block("B")'],
  ])('belongs to what follows: %s', (_name, body, wanted) => {
    const brought = html(`${body}<p><a href="#b">to it</a></p>`);
    expect(text(brought)).toBe(`doc(${wanted}, paragraph(link("to it")))`);
    expect(placesOf(readBook(brought.book)).has('b')).toBe(true);
  });

  test('stays with its words at their end, and at the end of all', () => {
    expect(text(html('<p>A.<a id="b"></a></p><p>B</p>'))).toBe(
      'doc(paragraph("A.", anchor), paragraph("B"))',
    );
    expect(text(html('<p>A.</p><p id="b"></p>'))).toBe('doc(paragraph("A.", anchor))');
  });

  test('goes into the chapter that follows', () => {
    const long = '<p>' + 'Oil burns. '.repeat(400) + '</p>';
    const brought = html(`<h1>A</h1>${long}<p><a href="#b">to B</a></p><a name="b"></a><h1>B</h1>${long}`);
    expect(text(brought, 1)).toMatch(/^doc\(heading\("B"\)/);
  });
});

describe('relative addresses, by RFC 3986 section 5.4', () => {
  const BASE = 'http://a/b/c/d;p?q';
  const parts = {
    ids: new Ids(new Tally()),
    chapters: new Map<string, string>(),
    outside: BASE,
    fileAt: () => null,
  };
  // Section 5.4.1 and 5.4.2; http addresses without a path get the slash that the URL standard adds.
  test.each([
    ['g', 'http://a/b/c/g'],
    ['./g', 'http://a/b/c/g'],
    ['g/', 'http://a/b/c/g/'],
    ['/g', 'http://a/g'],
    ['//g', 'https://g/'],
    ['?y', 'http://a/b/c/d;p?y'],
    ['g?y', 'http://a/b/c/g?y'],
    ['#s', 'http://a/b/c/d;p?q#s'],
    ['g#s', 'http://a/b/c/g#s'],
    ['g?y#s', 'http://a/b/c/g?y#s'],
    [';x', 'http://a/b/c/;x'],
    ['g;x?y#s', 'http://a/b/c/g;x?y#s'],
    ['.', 'http://a/b/c/'],
    ['./', 'http://a/b/c/'],
    ['..', 'http://a/b/'],
    ['../g', 'http://a/b/g'],
    ['../..', 'http://a/'],
    ['../../g', 'http://a/g'],
    ['../../../g', 'http://a/g'],
    ['/./g', 'http://a/g'],
    ['/../g', 'http://a/g'],
    ['g..', 'http://a/b/c/g..'],
    ['./../g', 'http://a/b/g'],
    ['g;x=1/./y', 'http://a/b/c/g;x=1/y'],
    ['g;x=1/../y', 'http://a/b/c/y'],
    ['g?y/../x', 'http://a/b/c/g?y/../x'],
  ])('%s leads to %s', (reference, href) =>
    expect(resolveHref(reference, 'd', parts)).toEqual({ kind: 'web', href }),
  );

  test('of a page that says where it stands resolve there; of any other they lead nowhere, and it is said', () => {
    const body = '<p><a href="../ferries">Ferries</a></p>';
    expect(links(html(body, '<base href="https://lamp.example/walks/one">'))).toEqual([
      ['Ferries', 'https://lamp.example/ferries'],
    ]);
    const lost = html(body);
    expect(links(lost)).toEqual([['Ferries', '#no-destination']]);
    expect(lost.report.changed).toMatchObject([
      { what: 'links', count: 1, why: expect.stringContaining('did not come along') as unknown },
    ]);
  });
});

describe('an HTML page', () => {
  test('keeps headings, paragraphs, emphasis, lists, quotations, code, rules', () => {
    const brought =
      html(`<h1>One</h1><p>Some <em>words</em> and <b>more</b>,<br>a<sub>1</sub> b<sup>2</sup></p>
      <ul><li>one<ol start="3"><li>two</ol></ul><blockquote><p>Q</p></blockquote><pre>  a\n  b</pre><hr>`);
    expect(text(brought)).toBe(
      'doc(heading("One"), paragraph("Some ", emphasis("words"), " and ", strong("more"), ",", hard_break, "a", subscript("1"), " b", superscript("2")), ' +
        'bullet_list(list_item(paragraph("one"), ordered_list(list_item(paragraph("two"))))), quotation(paragraph("Q")), code_block("  a\\n  b"), rule)',
    );
  });

  test('keeps tables with their spans and captions, and pictures with their words', () => {
    const src = `data:image/png;base64,${btoa(String.fromCharCode(...PIXEL))}`;
    const brought =
      html(`<table><caption>Hours</caption><thead><tr><th>A<th>B</thead><tr><td colspan="2">c</table>
      <figure><img src="${src}" alt="A dot"><figcaption>Fig</figcaption></figure><p>In <img src="${src}" alt="line"> line</p>`);
    expect(text(brought)).toBe(
      'doc(table(table_caption("Hours"), table_body(table_row(table_header(paragraph("A")), table_header(paragraph("B"))), table_row(table_cell(paragraph("c"))))), ' +
        'figure(caption("Fig")), paragraph("In ", picture, " line"))',
    );
    expect(brought.enclosures).toMatchObject([{ type: 'image/png' }]);
    expect(count(brought, 'kept', 'pictures')).toBe(2);
  });

  test('keeps ids on a picture and around it, with its caption', () => {
    const src = `data:image/png;base64,${btoa(String.fromCharCode(...PIXEL))}`;
    const brought = html(
      `<figure id="f"><div id="d"><img id="i" src="${src}" alt="A dot"></div><figcaption>Fig</figcaption></figure>
      <p><a href="#i">dot</a></p>`,
    );
    expect(text(brought)).toBe('doc(figure(caption(anchor, anchor, "Fig")), paragraph(link("dot")))');
    expect(placesOf(readBook(brought.book)).has('i')).toBe(true);
  });

  test('keeps every link: with its words, without words, on pictures, around blocks, in code', () => {
    const src = `data:image/png;base64,${btoa(String.fromCharCode(...PIXEL))}`;
    const brought =
      html(`<p><a href="https://a.example/1">one</a><a href="https://a.example/2"></a><a href="https://a.example/3"> </a></p>
      <a href="https://a.example/4"><h2>Four</h2><p>and four</p></a><p><a href="https://a.example/5"><img src="${src}" alt="five"></a></p>
      <pre><a href="https://a.example/6">six</a></pre><p><a href="mailto:joe@lamp.example?subject=Hi">seven</a></p>`);
    expect(links(brought)).toEqual([
      ['one', 'https://a.example/1'],
      ['', 'https://a.example/2'],
      ['', 'https://a.example/3'],
      ['Four', 'https://a.example/4'],
      ['and four', 'https://a.example/4'],
      ['five', 'https://a.example/5'],
      ['six', 'https://a.example/6'],
      ['seven', 'mailto:joe@lamp.example?subject=Hi'],
    ]);
    for (const chapter of brought.book.chapters) expect(faultInChapter(chapter.doc)).toBeNull();
  });

  test('keeps ids wherever they stand, and links inside lead to them', () => {
    const brought =
      html(`<section id="s"><div id="d"><h1 id="h">One</h1></div></section><p>a <a name="old"></a>b <span id="in">c</span></p>
      <ul id="l"><li id="li"><p id="p">x</p></li></ul><table id="t"><tr id="r"><td id="c">x</table><p><a href="#d">d</a><a href="#gone">gone</a></p><p id="last"></p>`);
    const places = placesOf(readBook(brought.book));
    for (const id of ['s', 'd', 'h', 'old', 'in', 'l', 'li', 'p', 't', 'r', 'c', 'last'])
      expect([...places.keys()]).toContain(id);
    expect(links(brought)).toEqual([
      ['d', '#d'],
      ['gone', '#missing-gone'],
    ]);
    expect(places.has('missing-gone')).toBe(false);
  });

  test('leaves out what runs or is fetched, and says so with counts', () => {
    const brought =
      html(`<script>alert(1)</script><p onclick="x()">Text <a href="javascript:alert(1)">bad</a> <a href="gopher://x.example/">old</a></p>
      <iframe src="https://x.example/"></iframe><img src="https://x.example/p.png" alt="far"><video></video><p><u>under</u></p>`);
    expect(text(brought)).toBe('doc(paragraph("Text bad old"), paragraph("far"), paragraph("under"))');
    expect(count(brought, 'leftOut', 'links')).toBe(2);
    expect(count(brought, 'leftOut', 'pictures')).toBe(1);
    expect(count(brought, 'leftOut', 'frames')).toBe(1);
    expect(count(brought, 'leftOut', 'videos')).toBe(1);
    expect(count(brought, 'changed', 'decorated words')).toBe(1);
  });

  test('becomes chapters at its headings when it is long', () => {
    const long = 'words '.repeat(800);
    const brought = html(
      `<p>Preface</p><h1 id="a">One</h1><p>${long}</p><h1>Two</h1><p>${long}<a href="#a">back</a></p>`,
      '<title>My book</title>',
    );
    expect(brought.book.title).toBe('My book');
    expect(brought.book.chapters.map(({ title }) => title)).toEqual(['Chapter 1', 'One', 'Two']);
    expect(links(brought)).toEqual([['back', '#a']]);
  });

  test('is read in the encoding that it declares', () => {
    const latin = Uint8Array.from('<html><meta charset="iso-8859-1"><p>caf\u00e9</p>', (sign) =>
      sign.charCodeAt(0),
    );
    expect(text(bringIn({ name: 'x.html', bytes: latin }, counter()))).toBe('doc(paragraph("café"))');
  });
});

describe('an EPUB', () => {
  test('becomes a chapter for each item of its spine, with its title, author and language', () => {
    const brought = epub({
      'one.xhtml': '<body><h1>One</h1></body>',
      'two.xhtml': '<body epub:type="backmatter"><p>No heading</p></body>',
    });
    expect(brought.book).toMatchObject({ title: 'Lamps & tides', author: 'A. Uthor', language: 'en-GB' });
    expect(brought.book.chapters.map(({ title, matter }) => [title, matter])).toEqual([
      ['One', 'main'],
      // What stands over every page is no title of one.
      ['Chapter 2', 'back'],
    ]);
  });

  test('leaves its page of contents to be made anew, what leads there leads to that; a page that says more stays', () => {
    const nav = '<nav epub:type="toc"><h1>Contents</h1><ol><li><a href="one.xhtml">One</a></li></ol></nav>';
    const one = '<body><h1>One</h1><p><a href="nav.xhtml#toc">what is in here</a></p></body>';
    const made = epub({ 'nav.xhtml': `<body><section>${nav}</section></body>`, 'one.xhtml': one });
    expect(made.book.chapters.map(({ title }) => title)).toEqual(['One']);
    expect(links(made)).toEqual([['what is in here', '#book-contents']]);
    expect(count(made, 'changed', 'pages of contents')).toBe(1);
    const told = epub({ 'nav.xhtml': `<body>${nav}<p>Read this first.</p></body>`, 'one.xhtml': one });
    expect(told.book.chapters).toHaveLength(2);
  });

  test('keeps links between its files, also to ids that two files share', () => {
    const brought = epub({
      'text/one.xhtml':
        '<body><h1 id="top">One</h1><p><a href="two.xhtml#top">two</a> <a href="two.xhtml">file</a> <a href="#top">own</a></p></body>',
      'text/two.xhtml':
        '<body><h1 id="top">Two</h1><p><a href="../text/one.xhtml#top">one</a><a id="e"/> end</p></body>',
    });
    const [one, two] = brought.book.chapters;
    expect(links(brought)).toEqual([
      ['two', '#top-2'],
      ['file', `#${two!.id}`],
      ['own', '#top'],
      ['one', '#top'],
    ]);
    const places = placesOf(readBook(brought.book));
    expect([places.get('top')?.chapter, places.get('top-2')?.chapter, places.get('e')?.chapter]).toEqual([
      one!.id,
      two!.id,
      two!.id,
    ]);
    expect(count(brought, 'changed', 'ids')).toBe(1);
  });

  test('takes pictures from the container, the cover’s wrapped one too, and says which are missing or broken', () => {
    const body =
      '<body><svg viewBox="0 0 1 1"><image xlink:href="../p/a.png"/></svg><p><img src="../p/a.png" alt="a"/><img src="../p/no.png" alt="no"/><img src="../p/bad.png" alt="bad"/></p></body>';
    const brought = epub(
      { 'text/one.xhtml': body },
      { 'OEBPS/p/a.png': PIXEL, 'OEBPS/p/bad.png': 'not a picture' },
    );
    expect(brought.enclosures).toMatchObject([{ name: 'a.png', type: 'image/png' }]);
    expect(brought.report.leftOut).toEqual([
      { what: 'pictures', count: 1, why: 'their files did not come along' },
      { what: 'pictures', count: 1, why: 'the picture’s data can’t be read' },
    ]);
    expect(text(brought)).toContain('"nobad"');
  });

  test('with scrambled fonts can be read; with encrypted text it can’t', () => {
    const encryption = (algorithm: string) => ({
      'META-INF/encryption.xml': `<encryption xmlns="urn:oasis:names:tc:opendocument:xmlns:container" xmlns:enc="http://www.w3.org/2001/04/xmlenc#"><enc:EncryptedData><enc:EncryptionMethod Algorithm="${algorithm}"/></enc:EncryptedData></encryption>`,
    });
    const chapters = { 'one.xhtml': '<body><p>Text</p></body>' };
    expect(faultOf(zip(epubFiles(chapters, encryption('http://www.idpf.org/2008/embedding'))))).toBe('none');
    expect(faultOf(zip(epubFiles(chapters, encryption('http://www.w3.org/2001/04/xmlenc#aes256-cbc'))))).toBe(
      'encrypted',
    );
  });

  test('never expands entities of its own making', () => {
    const page =
      '<?xml version="1.0"?><!DOCTYPE html [<!ENTITY a "aaaaaaaaaa"><!ENTITY x SYSTEM "file:///etc/passwd">]><html><body><p>&a;&x;&nbsp;&amp;</p></body></html>';
    const files = epubFiles({ 'one.xhtml': '' });
    files['OEBPS/one.xhtml'] = page;
    const brought = bringIn({ name: 'x.epub', bytes: zip(files) }, counter());
    expect(text(brought)).not.toMatch(/aaaa|root:/);
  });
});

describe('what can’t be brought in', () => {
  test.each([
    ['an empty file', new Uint8Array(), 'empty'],
    ['a PDF', encode('%PDF-1.7\n%\u0000'), 'unknown-format'],
    ['plain text', encode('Just some words'), 'unknown-format'],
    ['a picture', PIXEL, 'unknown-format'],
    ['an archive that is no book', zip({ 'a.txt': 'x' }), 'no-package'],
    ['a book without chapters', zip(epubFiles({})), 'no-package'],
    ['a book without words', zip(epubFiles({ 'a.xhtml': '<body></body>' })), 'empty'],
    ['a page without words', encode('<html><body></body></html>'), 'empty'],
  ])('%s is refused', (_name, bytes, fault) => expect(faultOf(bytes)).toBe(fault));
});

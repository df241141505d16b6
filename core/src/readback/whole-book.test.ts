import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { editionOf, expectedLinks, makeWebPage } from '../publish/index.js';
import { expectAsExample } from '../testing/expected.js';
import { wholeBook, wholeBookPictures, wholeBookSurroundings } from '../testing/whole-book.js';
import { linksInPdf, linksInWebPage, prove } from './index.js';

const web = (html: string) =>
  linksInWebPage(new TextEncoder().encode(html)).map(({ href, text, lands, landing }) => [
    href,
    text,
    lands,
    landing?.text,
  ]);

describe('the worked example, read back', () => {
  test('the PDF of a book with everything in it, as its own server made it', async () => {
    const bytes = readFileSync(new URL('../../example/pdf/book.pdf', import.meta.url));
    const seen: string[] = [];
    const { links, pages } = await linksInPdf(new Uint8Array(bytes), (done, total) =>
      seen.push(`${done}/${total}`),
    );
    expectAsExample('pdf/found.json', links);
    expect(seen).toHaveLength(pages);
    expect(seen.at(-1)).toBe(`${pages}/${pages}`);
  });

  test('a file that is not as it should be: each kind of change is named', () => {
    const edition = editionOf(wholeBook(), wholeBookPictures, 'web', wholeBookSurroundings);
    const expected = expectedLinks(edition);
    const page = new TextDecoder().decode(makeWebPage(edition));
    const altered = page
      .replace('https://keepers.example/', 'https://other.example/')
      .replace('>the almanac<', '>an almanac<')
      .replace(/<a [^>]*href="#deep"[^>]*>deep water<\/a>/, 'deep water')
      .replace('href="#low-lamp"', 'href="#steps"')
      .replace('id="dot"', 'id="dots"')
      .replace('</body>', '<p><a href="https://added.example/">added</a></p></body>');
    expectAsExample(
      'web/altered-proof.json',
      prove(expected, linksInWebPage(new TextEncoder().encode(altered), new Set(edition.paths.values()))),
    );
  });

  test('of two elements with one id the first is where a link lands (HTML, 7.4.6.4)', () => {
    expect(
      web('<p id="a">first</p><p id="a">second</p><a href="#a"> to <b>a</b> </a><a>no link</a>'),
    ).toEqual([['#a', ' to a ', true, 'firstsecond to a no link']]);
    expect(
      web(
        '<a href="#gone">x</a><nav><a href="#a">not counted</a></nav><img id="i" alt="flame"><a href="#i">y</a>',
      ),
    ).toEqual([
      ['#gone', 'x', false, undefined],
      ['#i', 'y', true, 'flamey'],
    ]);
    expect(
      web('<a href="files/x.pdf">x</a><a href="tel:1">y</a><a href="#%C3%A4" title="t">z</a><i id="ä">ä</i>'),
    ).toEqual([
      ['files/x.pdf', 'x', false, undefined],
      ['tel:1', 'y', true, undefined],
      ['#%C3%A4', 'z', true, 'ä'],
    ]);
  });

  test('a link over two pages is one where the book has no link of its first words alone', () => {
    const link = (text: string, id = text) => ({
      id,
      href: 'https://a.example/',
      text,
      chapter: 'c',
      landing: '',
    });
    const piece = (text: string, mayContinue = false) => ({
      href: 'https://a.example/',
      text,
      where: 'page 1',
      lands: true,
      mayContinue,
    });
    expect(prove([link('the tide tables')], [piece('the tide'), piece('tables', true)]).found).toBe(1);
    expect(prove([link('the tide'), link('tables')], [piece('the tide'), piece('tables', true)]).found).toBe(
      2,
    );
    expect(prove([link('the tide tables')], [piece('the tide'), piece('tables')]).found).toBe(0);
  });

  test('words from right to left are the same in any order of their signs', () => {
    const link = { id: 'l', href: 'https://a.example/', text: 'منارة 12 (b)', chapter: 'c', landing: '' };
    const found = { href: link.href, text: '(b) 12 منارة', where: 'page 1', lands: true };
    expect(prove([link], [found]).found).toBe(1);
    expect(prove([{ ...link, text: 'lamp 12' }], [{ ...found, text: '12 lamp' }]).found).toBe(0);
    expect(
      prove([{ ...link, text: 'co\u00adop ﬁne-tuned' }], [{ ...found, text: 'coop fine tuned' }]).found,
    ).toBe(1);
  });
});

import { describe, expect, test } from '@jest/globals';
import { faultInChapter } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { epubFiles, zip } from '../testing/zip.js';
import { bringIn, BringInError, type BroughtIn } from './index.js';

const encode = (text: string) => new TextEncoder().encode(text);
const ofHtml = (body: string, head = '') =>
  bringIn(
    {
      name: 'book.html',
      bytes: encode(`<!doctype html><html><head>${head}</head><body>${body}</body></html>`),
    },
    counter(),
  );
const ofEpub = (body: string, change = (opf: string) => opf) => {
  const files = epubFiles({ 'one.xhtml': `<body>${body}</body>` });
  const opf = files['OEBPS/package.opf'] as string;
  return bringIn(
    { name: 'book.epub', bytes: zip({ ...files, 'OEBPS/package.opf': change(opf) }) },
    counter(),
  );
};
const changes = ({ report }: BroughtIn) =>
  [...report.changed, ...report.leftOut].map(({ what, count, why }) => `${count} ${what}: ${why}`);
const wrapped = (tag: string, times: number, inner = '<p>deep</p>') =>
  `<${tag}>`.repeat(times) + inner + `</${tag}>`.repeat(times);

/** Every chapter can be saved as it was brought in. */
function savable(made: BroughtIn): BroughtIn {
  for (const { doc, title } of made.book.chapters) {
    expect(faultInChapter(doc)).toBeNull();
    expect(title.length).toBeLessThanOrEqual(300);
  }
  return made;
}

describe.each([
  ['an HTML page', ofHtml],
  ['an e-book', ofEpub],
])('%s', (_kind, bring) => {
  test.each<[string, string, string[]]>([
    [
      '70 quotations in one another',
      wrapped('blockquote', 70),
      ['58 parts of the text: they were nested too deep, and stand in the level above'],
    ],
    ['300 lists in one another', `${'<ul><li>'.repeat(300)}deep${'</li></ul>'.repeat(300)}`, []],
    [
      'a link of 70,000 signs',
      `<p><a href="https://a.example/">${'w'.repeat(70_000)}</a></p>`,
      ['1 links: their words were longer than 2,000 signs; the rest stands after the link'],
    ],
    [
      'an address of 18 kB',
      `<p><a href="https://a.example/?${'x'.repeat(18_000)}">there</a></p>`,
      ['1 links: their addresses were longer than an address may be'],
    ],
    [
      'a heading of 70,000 signs',
      `<h1>${'w'.repeat(70_000)}</h1>`,
      ['1 headings: they were longer than 2,000 signs, and became paragraphs'],
    ],
    [
      'a paragraph of 300,000 signs',
      `<p>${'word '.repeat(60_000)}</p>`,
      ['1 paragraphs: they were longer than 100,000 signs, and were divided'],
    ],
    ['20,000 combining marks', `<p>e${'&#x301;'.repeat(20_000)}</p>`, []],
    ['signs that no file can carry', '<p>a&#1;&#xD800;b&#xFFFF;</p>', []],
    [
      'numbers beyond all measure',
      '<ol start="1.5e9"><li>x</li></ol><ol start="-4"><li>x</li></ol><table><tr><td colspan="1000000000" rowspan="-1">x</td></tr></table>',
      [],
    ],
    [
      'ids beyond all measure',
      `<p id="${'i'.repeat(5_000)}">x <a href="#${'i'.repeat(5_000)}">y</a> <a href="#${'n'.repeat(5_000)}">z</a></p>`,
      [],
    ],
    [
      'a long hover note and a long alternative text',
      `<p><a href="https://a.example/" title="${'t'.repeat(9_000)}">x</a></p>`,
      ['1 descriptions: their words were longer than words may be, and were cut'],
    ],
  ])('with %s can be saved, and its report tells what was changed', (_name, body, told) => {
    const made = savable(bring(`<p>first</p>${body}`));
    for (const line of told) expect(changes(made)).toContain(line);
  });

  test.each(['div', 'blockquote', 'span', 'em', 'ul', 'section'])(
    'with 20,000 <%s> in one another keeps its words and its links',
    (tag) => {
      const made = savable(
        bring(
          `<p>first</p>${wrapped(tag, 20_000, '<b id="spot">deep</b> <a href="https://a.example/">down</a>')}<p>last <a href="#spot">up</a></p>`,
        ),
      );
      const text = JSON.stringify(made.book.chapters);
      for (const words of ['first', 'deep', 'down', 'last', 'https://a.example/'])
        expect(text).toContain(words);
      expect(text).not.toContain('missing-spot');
      expect(changes(made).join()).toContain('nested too deep');
    },
    30_000,
  );

  test('of more links than can be brought in is refused, and says how to divide it', () => {
    const links = Array.from(
      { length: 100_001 },
      (_, index) => `<a href="https://a.example/${(index * 7919) % 100_003}">x</a>`,
    ).join(' ');
    expect(() => bring(`<p>${links}</p>`)).toThrow(
      /more than 100,000 links.*Divide it into several files, by its chapters/,
    );
    expect(() => bring(`<p>${links}</p>`)).toThrow(BringInError);
  }, 30_000);
});

describe('what an e-book says of itself', () => {
  const told = (change: (opf: string) => string) => ofEpub('<p>x</p>', change).book;

  test('comes within the bounds of what can be kept', () => {
    const { title, author, description, language } = told((opf) =>
      opf
        .replace('Lamps &amp; tides', `T\u0001${'t'.repeat(9_000)}`)
        .replace('A. Uthor', 'a'.repeat(9_000))
        .replace('en-GB', `en-${'x'.repeat(400)}`)
        .replace('</metadata>', `<dc:description>${'&lt;'.repeat(200_000)}</dc:description></metadata>`),
    );
    expect([title.length, author.length, language]).toEqual([300, 300, 'en']);
    expect(title).toMatch(/^Tt/);
    expect(description.length).toBeLessThanOrEqual(5_000);
  }, 10_000);

  test('may be a description in HTML, and nested without end', () => {
    const described = (words: string) =>
      told((opf) => opf.replace('</metadata>', `<dc:description>${words}</dc:description></metadata>`))
        .description;
    expect(described('&lt;p&gt;Of &lt;b&gt;lamps&lt;/b&gt; &amp;amp; tides&lt;/p&gt;')).toBe(
      'Of lamps & tides',
    );
    expect(described(`${'<x>'.repeat(20_000)}deep${'</x>'.repeat(20_000)}`)).toBe('deep');
  });

  test.each([
    ['en-gb', 'en-GB'],
    ['DE', 'de'],
    ['pt_BR', 'pt-BR'],
    ['', 'en'],
    ['x-own', 'en'],
  ])('in the language %j is in %s', (given, language) =>
    expect(told((opf) => opf.replace('en-GB', given)).language).toBe(language),
  );
});

import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { linksOf, mapOf, readBook, schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { odtOf } from '../testing/documents.js';
import { PIXEL } from '../testing/zip.js';
import { bringIn, BringInError, type BroughtIn } from './index.js';

const read = (bytes: Uint8Array) => bringIn({ name: 'book.odt', bytes }, counter('new'));
const doc = ({ book }: BroughtIn) => Node.fromJSON(schema, book.chapters[0]!.doc);
const text = (brought: BroughtIn) => doc(brought).toString();
const links = ({ book }: BroughtIn) => {
  const read = readBook(book);
  return linksOf(read, mapOf(read).say).map(({ text: words, href }) => [words, href]);
};
const told = ({ report }: BroughtIn) =>
  [...report.changed, ...report.leftOut].map(({ what, why }) => `${what}: ${why}`);

const p = (content: string, style = 'Standard') => `<text:p text:style-name="${style}">${content}</text:p>`;
const h = (level: number, content: string) => `<text:h text:outline-level="${level}">${content}</text:h>`;
const a = (href: string, words: string, more = '') => `<text:a xlink:href="${href}"${more}>${words}</text:a>`;
const OUTLINE = [1, 2, 3]
  .map(
    (level) =>
      `<text:outline-level-style text:level="${level}" style:num-format="1" text:display-levels="${level}"/>`,
  )
  .join('');
const COUNTED = `<text:outline-style>${OUTLINE}</text:outline-style>`;

describe('links and places (ISO/IEC 26300)', () => {
  test('lead to the web, to bookmarks, and to headings, tables and sections by their names', () => {
    const brought = read(
      odtOf(
        p(
          [
            a('https://a.example/', 'web', ' office:title="A tip"'),
            a('#here', 'bookmark'),
            a('#1.2.Deep water|outline', 'numbered heading'),
            a('#Deep%20water%7Coutline', 'heading'),
            a('#Tides|table', 'table'),
            a('#Appendix|region', 'section'),
            a('../plan.pdf', 'file'),
          ].join(', '),
        ) +
          h(1, 'Shores') +
          h(2, 'Shallow') +
          h(2, 'Deep water') +
          p('Words <text:bookmark-start text:name="here"/>are here<text:bookmark-end text:name="here"/>.') +
          `<table:table table:name="Tides"><table:table-row><table:table-cell table:number-columns-spanned="2">${p('5')}</table:table-cell><table:covered-table-cell/></table:table-row></table:table>` +
          `<text:section text:name="Appendix">${p('More.')}</text:section>`,
      ),
    );
    const { places } = mapOf(readBook(brought.book));
    const landing = links(brought).map(([words, href]) => [words, places.get(href!.slice(1))?.words ?? href]);
    expect(landing).toEqual([
      ['web', 'https://a.example/'],
      ['bookmark', 'here'],
      ['numbered heading', 'Deep water'],
      ['heading', 'Deep water'],
      ['table', '5'],
      ['section', 'More.'],
      ['file', '#no-destination'],
    ]);
    expect(linksOf(readBook(brought.book)).at(-1)?.about?.was).toBe('../plan.pdf');
  });

  test('pictures carry links and areas; unseen parts of the page say what they are', () => {
    const image = '<draw:image xlink:href="Pictures/lamp.png"/><svg:desc>A chart</svg:desc>';
    const map =
      '<draw:image-map><draw:area-rectangle xlink:href="https://n.example/" office:name="North" svg:x="1cm" svg:y="1cm" svg:width="2cm" svg:height="1cm"/></draw:image-map>';
    const frame = (inner: string) =>
      `<draw:frame text:anchor-type="paragraph" svg:width="4cm" svg:height="4cm">${inner}</draw:frame>`;
    const brought = read(
      odtOf(p(`<draw:a xlink:href="https://w.example/">${frame(image)}</draw:a>`) + p(frame(image + map)), {
        more: { 'Pictures/lamp.png': PIXEL },
      }),
    );
    expect(links(brought)).toEqual([
      ['A chart', 'https://w.example/'],
      ['North', 'https://n.example/'],
    ]);
    expect(doc(brought).child(1).attrs.areas).toMatchObject([
      { name: 'North', x: 0.25, y: 0.25, width: 0.5, height: 0.25 },
    ]);
  });
});

describe('references of every format', () => {
  const note =
    '<text:note text:id="ftn1" text:note-class="footnote"><text:note-citation>1</text:note-citation><text:note-body><text:p>The remark.</text:p></text:note-body></text:note>';
  const ref = (kind: string, name: string, format: string, words: string) =>
    `<text:${kind}-ref text:ref-name="${name}" text:reference-format="${format}">${words}</text:${kind}-ref>`;
  test('read here what they read there', () => {
    const brought = read(
      odtOf(
        h(
          1,
          '<text:bookmark-start text:name="__RefHeading1"/>Tides<text:bookmark-end text:name="__RefHeading1"/>',
        ) +
          p(
            `See${note} <text:reference-mark-start text:name="lamp"/>the lamp<text:reference-mark-end text:name="lamp"/>.`,
          ) +
          p(
            [
              ref('bookmark', '__RefHeading1', 'text', 'Tides'),
              ref('bookmark', '__RefHeading1', 'number', '1'),
              ref('bookmark', '__RefHeading1', 'page', '3'),
              ref('reference', 'lamp', 'text', 'the lamp'),
              ref('reference', 'lamp', 'direction', 'above'),
              ref('note', 'ftn1', 'text', '1'),
              ref('sequence', 'refTable0', 'category-and-value', 'Table 1'),
            ].join(', '),
          ) +
          p(
            'Table <text:sequence text:ref-name="refTable0" text:name="Table">1</text:sequence>: High water',
            'Table',
          ) +
          `<table:table><table:table-row><table:table-cell>${p('5')}</table:table-cell></table:table-row></table:table>`,
        {
          styles: `${COUNTED}<style:style style:name="Table" style:family="paragraph" style:parent-style-name="Caption"/><style:style style:name="Caption" style:family="paragraph"/>`,
        },
      ),
    );
    expect(brought.book.structure).toMatchObject({
      numbering: 'decimal',
      notes: { count: 'book', stand: 'page' },
    });
    expect(links(brought).map(([words]) => words)).toEqual([
      'Tides',
      '1',
      '1',
      'the lamp',
      'above',
      'note 1',
      'Table 1',
    ]);
    expect(text(brought)).toContain('table(table_caption("High water")');
  });
});

describe('structure', () => {
  test('lists, contents, white space, languages, hidden parts, changes and comments', () => {
    const automatic =
      '<style:style style:name="F" style:family="text"><style:text-properties fo:language="fr" fo:country="FR"/></style:style>' +
      '<style:style style:name="E" style:family="paragraph"><style:text-properties fo:language="en" fo:country="GB"/></style:style>' +
      '<text:list-style style:name="L"><text:list-level-style-number text:level="1" style:num-format="1"/><text:list-level-style-bullet text:level="2" text:bullet-char="-"/></text:list-style>';
    const item = (content: string) => `<text:list-item>${content}</text:list-item>`;
    const body =
      '<text:tracked-changes><text:changed-region><text:deletion><text:p>gone</text:p></text:deletion></text:changed-region></text:tracked-changes>' +
      '<text:table-of-content><text:table-of-content-source text:outline-level="2"/><text:index-body><text:index-title><text:p>Contents</text:p></text:index-title><text:p>Tides 1</text:p></text:index-body></text:table-of-content>' +
      `<text:list text:style-name="L">${item(p('one', 'E') + `<text:list>${item(p('within', 'E'))}</text:list>`)}</text:list>` +
      `<text:list text:style-name="L" text:continue-numbering="true">${item(p('two', 'E'))}</text:list>` +
      `<text:section text:name="S" text:display="none">${p('secret')}</text:section>` +
      p(
        'A<text:s text:c="3"/>b<text:tab/>c<text:line-break/>d <text:span text:style-name="F">des mots</text:span><office:annotation><dc:creator>Ed</dc:creator><text:p>Really?</text:p></office:annotation> in English.',
        'E',
      );
    const brought = read(odtOf(body, { automatic }));
    expect(text(brought)).toBe(
      'doc(paragraph("Contents"), contents, ordered_list(list_item(paragraph("one"), bullet_list(list_item(paragraph("within"))))), ordered_list(list_item(paragraph("two"))), paragraph("A b c", hard_break, "d ", language("des mots"), " in English."))',
    );
    expect(doc(brought).child(3).attrs.start).toBe(2);
    expect(told(brought)).toEqual(
      expect.arrayContaining([
        'tracked changes: they were taken as accepted',
        'comments: Ed: “Really?”',
        'parts of the text: they were hidden',
      ]),
    );
  });

  test('a formula is that of its object; a caption in one paragraph with its picture is its caption', () => {
    const more = {
      'Object 1/content.xml':
        '<math xmlns="http://www.w3.org/1998/Math/MathML"><semantics><msup><mi>x</mi><mn>2</mn></msup></semantics></math>',
      'Pictures/lamp.png': PIXEL,
    };
    const styles =
      '<style:style style:name="Illustration" style:family="paragraph" style:parent-style-name="Caption"/><style:style style:name="Caption" style:family="paragraph"/>';
    const inner = p(
      '<draw:frame text:anchor-type="paragraph"><draw:image xlink:href="Pictures/lamp.png"/></draw:frame>A lamp',
      'Illustration',
    );
    const body =
      p('So <draw:frame><draw:object xlink:href="./Object 1"/></draw:frame>.') +
      p(`<draw:frame><draw:text-box>${inner}</draw:text-box></draw:frame>`);
    expect(text(read(odtOf(body, { more, styles })))).toBe(
      'doc(paragraph("So ", formula, "."), figure(caption("A lamp")))',
    );
  });
});

test('a locked document, and one that is a table, are refused in words', () => {
  const faultOf = (bytes: Uint8Array) => {
    try {
      read(bytes);
      return '';
    } catch (error) {
      return error instanceof BringInError ? error.fault : String(error);
    }
  };
  const locked =
    '<manifest:manifest><manifest:file-entry><manifest:encryption-data/></manifest:file-entry></manifest:manifest>';
  expect(faultOf(odtOf('', { more: { 'META-INF/manifest.xml': locked } }))).toBe('encrypted');
  expect(
    faultOf(
      odtOf('', {
        more: {
          'content.xml':
            '<office:document-content><office:body><office:spreadsheet/></office:body></office:document-content>',
        },
      }),
    ),
  ).toBe('no-package');
  expect(faultOf(odtOf(''))).toBe('empty');
});

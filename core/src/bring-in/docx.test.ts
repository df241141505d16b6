import { describe, expect, test } from '@jest/globals';
import {
  Bookmark,
  Document as Docx,
  ExternalHyperlink,
  FootnoteReferenceRun,
  HeadingLevel,
  ImageRun,
  InternalHyperlink,
  Packer,
  PageReference,
  Paragraph,
  SimpleField,
  Table,
  TableCell,
  TableOfContents,
  TableRow,
  TextRun,
} from 'docx';
import { Node } from 'prosemirror-model';
import { linksOf, mapOf, readBook, schema, type ReadBook } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { docxOf } from '../testing/documents.js';
import { PIXEL } from '../testing/zip.js';
import { bringIn, BringInError, type BroughtIn } from './index.js';

const read = (bytes: Uint8Array, name = 'book.docx') => bringIn({ name, bytes }, counter('new'));
const text = (brought: BroughtIn) =>
  brought.book.chapters.map(({ doc }) => Node.fromJSON(schema, doc).toString()).join('\n');
const links = ({ book }: BroughtIn) => linksOf(readBook(book)).map(({ text: words, href }) => [words, href]);
const told = ({ report }: BroughtIn, column: 'kept' | 'changed' | 'leftOut') =>
  Object.fromEntries(report[column].map(({ what, count }) => [what, count]));
const whys = ({ report }: BroughtIn) =>
  [...report.changed, ...report.leftOut].map(({ what, why }) => `${what}: ${why}`);

const p = (content: string, properties = '') =>
  `<w:p>${properties && `<w:pPr>${properties}</w:pPr>`}${content}</w:p>`;
const styled = (style: string, content: string) => p(content, `<w:pStyle w:val="${style}"/>`);
const r = (words: string, look = '') =>
  `<w:r>${look && `<w:rPr>${look}</w:rPr>`}<w:t xml:space="preserve">${words}</w:t></w:r>`;
const char = (type: string) => `<w:r><w:fldChar w:fldCharType="${type}"/></w:r>`;
const field = (code: string, result: string) =>
  `${char('begin')}${code
    .split(/(?<=\s)/)
    .map((part) => `<w:r><w:instrText xml:space="preserve">${part}</w:instrText></w:r>`)
    .join('')}${char('separate')}${result}${char('end')}`;
const bookmark = (id: number, name: string, content: string) =>
  `<w:bookmarkStart w:id="${id}" w:name="${name}"/>${content}<w:bookmarkEnd w:id="${id}"/>`;
const STYLED = '<w:rStyle w:val="Hyperlink"/>';
const STYLES = `<w:style w:type="paragraph" w:styleId="berschrift1"><w:name w:val="heading 1"/></w:style>
  <w:style w:type="paragraph" w:styleId="Mine"><w:name w:val="My chapter"/><w:pPr><w:outlineLvl w:val="1"/></w:pPr></w:style>
  <w:style w:type="paragraph" w:styleId="Zitat"><w:name w:val="Quote"/></w:style>
  <w:style w:type="character" w:styleId="Hyperlink"><w:name w:val="Hyperlink"/></w:style>`;

describe('a document made with a library for documents (docx)', () => {
  test('comes in with every construct, equal to what was put into it', async () => {
    const styledRun = (words: string) => new TextRun({ text: words, style: 'Hyperlink' });
    const made = new Docx({
      title: 'Lamps',
      creator: 'A. Uthor',
      footnotes: {
        1: {
          children: [
            new Paragraph({
              children: [
                new TextRun('A remark with '),
                new ExternalHyperlink({ link: 'https://note.example/', children: [styledRun('a link')] }),
              ],
            }),
          ],
        },
      },
      sections: [
        {
          children: [
            new TableOfContents('Contents', { hyperlink: true, headingStyleRange: '1-2' }),
            new Paragraph({ heading: HeadingLevel.HEADING_1, children: [new TextRun('First')] }),
            new Paragraph({
              children: [
                new TextRun('See '),
                new ExternalHyperlink({
                  link: 'https://a.example/x?y=1#z',
                  children: [styledRun('the site')],
                }),
                new TextRun(' and '),
                new InternalHyperlink({ anchor: 'tides', children: [styledRun('the tides')] }),
                new FootnoteReferenceRun(1),
                new TextRun(' on '),
                new PageReference('tides'),
                new SimpleField('REF tides \\h', 'tide tables'),
              ],
            }),
            new Paragraph({
              children: [
                new TextRun('The '),
                new Bookmark({ id: 'tides', children: [new TextRun('tide tables')] }),
                new TextRun(' are here.'),
              ],
            }),
            new Paragraph({ bullet: { level: 0 }, text: 'one' }),
            new Paragraph({ bullet: { level: 1 }, text: 'within' }),
            new Paragraph({ bullet: { level: 0 }, text: 'two' }),
            new Table({
              rows: [
                new TableRow({
                  tableHeader: true,
                  children: [new TableCell({ columnSpan: 2, children: [new Paragraph('head')] })],
                }),
                new TableRow({
                  children: [
                    new TableCell({ rowSpan: 2, children: [new Paragraph('a')] }),
                    new TableCell({ children: [new Paragraph('b')] }),
                  ],
                }),
                new TableRow({ children: [new TableCell({ children: [new Paragraph('c')] })] }),
              ],
            }),
            new Paragraph({
              children: [
                new ImageRun({
                  type: 'png',
                  data: PIXEL,
                  transformation: { width: 100, height: 50 },
                  altText: { title: 't', description: 'A lamp', name: 'n' },
                }),
              ],
            }),
          ],
        },
      ],
    });
    const brought = read(new Uint8Array(await Packer.toBuffer(made)));
    expect([brought.book.title, brought.book.author]).toEqual(['Lamps', 'A. Uthor']);
    expect(text(brought)).toBe(
      'doc(contents, heading("First"), paragraph("See ", link("the site"), " and ", link("the tides"), ' +
        'note(note_paragraph("A remark with ", link("a link"))), " on ", reference, reference), ' +
        'paragraph("The ", bookmark("tide tables"), " are here."), ' +
        'bullet_list(list_item(paragraph("one"), bullet_list(list_item(paragraph("within")))), list_item(paragraph("two"))), ' +
        'table(table_body(table_row(table_header(paragraph("head"))), table_row(table_cell(paragraph("a")), table_cell(paragraph("b"))), table_row(table_cell(paragraph("c"))))), figure)',
    );
    expect(links(brought)).toEqual([
      ['the site', 'https://a.example/x?y=1#z'],
      ['the tides', '#tides'],
      ['tide tables', '#tides'],
      ['tide tables', '#tides'],
      ['a link', 'https://note.example/'],
    ]);
    expect(told(brought, 'leftOut')).toEqual({});
  });
});

describe('fields (ECMA-376-1, 17.16)', () => {
  test('a link in a field that is split over runs has its place and its hover note', () => {
    const code = ' HYPERLINK "https://f.example/" \\l "part" \\o "A tip" \\t "_blank" ';
    const brought = read(docxOf(p(r('See ') + field(code, r('the ') + r('field', '<w:b/>')))));
    expect(links(brought)).toEqual([['the field', 'https://f.example/#part']]);
    expect(linksOf(readBook(brought.book))[0]).toMatchObject({
      hoverNote: 'A tip',
      about: { newWindow: true },
    });
  });

  test('a field within a field, and one over two paragraphs', () => {
    const nested = `${char('begin')}<w:r><w:instrText> HYPERLINK "https://n.example/</w:instrText></w:r>${field('DOCPROPERTY x', r('inner'))}<w:r><w:instrText>" </w:instrText></w:r>${char('separate')}`;
    const brought = read(docxOf(p(nested + r('one')) + p(r('two') + char('end') + r(' after'))));
    expect(links(brought)).toEqual([
      ['one', 'https://n.example/inner'],
      ['two', 'https://n.example/inner'],
    ]);
  });

  test('references read here what they read there; a number that nothing has is never one', () => {
    const body =
      styled('berschrift1', bookmark(1, '_Ref1', r('Deep water'))) +
      p(
        [
          field('REF _Ref1 \\h', r('Deep water')),
          field('REF _Ref1 \\r \\h', r('0')),
          field('PAGEREF _Ref1 \\h', r('12')),
          field('REF _Ref1 \\p \\h', r('above')),
          field('REF Gone \\h', r('gone')),
        ].join(r(', ')),
      );
    const brought = read(docxOf(body, { styles: STYLES }));
    const forms: unknown[] = [];
    Node.fromJSON(schema, brought.book.chapters[0]!.doc).descendants(({ type, attrs }) => {
      if (type.name === 'reference') forms.push(attrs.form);
    });
    expect(forms).toEqual(['words', 'page', 'where']);
    expect(links(brought)).toContainEqual(['0', '#_Ref1']);
    expect(links(brought)).toContainEqual(['gone', '#missing-Gone']);
    expect(whys(brought)).toContain(
      'references: they read a number that nothing has here, and are links with the words they had',
    );
  });

  test('contents over several paragraphs are a computed list, of as many levels', () => {
    const toc =
      p(
        `${char('begin')}<w:r><w:instrText> TOC \\o "1-2" \\h </w:instrText></w:r>${char('separate')}${r('First')}`,
      ) +
      p(r('Second')) +
      p(char('end'));
    const brought = read(
      docxOf(toc + styled('berschrift1', r('First')) + styled('Mine', r('Second')), { styles: STYLES }),
    );
    expect(text(brought)).toBe('doc(contents, heading("First"), heading("Second"))');
    const lines = [...mapOf(readBook(brought.book)).contents.values()][0]!.lines.map(({ words, depth }) => [
      words,
      depth,
    ]);
    // The chapter begins with its contents, and has a line of its own.
    expect(lines.slice(1)).toEqual([
      ['First', 1],
      ['Second', 2],
    ]);
  });

  test('a mark of a note by NOTEREF is another mark of it', () => {
    const body = p(
      r('One') +
        bookmark(1, '_Ref2', '<w:r><w:footnoteReference w:id="2"/></w:r>') +
        r(' two') +
        field('NOTEREF _Ref2 \\f \\h', r('1')) +
        r(', see note ') +
        field('NOTEREF _Ref2 \\h', r('1')),
    );
    const footnotes = `<w:footnote w:id="2">${p('<w:r><w:footnoteRef/></w:r>' + r(' The remark.'))}</w:footnote>`;
    expect(text(read(docxOf(body, { footnotes })))).toBe(
      'doc(paragraph("One", note(note_paragraph("The remark.")), " two", note_mark, ", see note ", reference))',
    );
  });
});

describe('mistakes of the trade', () => {
  test('a space that a link took stands beside it; one link in pieces is one', () => {
    const piece = (words: string) => `<w:hyperlink r:id="l">${r(words, STYLED)}</w:hyperlink>`;
    const brought = read(
      docxOf(p(r('To') + piece(' the ') + piece('harbour ') + r('now')), {
        links: { l: 'https://h.example/' },
        styles: STYLES,
      }),
    );
    expect(links(brought)).toEqual([['the harbour', 'https://h.example/']]);
    expect(text(brought)).toBe('doc(paragraph("To ", link("the harbour"), " now"))');
    expect(whys(brought)).toEqual(
      expect.arrayContaining(['links: they had taken a space at their ends, which stands beside them now']),
    );
  });

  test('blue underlined words are no link, and a look by hand is the link’s own', () => {
    const body = p(
      r('Blue', '<w:color w:val="0563C1"/><w:u w:val="single"/>') +
        r(' and ') +
        `<w:hyperlink r:id="l">${r('plain', `${STYLED}<w:color w:val="auto"/><w:u w:val="none"/>`)}</w:hyperlink>`,
    );
    const brought = read(docxOf(body, { links: { l: 'https://h.example/' }, styles: STYLES }));
    expect(text(brought)).toBe('doc(paragraph("Blue and ", link("plain")))');
    const looks: unknown[] = [];
    Node.fromJSON(schema, brought.book.chapters[0]!.doc).descendants(({ marks }) => {
      looks.push(...marks.map(({ attrs }) => attrs.look));
    });
    expect(looks).toMatchObject([{ light: '#000000', underline: 'none' }]);
    expect(told(brought, 'changed')).toMatchObject({ words: 1 });
    expect(told(brought, 'kept')).toMatchObject({ 'styles of links': 1 });
  });

  test('a file of the author’s own disk is a link that waits for its file', () => {
    const brought = read(
      docxOf(p(`<w:hyperlink r:id="l">${r('the plan')}</w:hyperlink>`), {
        links: { l: 'file:///C:/Users/me/plan.xlsx' },
      }),
    );
    expect(linksOf(readBook(brought.book))[0]).toMatchObject({
      text: 'the plan',
      about: { was: 'file:///C:/Users/me/plan.xlsx' },
    });
  });

  const extent = (x: number, y: number) => `<wp:extent cx="${x}" cy="${y}"/>`;
  const picture = `<w:r><w:drawing><wp:anchor><wp:positionH><wp:posOffset>0</wp:posOffset></wp:positionH><wp:positionV><wp:posOffset>0</wp:posOffset></wp:positionV>${extent(2000000, 1000000)}<wp:docPr id="1" name="p" descr="A chart"/><a:graphic><a:graphicData><pic:pic><pic:blipFill><a:blip r:embed="picture"/></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:anchor></w:drawing></w:r>`;
  const box = (
    words: string,
    [x, y, width, height]: number[],
    shape = '<a:noFill/><a:ln><a:noFill/></a:ln>',
  ) =>
    `<w:r><w:drawing><wp:anchor><wp:positionH><wp:posOffset>${x}</wp:posOffset></wp:positionH><wp:positionV><wp:posOffset>${y}</wp:posOffset></wp:positionV>${extent(width!, height!)}<wp:docPr id="2" name="b"/><a:graphic><a:graphicData><wps:wsp><wps:spPr>${shape}</wps:spPr><wps:txbx><w:txbxContent>${p(`<w:hyperlink r:id="l">${r(words)}</w:hyperlink>`)}</w:txbxContent></wps:txbx></wps:wsp></a:graphicData></a:graphic></wp:anchor></w:drawing></w:r>`;
  const more = { 'word/media/lamp.png': PIXEL };

  test('unseen words over a whole picture are its link; over a part of it, an area that wants a name', () => {
    const whole = read(
      docxOf(p(picture + box('xxxx', [0, 0, 2000000, 1000000])), {
        links: { l: 'https://o.example/' },
        more,
      }),
    );
    expect(links(whole)).toEqual([['A chart', 'https://o.example/']]);
    const part = read(
      docxOf(p(picture + box('https://o.example/', [1000000, 500000, 500000, 250000])), {
        links: { l: 'https://o.example/' },
        more,
      }),
    );
    const figure = Node.fromJSON(schema, part.book.chapters[0]!.doc).firstChild!;
    expect(figure.attrs.areas).toMatchObject([
      { name: '', x: 0.5, y: 0.5, width: 0.25, height: 0.25, destination: { href: 'https://o.example/' } },
    ]);
    expect(whys(part).join()).toContain('give each of them a name');
    expect(whys(part).join()).not.toContain('text boxes');
  });

  test('words that are seen in a shape stay words', () => {
    const seen = read(
      docxOf(p(picture + box('Order now', [0, 0, 2000000, 1000000], '<a:solidFill/>')), {
        links: { l: 'https://o.example/' },
        more,
      }),
    );
    expect(text(seen)).toContain('paragraph(link("Order now"))');
    expect(seen.report.changed).toContainEqual({
      what: 'text boxes',
      count: 1,
      why: 'their words stand after the paragraph that they were anchored to',
    });
  });
});

describe('structure', () => {
  test('headings by style, by localised name and by outline; quotations, hidden bookmarks, deleted words', () => {
    const body =
      styled('berschrift1', bookmark(1, '_Toc9', r('One'))) +
      styled('Mine', r('Two')) +
      p(r('Three'), '<w:outlineLvl w:val="2"/>') +
      styled('Zitat', r('Said.')) +
      p(
        `${r('Kept')}<w:del w:id="1"><w:r><w:delText> gone</w:delText></w:r></w:del><w:ins w:id="2">${r(' and new')}</w:ins>`,
      ) +
      p(bookmark(3, 'Over_two', r('begins') + '</w:p><w:p>' + r('ends')));
    const brought = read(docxOf(body, { styles: STYLES }));
    expect(text(brought)).toBe(
      'doc(heading("One"), heading("Two"), heading("Three"), quotation(paragraph("Said.")), paragraph("Kept and new"), paragraph(bookmark("begins")), paragraph("ends"))',
    );
    expect(told(brought, 'changed')).toMatchObject({ 'tracked changes': 2 });
  });

  test('numbered headings are counted here, and captions lose the number that is computed', () => {
    const styles = `<w:style w:type="paragraph" w:styleId="Heading1"><w:name w:val="heading 1"/><w:pPr><w:numPr><w:numId w:val="1"/></w:numPr></w:pPr></w:style><w:style w:type="paragraph" w:styleId="Caption"><w:name w:val="caption"/></w:style>`;
    const numbering =
      '<w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:numFmt w:val="decimal"/><w:lvlText w:val="%1"/></w:lvl></w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="0"/></w:num>';
    const caption = styled(
      'Caption',
      bookmark(2, '_Ref5', r('Table ') + field('SEQ Table \\* ARABIC', r('1'))) + r(': High water'),
    );
    const table = '<w:tbl><w:tr><w:tc><w:p><w:r><w:t>5</w:t></w:r></w:p></w:tc></w:tr></w:tbl>';
    const body =
      styled('Heading1', bookmark(1, '_Ref4', r('Tides'))) +
      p(field('REF _Ref4 \\r \\h', r('1')) + r(' ') + field('REF _Ref5 \\h', r('Table 1'))) +
      caption +
      table;
    const brought = read(docxOf(body, { styles, numbering }));
    expect(brought.book.structure.numbering).toBe('decimal');
    expect(text(brought)).toContain('table(table_caption("High water")');
    const book: ReadBook = readBook(brought.book);
    expect(linksOf(book, mapOf(book).say).map((link) => link.text)).toEqual(['1', 'Table 1']);
  });

  test('lists go on counting after what stands between; comments and languages are told', () => {
    const numbering =
      '<w:abstractNum w:abstractNumId="0"><w:lvl w:ilvl="0"><w:start w:val="1"/><w:numFmt w:val="lowerLetter"/><w:lvlText w:val="%1)"/></w:lvl></w:abstractNum><w:num w:numId="3"><w:abstractNumId w:val="0"/></w:num>';
    const item = (words: string) => p(r(words), '<w:numPr><w:ilvl w:val="0"/><w:numId w:val="3"/></w:numPr>');
    const body =
      item('a') +
      item('b') +
      p(
        r('Between the two lists there are words in English, and ') +
          r('des mots', '<w:lang w:val="fr-FR"/>'),
      ) +
      item('c');
    const comments = `<w:comment w:id="0" w:author="Ed">${p(r('Is this right?'))}</w:comment>`;
    const styles =
      '<w:docDefaults><w:rPrDefault><w:rPr><w:lang w:val="en-GB"/></w:rPr></w:rPrDefault></w:docDefaults>';
    const brought = read(docxOf(body, { numbering, comments, styles }));
    const lists = Node.fromJSON(schema, brought.book.chapters[0]!.doc).children.filter(
      ({ type }) => type.name === 'ordered_list',
    );
    expect(lists.map(({ attrs, childCount }) => [attrs.start, childCount])).toEqual([
      [1, 2],
      [3, 1],
    ]);
    expect(brought.book.language).toBe('en-GB');
    expect(text(brought)).toContain('language("des mots")');
    expect(whys(brought)).toContain('comments: Ed: “Is this right?”');
  });

  test('formulas become MathML with their signs', () => {
    const math =
      '<m:oMath><m:f><m:num><m:r><m:t>1</m:t></m:r></m:num><m:den><m:r><m:t>x</m:t></m:r></m:den></m:f></m:oMath>';
    const brought = read(docxOf(p(r('So ') + math)));
    let mathml = '';
    Node.fromJSON(schema, brought.book.chapters[0]!.doc).descendants(({ type, attrs }) => {
      if (type.name === 'formula') mathml = String(attrs.mathml);
    });
    expect(mathml).toContain('<mfrac><mrow><mn>1</mn></mrow><mrow><mi>x</mi></mrow></mfrac>');
  });

  test('strict documents are read like transitional ones, whatever their prefixes', () => {
    const strict =
      '<x:document xmlns:x="http://purl.oclc.org/ooxml/wordprocessingml/main"><x:body><x:p><x:r><x:t>Strict.</x:t></x:r></x:p></x:body></x:document>';
    expect(text(read(docxOf('', { more: { 'word/document.xml': strict } })))).toBe(
      'doc(paragraph("Strict."))',
    );
  });
});

describe('what can’t be brought in', () => {
  const faultOf = (bytes: Uint8Array, name = 'x.docx') => {
    try {
      read(bytes, name);
    } catch (error) {
      if (error instanceof BringInError) return `${error.fault}: ${error.message}`;
      throw error;
    }
    return '';
  };
  const compound = (name: string) => {
    const bytes = new Uint8Array(2048);
    bytes.set([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1]);
    for (const [at, sign] of [...name].entries()) bytes[1024 + 2 * at] = sign.charCodeAt(0);
    return bytes;
  };

  test('an older document, one that is locked, one without text, and one that reaches outside itself', () => {
    expect(faultOf(compound('WordDocument'))).toMatch(/^unknown-format: .*\.doc.*save it as \.docx/s);
    expect(faultOf(compound('EncryptedPackage'))).toMatch(/^encrypted: .*without one/s);
    expect(faultOf(docxOf(''))).toMatch(/^empty:/);
    const bomb =
      '<!DOCTYPE w [<!ENTITY a "aaaaaaaaaa"><!ENTITY b SYSTEM "file:///etc/passwd">]><w:document><w:body/></w:document>';
    expect(faultOf(docxOf('', { more: { 'word/document.xml': bomb } }))).toMatch(
      /^unsafe-path: .*document type/s,
    );
    const deep = `${'<w:sdt><w:sdtContent>'.repeat(2000)}${p(r('deep'))}${'</w:sdtContent></w:sdt>'.repeat(2000)}`;
    expect(faultOf(docxOf(deep))).toMatch(/^too-large:/);
  });

  test('programs in a document are never kept', () => {
    const brought = read(
      docxOf(p(r('Text.')), { more: { 'word/vbaProject.bin': new Uint8Array([1, 2, 3]) } }),
    );
    expect(whys(brought)).toEqual(expect.arrayContaining(['macros: programs are never kept']));
    expect(brought.enclosures).toEqual([]);
  });
});

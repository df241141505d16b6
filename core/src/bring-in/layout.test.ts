import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { beginsPage, figureParts, schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { docxOf, odtOf } from '../testing/documents.js';
import { epubFiles, zip } from '../testing/zip.js';
import { bringIn } from './index.js';

const docs = (name: string, bytes: Uint8Array) =>
  bringIn({ name, bytes }, counter('new')).book.chapters.map(({ doc }) => Node.fromJSON(schema, doc));
const page = (body: string) =>
  docs('book.html', new TextEncoder().encode(`<html lang="en"><body>${body}</body></html>`));
/** The words of the blocks that begin a page. */
const begun = (chapters: Node[]): string[] =>
  chapters.flatMap((doc) => doc.children.filter(beginsPage).map((node) => node.textContent));

describe('blocks that begin a page come in as such', () => {
  // CSS Fragmentation 3, 3.1 and CSS 2.2, 13.3.1.
  test('from a page and an e-book', () => {
    expect(
      begun(
        page(
          '<h1 style="break-before: page">One</h1><p>a</p><p style="color: red; page-break-before:always">b</p>' +
            '<div style="break-before:recto"><h2>Two</h2><p>c</p></div><p style="page-break-before: avoid">d</p><h2 class="new-page">Three</h2>',
        ),
      ),
    ).toEqual(['b', 'Two', 'Three']);
  });

  test('by the style sheets of a page and of an e-book', () => {
    const sheet =
      'h2, .part > p { page-break-before: always } p.plate{break-before:right;color:red} p.still { break-before: auto } @media print { div.own { break-before: page } } {';
    const body =
      '<h1>One</h1><p>a</p><h2>Two</h2><p class="big plate">b</p><p class="still">c</p><h2 style="break-before: auto">d</h2><div class="own"><p>e</p></div>';
    expect(begun(page(`<style>${sheet}</style>${body}`))).toEqual(['Two', 'b', 'e']);
    const bytes = zip({
      ...epubFiles({ 'a.xhtml': '' }),
      'OEBPS/a.css': sheet,
      'OEBPS/a.xhtml': `<html xmlns="http://www.w3.org/1999/xhtml"><head><title>A</title><link rel="stylesheet" href="a.css"/></head><body>${body}</body></html>`,
    });
    expect(begun(docs('book.epub', bytes))).toEqual(['Two', 'b', 'e']);
  });

  // ECMA-376-1, 17.3.1.23 and 17.3.3.1.
  test('from DOCX: said of a paragraph, or as a break before, in or after it', () => {
    const p = (words: string, properties = '') =>
      `<w:p><w:pPr>${properties}</w:pPr><w:r><w:t>${words}</w:t></w:r></w:p>`;
    const br = '<w:r><w:br w:type="page"/></w:r>';
    const body =
      p('first', '<w:pageBreakBefore/>') +
      p('a', '<w:pageBreakBefore/>') +
      `<w:p>${br}<w:r><w:t>b</w:t></w:r></w:p>` +
      `<w:p><w:r><w:t>c</w:t></w:r>${br}</w:p>` +
      p('d') +
      p('e', '<w:pageBreakBefore w:val="0"/>');
    expect(begun(docs('book.docx', docxOf(body)))).toEqual(['a', 'b', 'd']);
  });

  // OpenDocument 1.3, 20.187.
  test('from ODT, where it is said of the paragraph itself', () => {
    const body = '<text:p>first</text:p><text:p text:style-name="P1">a</text:p><text:p>b</text:p>';
    const styles =
      '<style:style style:name="P1" style:family="paragraph"><style:paragraph-properties fo:break-before="page"/></style:style>';
    expect(begun(docs('book.odt', odtOf(body, { automatic: styles })))).toEqual(['a']);
  });
});

test('the credit of a picture comes in below its caption, with its link', () => {
  const gif = 'data:image/gif;base64,R0lGODlhAQABAAAAACH5BAEAAAAALAAAAAABAAEAAAICRAEAOw==';
  const [doc] = page(
    `<h1>One</h1><figure><img alt="A lamp" src="${gif}"/><figcaption>The lamp<div class="credit">By <a href="https://a.example/">Ada</a></div></figcaption></figure>`,
  );
  const figures = doc!.children.filter(({ type }) => type.name === 'figure');
  const { caption, credit } = figureParts(figures[0]!);
  expect([caption?.textContent, credit?.textContent]).toEqual(['The lamp', 'By Ada']);
  expect(credit?.lastChild?.marks.map(({ type }) => type.name)).toEqual(['link']);
});

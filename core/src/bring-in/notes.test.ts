import { describe, expect, test } from '@jest/globals';
import { Node } from 'prosemirror-model';
import { schema } from '../manuscript/index.js';
import { counter } from '../testing/books.js';
import { bringIn } from './index.js';

const text = (body: string) => {
  const bytes = new TextEncoder().encode(`<!doctype html><html lang="en"><body><h1>T</h1>${body}`);
  const { book, report } = bringIn({ name: 'a.html', bytes }, counter());
  return [
    Node.fromJSON(schema, book.chapters[0]!.doc).toString(),
    report.kept.find(({ what }) => what === 'marks of notes')?.count ?? 0,
  ];
};
const REAL = 'doc(heading("T"), paragraph("A", note(note_paragraph("A remark.")), " b."))';

describe('notes become real ones when both ways are sure', () => {
  // How word processors, DocBook's style sheets, EPUB 3.3 (5.5 of its structural semantics) and DPUB-ARIA 1.1 write them.
  test.each([
    [
      'a raised mark with a place of its own',
      '<p>A<sup><a href="#n1" id="r1">1</a></sup> b.</p><ol><li id="n1">A remark. <a href="#r1">↩</a></li></ol>',
    ],
    [
      'brackets around mark and way back',
      '<p>A[<a href="#n1" id="r1">1</a>] b.</p><p id="n1">[<a href="#r1">1</a>] A remark.</p>',
    ],
    [
      'a word processor',
      '<p>A<a href="#_ftn1" name="_ftnref1"><sup>[1]</sup></a> b.</p><hr><div id="ftn1"><p><a href="#_ftnref1" name="_ftn1">[1]</a> A remark.</p></div>',
    ],
    [
      'DocBook',
      '<p>A<a href="#ftn.id1" class="footnote" id="id1"><sup class="footnote">[1]</sup></a> b.</p><div class="footnotes"><hr/><div id="ftn.id1" class="footnote"><p><a href="#id1"><sup>[1] </sup></a>A remark.</p></div></div>',
    ],
    [
      'epub:type',
      '<p>A[<a epub:type="noteref" href="#n1" id="r1">1</a>] b.</p><aside epub:type="footnote" id="n1"><p>[<a href="#r1" epub:type="backlink">1</a>] A remark.</p></aside>',
    ],
    [
      'roles',
      '<p>A<a role="doc-noteref" href="#n1" id="r1">1</a> b.</p><section role="doc-endnotes"><ol><li id="n1" role="doc-endnote">A remark. [<a href="#r1" role="doc-backlink">back</a>]</li></ol></section>',
    ],
  ])('%s', (_name, body) => expect(text(body)).toEqual([REAL, 1]));

  test.each([
    ['no way back', '<p>A<a href="#n1">1</a> b.</p><ol><li id="n1">A remark.</li></ol>'],
    [
      'a way back to the paragraph alone',
      '<p id="p">A<a href="#n1">1</a> b.</p><ol><li id="n1">A remark. <a href="#p">↩</a></li></ol>',
    ],
  ])('with %s they are left to the author', (_name, body) => expect(text(body)[1]).toBe(0));
});
